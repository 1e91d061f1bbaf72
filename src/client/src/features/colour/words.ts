import type { Recipe, Reference } from "../../api/client";

/** Drops in words: "9 drops blue, 1 drop yellow". */
export function dropsIn(drops: Recipe["drops"], reference: Reference): string {
  const some = drops.filter((d) => d.inPot > 0);
  if (some.length === 0) return "as it is";
  return some
    .map(
      (d) =>
        `${d.inPot} ${d.inPot === 1 ? "drop" : "drops"} ${reference.tints.find((t) => t.code === d.tint)?.name ?? d.tint}`,
    )
    .join(", ");
}
