import type { Centre, CentreSize } from "../../api/client";

export interface PieceLook {
  centre: Centre;
  size: CentreSize;
  srgb: string;
  /** Distance of the coat's edge from the dipped end, in mm. */
  dipLine: number;
  /** Thickness of all coats, in mm: the coat stands out by it. */
  film: number;
}

/** How far a drawn piece reaches beyond its silhouette: leaves or a stick. */
export function overhang(centre: Centre | undefined): number {
  if (centre?.code === "strawberry") return 7;
  return centre?.holding === "stick" ? 15 : 0;
}

export type Point = readonly [x: number, y: number];
export const n = (value: number) => value.toFixed(2);
export const at = ([x, y]: Point) => `${n(x)} ${n(y)}`;
