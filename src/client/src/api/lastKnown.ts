import { openDB, type IDBPDatabase } from "idb";
import { putBy } from "../ui/putBy";
import { standingOf } from "./standing";

const store = "answers";
let opened: Promise<IDBPDatabase> | undefined;
const database = () =>
  (opened ??= openDB("kondiba", 1, {
    upgrade(db) {
      db.createObjectStore(store);
    },
  }));

/**
 * What the server says or, while it is away, what it said last to whoever was signed in; what it never said before cannot be told.
 * A browser that keeps nothing asks the server alone.
 */
export async function lastKnown<T>(key: string, ask: () => Promise<T>): Promise<T> {
  try {
    const told = await ask();
    void keep(key, told);
    return told;
  } catch (error) {
    const told = standingOf(error) === "away" ? await kept(key) : undefined;
    if (told === undefined) throw error;
    return told as T;
  }
}

/** What the server says to whoever is signed in, apart from what it says to others. */
export const lastKnownOfMine = <T>(name: string, ask: () => Promise<T>) => lastKnown(putBy.at(name), ask);

async function keep(key: string, told: unknown) {
  try {
    await (await database()).put(store, told, key);
  } catch (error) {
    console.error("This browser could not keep an answer:", error);
  }
}

async function kept(key: string): Promise<unknown> {
  try {
    return await (await database()).get(store, key);
  } catch {
    return undefined;
  }
}

/** Forgets all that the server said: whoever signs out leaves nothing to be read. */
export async function forgetAll() {
  try {
    await (await database()).clear(store);
  } catch {
    // A browser that keeps nothing has nothing to forget.
  }
}
