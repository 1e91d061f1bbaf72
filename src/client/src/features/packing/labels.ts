import type { Label, LabelStock } from "../../api/client";

/** A label in its place on a sheet, in mm. */
export interface PlacedLabel {
  label: Label;
  x: number;
  y: number;
}

/** How many labels a sheet has. */
export const perSheet = (stock: LabelStock) => stock.across * stock.down;

/** Where the labels of a stock lie on its page, in the order that they are peeled off. */
export const placesOf = (stock: LabelStock) =>
  Array.from({ length: perSheet(stock) }, (_, i) => ({
    x: stock.left + (i % stock.across) * stock.pitchX,
    y: stock.top + Math.floor(i / stock.across) * stock.pitchY,
  }));

/** Labels sheet by sheet: each as often as there are packages, from a place of the first sheet on. */
export function sheetsOf(labels: Label[], stock: LabelStock, from: number): PlacedLabel[][] {
  const places = placesOf(stock);
  const sheets: PlacedLabel[][] = [];
  labels
    .flatMap((label) => Array.from({ length: label.count }, () => label))
    .forEach((label, i) => {
      const at = i + from - 1;
      const place = places[at % places.length];
      if (place) (sheets[Math.floor(at / places.length)] ??= []).push({ label, ...place });
    });
  return sheets;
}

/** The kind of paper that a stock is printed on; letter is told by its width. */
export const paperOf = (stock: LabelStock) => (Math.abs(stock.pageWide - 215.9) < 1 ? "paper-letter" : "paper-a4");
