import { closed, downOf, ringOf, type PieceLook, type Point } from "../piece/points";

/** A piece's silhouette as an SVG path, in mm: its top at y 0, its middle line at x 0. */
export function silhouette(look: Pick<PieceLook, "centre" | "size">): string {
  const down = downOf(look);
  return closed(ringOf(look.size).map(([x, along]): Point => [x, down(along)]));
}

/** Where the first coat ends, from the top; nothing where it covers all or none. */
export function dipEdge(look: PieceLook): number | undefined {
  const { upTo, angle } = look.coats[0];
  if (angle !== 0 || upTo <= 0 || upTo >= look.size.length - 0.01) return undefined;
  return downOf(look)(upTo);
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
