import { describe, expect, it } from "vitest";
import { isTouched } from "./useChanges";

describe("what a change touches", () => {
  it("asks for prices and lists again when the pantry changes, and not for the plan", () => {
    expect(["pantry", "shopping", "price"].every((key) => isTouched(key, "stock"))).toBe(true);
    expect(isTouched("day", "stock")).toBe(false);
  });

  it("asks for everything again when the kitchen's things change, or when notices may have been missed", () => {
    for (const change of ["things", "kitchen", "all", "something new"])
      expect(["reference", "kitchen", "tally", "price", "shelf", "day"].every((key) => isTouched(key, change))).toBe(
        true,
      );
  });

  it("asks for nothing but the pots at the bench when a probe reads", () => {
    expect(isTouched("pot", "readings")).toBe(true);
    expect(["day", "reference", "shelf", "devices"].some((key) => isTouched(key, "readings"))).toBe(false);
  });

  it("never touches an order that is being edited, nor the session", () => {
    for (const change of ["things", "kitchen", "stock", "orders", "day", "all"])
      expect(["order", "session", "sharedQuote"].some((key) => isTouched(key, change))).toBe(false);
  });
});
