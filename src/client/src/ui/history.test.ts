import fc from "fast-check";
import { expect, test } from "vitest";
import { begun, history, type History, type HistoryAct } from "./history";

type Edited = History<number[]>;
const edit = fc.record({
  kind: fc.constant("edit" as const),
  field: fc.constantFrom("name", "notes", "lines"),
  to: fc.nat(9),
});
const act = fc.oneof(edit, fc.record({ kind: fc.constantFrom("undo" as const, "redo" as const) }));
type Act = typeof act extends fc.Arbitrary<infer T> ? T : never;

const done = (state: Edited, acts: readonly Act[]): Edited =>
  acts.reduce<Edited>((s, a) => {
    const then: HistoryAct<number[]> =
      a.kind === "edit" ? { kind: "edit", field: a.field, change: (draft) => [...draft, a.to] } : { kind: a.kind };
    return history(s, then);
  }, state);

const all = (kind: "undo" | "redo") => Array.from({ length: 50 }, () => ({ kind }));

test("undone to its beginning and redone to its end, it is as it was", () =>
  fc.assert(
    fc.property(fc.array(act, { maxLength: 40 }), (acts) => {
      const now = done(begun([]), acts);
      const begins = done(now, all("undo"));
      expect(begins.draft).toEqual([]);
      const ends = done(begins, all("redo"));
      expect(ends.draft).toEqual(done(now, all("redo")).draft);
      expect(done(ends, all("undo").slice(0, now.future.length)).draft).toEqual(now.draft);
    }),
  ));

test("one undo takes back what was typed into a field in one go, and nothing of another field", () =>
  fc.assert(
    fc.property(fc.array(edit, { minLength: 1, maxLength: 20 }), (edits) => {
      const now = done(begun([]), edits);
      const last = edits.findLastIndex((e) => e.field !== edits.at(-1)?.field);
      expect(done(now, [{ kind: "undo" }]).draft).toEqual(edits.slice(0, last + 1).map((e) => e.to));
    }),
  ));
