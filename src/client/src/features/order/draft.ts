import type { Order, OrderInput, OrderLine, PotDraft } from "../../api/client";

/** What the maker edits: an order without its version. */
export type Draft = Omit<OrderInput, "version">;

/** Changes a field of the order; stable over renders, so that what has not changed need not be drawn again. */
export type Edit = (field: string, change: (draft: Draft) => Draft) => void;

export function draftOf(order: Order): Draft {
  const { name, client, contact, pickup, handover, place, notes, state, isTemplate, allergies } = order;
  const { lines, pots, margin, palette, packing, price, deposit, depositPaid } = order;
  return {
    ...{ name, client, contact, pickup, handover, place, notes, state, isTemplate, allergies },
    ...{ lines, pots, margin, palette, packing, price, deposit, depositPaid },
  };
}

export const sameDraft = (a: Draft, b: Draft) => JSON.stringify(a) === JSON.stringify(b);

/** A UUID of version 7: time first, then chance. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  new DataView(bytes.buffer).setBigUint64(0, BigInt(Date.now()) << 16n);
  crypto.getRandomValues(bytes.subarray(6));
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x70;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join("");
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join("-");
}

export const changeLine = (id: string, change: Partial<OrderLine>) => (draft: Draft) => ({
  ...draft,
  lines: draft.lines.map((line) => (line.id === id ? { ...line, ...change } : line)),
});

/** Changes what is chosen for a pot; a pot with nothing chosen is left to the product. */
export const changePot = (key: string, change: Partial<PotDraft>) => (draft: Draft) => {
  const { [key]: before, ...others } = draft.pots;
  const pot = { vessel: null, thinner: null, film: null, ...before, ...change };
  return { ...draft, pots: Object.values(pot).some((v) => v !== null) ? { ...others, [key]: pot } : others };
};

// What is typed and not yet kept survives a reload, a closed lid or a stopped server here.

interface Stored {
  version: number;
  draft: Draft;
}

// The form of a draft has a number, so that one put by in an older form is not taken for one.
const storageKey = (id: string) => `kondiba.order.4.${id}`;

export function storedDraft(id: string): Stored | undefined {
  try {
    return (JSON.parse(localStorage.getItem(storageKey(id)) ?? "null") as Stored | null) ?? undefined;
  } catch {
    return undefined;
  }
}

export const storeDraft = (id: string, stored: Stored) => localStorage.setItem(storageKey(id), JSON.stringify(stored));
export const forgetDraft = (id: string) => localStorage.removeItem(storageKey(id));
