import { expect, test } from "vitest";
import type { Entry } from "../../api/client";
import type { Draft } from "./draft";
import { takeOrder, understood, without } from "./entry";

const draft = {
  name: "New order",
  pickup: "2030-12-07T12:00:00",
  allergies: ["egg"],
  packing: [{ supply: "box-6", each: 1, per: 6 }],
} as unknown as Draft;

const nothing: Entry["order"] = {
  ...{ name: null, day: null, time: null, handover: null, place: null, packing: [], allergies: [], chips: [] },
};

test("what a text does not say of the order stays as it is", () => {
  expect(takeOrder(draft, nothing)).toEqual(draft);
});

test("a day keeps the time, a time keeps the day, and both make the pickup", () => {
  expect(takeOrder(draft, { ...nothing, day: "2030-12-14" }).pickup).toBe("2030-12-14T12:00:00");
  expect(takeOrder(draft, { ...nothing, time: "15:30:00" }).pickup).toBe("2030-12-07T15:30:00");
  expect(takeOrder({ ...draft, pickup: null }, { ...nothing, day: "2030-12-14", time: "09:00:00" }).pickup).toBe(
    "2030-12-14T09:00:00",
  );
});

test("allergies are added once, and packing replaces its own kind", () => {
  const packing = [{ supply: "box-6", each: 1, per: 4 }];
  const taken = takeOrder(draft, { ...nothing, allergies: ["egg", "peanut"], packing });
  expect(taken.allergies).toEqual(["egg", "peanut"]);
  expect(taken.packing).toEqual(packing);
});

test("the button names everything that it ignores, and a screen reader hears what was understood", () => {
  const chip = { field: "centre", says: "apples", reading: "corrected", start: 0, length: 1, choices: [] } as const;
  const unknown = (text: string) => ({ start: 0, length: 1, text, reason: "", choices: [] });
  const entry = {
    lines: [{ line: {}, chips: [chip], group: 0 }],
    notUnderstood: [unknown("w"), unknown("flurble")],
    completions: [],
    order: nothing,
  } as unknown as Entry;
  expect(without(entry.notUnderstood)).toBe(" without “w” and “flurble”");
  expect(understood(entry)).toBe("apples corrected. Not used: w. Not used: flurble.");
});
