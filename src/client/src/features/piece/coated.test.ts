import { expect, test } from "vitest";
import type { CentreSize } from "../../api/client";
import { coated } from "./coated";
import type { Point } from "./points";

const size = { length: 60, width: 60 } as CentreSize;
const ring = Array.from({ length: 72 }, (_, i): Point => {
  const turn = (i * Math.PI) / 36;
  return [30 * Math.sin(turn), 30 - 30 * Math.cos(turn)];
});

/** Gauss's area formula. */
const area = (points: Point[]) =>
  Math.abs(
    points.reduce((sum, [x, y], i) => {
      const [nextX, nextY] = points[(i + 1) % points.length] ?? [x, y];
      return sum + (x * nextY - nextX * y) / 2;
    }, 0),
  );

const share = (angle: number, upTo: number) =>
  area(coated({ srgb: "#fff", film: 1, angle, upTo }, ring, size, () => 0.3).outline) / area(ring);

test.each([
  ["the left half", 90, 0, 0.5],
  ["the right half", -90, 0, 0.5],
  ["the lower half", 0, 30, 0.5],
  ["all of it", 0, 60, 1],
  ["nothing", 0, 0, 0],
  ["a quarter of its width from the left", 90, -15, 0.196],
])("a dip over %s covers so much of the picture", (_, angle, upTo, of) => {
  expect(Math.abs(share(angle, upTo) - of)).toBeLessThan(0.06);
});
