import type { CentreSize } from "../../api/client";
import type { Coat, Point } from "./points";

/** How far a coat stands out from the body in the picture, in mm. */
export const out = ({ film }: Coat) => film * 0.6;

/** Whether a coat goes round all of a piece. */
export const isWhole = (coat: Coat, { length }: CentreSize) => coat.angle === 0 && coat.upTo >= length - 0.01;

/**
 * A coat's outline: it stands out from the body by its film, and ends in a slow wave that is never two times alike. In mm across
 * and along from the dipped end; no outline where it covers nothing.
 */
export function coated(coat: Coat, ring: Point[], size: CentreSize, random: () => number) {
  const { length, width } = size;
  const [wider, longer] = [1 + (2 * out(coat)) / width, 1 + (2 * out(coat)) / length];
  const grown = ring.map(([x, along]): Point => [x * wider, (along - length / 2) * longer + length / 2]);
  if (isWhole(coat, size)) return { outline: grown, edge: [] };
  if (coat.angle === 0 && coat.upTo <= 0) return { outline: [], edge: [] };
  const turn = (coat.angle * Math.PI) / 180;
  const over = ([x, along]: Point) => x * Math.sin(turn) + along * Math.cos(turn) - coat.upTo;
  const [phase, wave] = [random() * 6.3, 0.45 + width * 0.012];
  const edge: Point[] = [];
  const outline: Point[] = [];
  grown.forEach((b, i) => {
    const a = grown.at(i - 1) ?? b;
    const [da, db] = [over(a), over(b)];
    if (da <= 0 && db > 0) {
      // Where the outline leaves the coat, the edge runs across to where it comes in again.
      const from = between(a, b, da / (da - db));
      const back = grown.findIndex((q, k) => over(grown.at(k - 1) ?? q) > 0 && over(q) <= 0);
      const [c, d] = [grown.at(back - 1) ?? a, grown[back] ?? b];
      const to = between(c, d, over(c) / (over(c) - over(d)));
      const steps = Math.max(24, Math.round(Math.hypot(to[0] - from[0], to[1] - from[1]) / 0.7));
      for (let k = 0; k <= steps; k++) {
        const [x, along] = between(from, to, k / steps);
        const u = x * Math.cos(turn) - along * Math.sin(turn);
        const lift =
          wave *
          Math.min(1, (4 * k) / steps, (4 * (steps - k)) / steps) *
          (Math.sin(phase + u * 0.42) + 0.6 * Math.sin(phase * 2 + u * 0.95));
        edge.push([x + lift * Math.sin(turn), along + lift * Math.cos(turn)]);
      }
      outline.push(...edge);
    }
    if (db <= 0) outline.push(b);
  });
  return { outline, edge };
}

const between = (a: Point, b: Point, share: number): Point => [
  a[0] + (b[0] - a[0]) * share,
  a[1] + (b[1] - a[1]) * share,
];
