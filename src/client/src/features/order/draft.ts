import type { Order, OrderLine, PotDraft } from "../../api/client";
import { putBy } from "../../ui/putBy";

/** What the maker edits: an order without what the server makes of it. */
export type Draft = Omit<Order, "id" | "version" | "number" | "tally">;

/** Changes a field of the order; stable over renders, so that what has not changed need not be drawn again. */
export type Edit = (field: string, change: (draft: Draft) => Draft) => void;

const fromServer = new Set(["id", "version", "number", "tally"]);

export const draftOf = (order: Order) =>
  Object.fromEntries(Object.entries(order).filter(([field]) => !fromServer.has(field))) as Draft;

export const sameDraft = (a: Draft, b: Draft) => JSON.stringify(a) === JSON.stringify(b);

export const changeLine = (id: string, change: Partial<OrderLine>) => (draft: Draft) => ({
  ...draft,
  lines: draft.lines.map((line) => (line.id === id ? { ...line, ...change } : line)),
});

/** The order without a line; what is packed by the place of a line is told of those that follow. */
export const withoutLine = (id: string) => (draft: Draft) => {
  const at = draft.lines.findIndex((line) => line.id === id);
  const packing = (draft.packing ?? []).flatMap((packed) => {
    if (!packed.lines) return [packed];
    const lines = packed.lines.filter((l) => l !== at).map((l) => (l > at ? l - 1 : l));
    return lines.length > 0 ? [{ ...packed, lines }] : [];
  });
  return { ...draft, packing, boxes: null, lines: draft.lines.filter((line) => line.id !== id) };
};

/** Changes what is chosen for a pot; a pot with nothing chosen is left to the product. */
export const changePot = (key: string, change: Partial<PotDraft>) => (draft: Draft) => {
  const { [key]: before, ...others } = draft.pots;
  const pot = { vessel: null, thinner: null, film: null, ...before, ...change };
  return { ...draft, pots: Object.values(pot).some((v) => v !== null) ? { ...others, [key]: pot } : others };
};

// What is typed and not yet kept survives a reload, a closed lid or a stopped server here.

export interface Stored {
  version: number;
  draft: Draft;
  /** Sent, and it is not known whether they were kept. */
  unsure: Draft[];
}

// The form of a draft has a number, so that one put by in an older form is not taken for one.
const putByKey = (id: string) => `order.8.${id}`;

export const storedDraft = (id: string) => putBy.read(putByKey(id)) as Stored | undefined;
export const storeDraft = (id: string, stored: Stored) => putBy.write(putByKey(id), stored);
export const forgetDraft = (id: string) => putBy.forget(putByKey(id));
