import { expect, test, vi } from "vitest";
import { putByIn } from "./putBy";

function browser() {
  const kept = new Map<string, string>();
  return {
    kept,
    getItem: (at: string) => kept.get(at) ?? null,
    setItem: (at: string, value: string) => void kept.set(at, value),
    removeItem: (at: string) => void kept.delete(at),
  };
}

test("what one kitchen ticked off is not there in another, and is when one comes back to it", () => {
  const own = browser();
  const putBy = putByIn(() => own);
  putBy.open("pier.anna");
  putBy.write("basket", ["dark wafers"]);
  putBy.open("quay.anna");
  expect(putBy.read("basket")).toBeUndefined();
  putBy.write("basket", ["sticks"]);
  putBy.open("pier.anna");
  expect(putBy.read("basket")).toEqual(["dark wafers"]);
});

test("two people of one kitchen have their own", () => {
  const own = browser();
  const putBy = putByIn(() => own);
  putBy.open("pier.anna");
  putBy.write("draft", 1);
  putBy.open("pier.ben");
  expect(putBy.read("draft")).toBeUndefined();
});

test("it is there again after the page was closed, and what was forgotten is not", () => {
  const own = browser();
  const before = putByIn(() => own);
  before.open("pier.anna");
  before.write("draft", { name: "Regatta" });
  before.write("look", 1);
  before.forget("look");
  const after = putByIn(() => own);
  after.open("pier.anna");
  expect([after.read("draft"), after.read("look"), own.kept.size]).toEqual([{ name: "Regatta" }, undefined, 1]);
});

test("nothing is written while nobody has signed in", () => {
  const own = browser();
  const putBy = putByIn(() => own);
  putBy.write("basket", ["dark wafers"]);
  putBy.forget("basket");
  expect([putBy.read("basket"), own.kept.size]).toEqual([undefined, 0]);
  putBy.open("pier.anna");
  putBy.write("basket", ["dark wafers"]);
  putBy.open(null);
  putBy.write("basket", ["sticks"]);
  expect([putBy.read("basket"), own.kept.size]).toEqual([undefined, 1]);
});

test("a browser that is full, or holds what cannot be read, goes on without", () => {
  const told = vi.spyOn(console, "error").mockImplementation(() => undefined);
  const full = {
    getItem: () => "{not written to the end",
    setItem: () => {
      throw new Error("full");
    },
    removeItem: () => undefined,
  };
  const putBy = putByIn(() => full);
  putBy.open("pier.anna");
  putBy.write("draft", 1);
  expect(putBy.read("draft")).toBeUndefined();
  expect(told).toHaveBeenCalledOnce();
  told.mockRestore();
});
