import { describe, expect, it } from "vitest";
import type { Package } from "../../api/client";
import { alike, exchanged } from "./moves";

const box = (cells: number[], supply = "box-6"): Package =>
  ({ supply, rows: 2, columns: 3, cells, pieces: cells.map((line) => ({ line })) }) as unknown as Package;
const bag = { supply: "bag", rows: 0, columns: 0, cells: [], pieces: [{ line: 1 }] } as unknown as Package;

describe("pieces in boxes", () => {
  const boxes = [box([0, 1, 0, 1, 0, 1]), box([0, 1, 0, 1, 0, 1]), box([0, 0, 0, 1, -1, -1]), bag];

  it("shows boxes that are alike once", () => {
    expect(alike(boxes).map((g) => g.at)).toEqual([[0, 1], [2], [3]]);
  });

  it("changes all that are alike together, and tells of boxes with rows only", () => {
    const moved = exchanged(boxes, alike(boxes), { box: 0, cell: 0 }, { box: 0, cell: 1 });
    expect(moved).toEqual([
      [1, 0, 0, 1, 0, 1],
      [1, 0, 0, 1, 0, 1],
      [0, 0, 0, 1, -1, -1],
    ]);
  });

  it("moves a piece to an empty place of another box, and tells one of those alike apart", () => {
    const moved = exchanged(boxes, alike(boxes), { box: 0, cell: 1 }, { box: 1, cell: 5 });
    expect(moved).toEqual([
      [0, 1, 0, 1, 0, 1],
      [0, -1, 0, 1, 0, 1],
      [0, 0, 0, 1, -1, 1],
    ]);
  });
});
