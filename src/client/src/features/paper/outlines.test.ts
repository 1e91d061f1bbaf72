import { describe, expect, it } from "vitest";
import { fitting, tilesOf } from "./outlines";

describe("paper true to size", () => {
  it("cuts a sheet into pages that cover it once", () => {
    const tiles = tilesOf(430, 300, 277, 180);
    expect(tiles).toHaveLength(4);
    expect(tiles.reduce((sum, t) => sum + t.wide * t.deep, 0)).toBeCloseTo(430 * 300);
    expect(tiles[3]).toEqual({ x: 277, y: 180, wide: 153, deep: 120 });
  });

  it("counts what fits side by side, and always one", () => {
    expect(fitting(190, 45, 5)).toBe(3);
    expect(fitting(190, 60, 5)).toBe(3);
    expect(fitting(190, 200, 5)).toBe(1);
  });
});
