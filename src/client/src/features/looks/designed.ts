import type { Decor, Look, OrderDraft, OrderLine, PatternDraft, PatternKind } from "../../api/client";
import { say } from "../../wording/say";

/** What a look says of a piece; a line of an order says it too. */
export type Designed = Pick<
  OrderLine,
  "centre" | "size" | "coating" | "colour" | "depth" | "coats" | "atOnce" | "upright"
> & { decor: Decor };

/** Changes part of a design; the field says what makes one step of undo. */
export type Change = (field: string, part: Partial<Designed>) => void;

export const plain: Decor = { dips: [], patterns: [], sprinkles: [], parts: [], paint: null };

export const designOf = (look: Designed): Designed => ({
  centre: look.centre,
  size: look.size,
  coating: look.coating,
  colour: look.colour,
  depth: look.depth,
  coats: look.coats,
  atOnce: look.atOnce,
  upright: look.upright,
  decor: look.decor,
});

/** What a line takes over from a look; it stays on its own centre. */
export const wear = (look: Look) => ({
  look: look.name,
  coating: look.coating,
  colour: look.colour,
  depth: look.depth,
  coats: look.coats,
  atOnce: look.atOnce,
  decor: look.decor,
});

/** An order of so many pieces of one design, to be computed. */
export const orderOf = (design: Designed, amount: number): OrderDraft => ({
  name: say("looks.look"),
  pickup: null,
  notes: null,
  lines: [{ ...design, amount, countedIn: "pieces" }],
  pots: {},
  margin: null,
  palette: null,
});

export const patternOf = (kind: PatternKind, coating: string | null, colour: string | null): PatternDraft => ({
  kind: kind.code,
  coating,
  colour,
  lines: kind.usual,
  spacing: null,
  bead: kind.bead.value,
  angle: 0,
  phase: 0,
  text: kind.code === "letters" ? "A" : null,
});

/** One of a list changed, or taken out when it is given as nothing. */
export const put = <T>(list: T[], i: number, item: T | undefined): T[] =>
  item === undefined ? list.filter((_, k) => k !== i) : list.map((old, k) => (k === i ? item : old));
