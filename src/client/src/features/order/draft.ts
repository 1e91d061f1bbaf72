import type { Order, OrderInput, OrderLine, PotDraft } from "../../api/client";

/** What the maker edits: an order without its version. */
export type Draft = Omit<OrderInput, "version">;

/** Changes a field of the order; stable over renders, so that what has not changed need not be drawn again. */
export type Edit = (field: string, change: (draft: Draft) => Draft) => void;

export function draftOf(order: Order): Draft {
  const { name, client, contact, pickup, handover, place, notes, state, isTemplate, allergies } = order;
  const { lines, pots, margin, palette, packing, price, deposit, depositPaid, schools } = order;
  return {
    ...{ name, client, contact, pickup, handover, place, notes, state, isTemplate, allergies },
    ...{ lines, pots, margin, palette, packing, price, deposit, depositPaid, schools },
  };
}

export const sameDraft = (a: Draft, b: Draft) => JSON.stringify(a) === JSON.stringify(b);

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
const storageKey = (id: string) => `kondiba.order.5.${id}`;

export function storedDraft(id: string): Stored | undefined {
  try {
    return (JSON.parse(localStorage.getItem(storageKey(id)) ?? "null") as Stored | null) ?? undefined;
  } catch {
    return undefined;
  }
}

export const storeDraft = (id: string, stored: Stored) => localStorage.setItem(storageKey(id), JSON.stringify(stored));
export const forgetDraft = (id: string) => localStorage.removeItem(storageKey(id));
