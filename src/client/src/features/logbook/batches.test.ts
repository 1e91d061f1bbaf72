import { expect, test } from "vitest";
import type { LoggedBatch } from "../../api/client";
import { groupsOf, offBy, onScale, plusMinus } from "./batches";

const batch = (id: string, groups: string, weighed: number | null = 110) =>
  ({ id, groups, name: groups, planned: 100, weighed }) as LoggedBatch;

test("a batch is off its plan by what was weighed", () => {
  expect(offBy(batch("a", "rods"))).toBeCloseTo(0.1);
  expect(offBy(batch("a", "rods", null))).toBeNull();
  expect([plusMinus(0.236), plusMinus(-0.03), plusMinus(0.004)]).toEqual(["+24%", "−3%", "as planned"]);
});

test("batches come newest first and stand oldest first, the kind with most of them in front", () => {
  const groups = groupsOf([batch("c", "rods"), batch("b", "berries"), batch("a", "rods")]);
  expect(groups.map((g) => g.key)).toEqual(["rods", "berries"]);
  expect(groups[0]?.batches.map((b) => b.id)).toEqual(["a", "c"]);
});

test("the tables' value stands in the middle, and as much more as less equally far from it", () => {
  expect(onScale(1)).toBe(0.5);
  expect(onScale(1.25) + onScale(1 / 1.25)).toBeCloseTo(1);
  expect([onScale(0.1), onScale(10)]).toEqual([0, 1]);
});
