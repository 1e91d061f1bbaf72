import { describe, expect, it } from "vitest";
import type { HandbookSection } from "../../api/client";
import { found } from "./search";

const entry = (title: string, text: string) => ({ code: title, title, text: [text], facts: [], source: null });
const book: HandbookSection[] = [
  {
    code: "words",
    entries: [entry("Pool", "Coating that must stand in the vessel."), entry("Seed", "Brings back temper.")],
  },
  { code: "troubles", entries: [entry("Streaks", "Temper was lost.")] },
];

describe("the handbook's search", () => {
  it("shows all when nothing is looked for", () => expect(found(book, " ")).toEqual(book));

  it("finds all words of what is typed, in any letters, and leaves empty sections out", () => {
    expect(found(book, "TEMPER").map((s) => s.entries.map((e) => e.title))).toEqual([["Seed"], ["Streaks"]]);
    expect(found(book, "temper lost").map((s) => s.code)).toEqual(["troubles"]);
    expect(found(book, "nothing")).toEqual([]);
  });
});
