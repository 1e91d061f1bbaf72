/**
 * What is put by in this browser: typed and not kept yet, ticked off and not sent yet, last seen. Each person's of each kitchen stands
 * apart, and nothing is read or written before it is known whose it is. It is written before the next key can be pressed, so that a
 * page that is closed at any moment loses nothing; a browser's database would still be writing.
 */
export function putByIn(storage: () => Pick<Storage, "getItem" | "setItem" | "removeItem">) {
  let whose: string | null = null;
  const at = (key: string) => `kondiba/${whose}/${key}`;
  return {
    /** Where something of theirs is kept. */
    at,
    /** Opens what is a person's in a kitchen; what was open is closed. Nobody has anything. */
    open(next: string | null) {
      whose = next;
    },
    /** What is put by under a key; nothing where there is none, or what is there cannot be read. */
    read(key: string): unknown {
      if (whose === null) return undefined;
      try {
        return (JSON.parse(storage().getItem(at(key)) ?? "null") as unknown) ?? undefined;
      } catch {
        return undefined;
      }
    },
    /** Puts something by. A browser that is full, or keeps nothing, goes on without. */
    write(key: string, value: unknown) {
      if (whose === null) return;
      try {
        storage().setItem(at(key), JSON.stringify(value));
      } catch (error) {
        console.error("This browser could not put something by:", error);
      }
    },
    /** What is put by under all keys that begin like this, by key. */
    list(beginning: string): unknown[] {
      if (whose === null) return [];
      const start = at(beginning);
      const keys = Object.keys(storage()).filter((key) => key.startsWith(start));
      return keys.sort().map((key) => this.read(key.slice(at("").length)));
    },
    forget(key: string) {
      if (whose !== null) storage().removeItem(at(key));
    },
  };
}

export const putBy = putByIn(() => localStorage);
