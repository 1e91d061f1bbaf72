import { describe, expect, it } from "vitest";
import type { Label, LabelStock } from "../../api/client";
import { placesOf, sheetsOf } from "./labels";

const stock: LabelStock = {
  ...{ code: "a4-2x4", name: "8 on A4", pageWide: 210, pageHigh: 297, across: 2, down: 4 },
  ...{ wide: 99.1, high: 67.7, left: 4.7, top: 13.1, pitchX: 101.6, pitchY: 67.7 },
};
const label = (count: number) => ({ count }) as Label;

describe("labels on a sheet", () => {
  it("lie within the page, none on another", () => {
    const places = placesOf(stock);
    expect(places).toHaveLength(8);
    for (const { x, y } of places) {
      expect(x + stock.wide).toBeLessThanOrEqual(stock.pageWide);
      expect(y + stock.high).toBeLessThanOrEqual(stock.pageHigh);
    }
    expect(places[1]?.x).toBeGreaterThanOrEqual((places[0]?.x ?? 0) + stock.wide);
  });

  it("go on to further sheets, and begin where the first was left off", () => {
    const sheets = sheetsOf([label(5), label(6)], stock, 4);
    expect(sheets.map((s) => s.length)).toEqual([5, 6]);
    expect(sheets[0]?.[0]).toMatchObject(placesOf(stock)[3] ?? {});
    expect(sheets[1]?.[0]).toMatchObject(placesOf(stock)[0] ?? {});
  });
});
