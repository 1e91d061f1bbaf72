import { describe, expect, it } from "vitest";
import { textOf, wordIn } from "./useSpoken";

describe("a word at the bench", () => {
  it("is heard in whatever sentence it stands", () => {
    expect(wordIn("Done")).toBe("done");
    expect(wordIn("okay that's done now")).toBe("done");
    expect(wordIn("hold on")).toBe("hold");
    expect(wordIn("something went wrong")).toBe("wrong");
    expect(wordIn("one more")).toBe("one");
  });

  it("is nothing where none or more than one is heard", () => {
    expect(wordIn("pass me the whisk")).toBeUndefined();
    expect(wordIn("I abandoned it")).toBeUndefined();
    expect(wordIn("not done, hold it")).toBeUndefined();
    expect(wordIn("not done yet")).toBeUndefined();
    expect(wordIn("it isn't done")).toBeUndefined();
    expect(wordIn("")).toBeUndefined();
  });

  it("is read from what the browser heard, whose parts are its prototype's", () => {
    const browsers = Object.create(
      {},
      { confidence: { get: () => 0.9, enumerable: true }, heard: { get: () => "done", enumerable: true } },
    ) as object;
    expect(textOf(Object.create(browsers) as object)).toBe("done");
    expect(textOf(undefined)).toBe("");
  });
});
