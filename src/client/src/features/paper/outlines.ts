import type { PieceLook } from "../piece/points";

/** A piece's silhouette as an SVG path, in mm: its top at y 0, its middle line at x 0. */
export function silhouette({ centre, size }: Pick<PieceLook, "centre" | "size">): string {
  const y = (along: number) => (centre.dippedEndUp ? along : size.length - along);
  const right = size.profile.map((p) => `${p.halfWidth.toFixed(2)} ${y(p.along).toFixed(2)}`);
  const left = size.profile.toReversed().map((p) => `${(-p.halfWidth).toFixed(2)} ${y(p.along).toFixed(2)}`);
  return `M${[...right, ...left].join("L")}Z`;
}

/** Where the first coat ends, from the top; nothing where it covers all or none. */
export function dipEdge({ centre, size, coats }: PieceLook): number | undefined {
  const { upTo, angle } = coats[0];
  if (angle !== 0 || upTo <= 0 || upTo >= size.length - 0.01) return undefined;
  return centre.dippedEndUp ? upTo : size.length - upTo;
}

/** How many of something fit on a page side by side. */
export const fitting = (room: number, each: number, gap: number) =>
  Math.max(1, Math.floor((room + gap) / (each + gap)));

/** Pages of a sheet that is larger than one: the part of it that lies on each, in mm. */
export function tilesOf(wide: number, deep: number, pageWide: number, pageDeep: number) {
  const [across, down] = [Math.ceil(wide / pageWide), Math.ceil(deep / pageDeep)];
  return Array.from({ length: across * down }, (_, i) => {
    const [x, y] = [(i % across) * pageWide, Math.floor(i / across) * pageDeep];
    return { x, y, wide: Math.min(pageWide, wide - x), deep: Math.min(pageDeep, deep - y) };
  });
}
