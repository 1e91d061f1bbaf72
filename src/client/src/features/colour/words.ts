import type { Recipe, Reference } from "../../api/client";
import { say } from "../../wording/say";

/** Drops in words: "9 drops blue, 1 drop yellow". */
export function dropsIn(drops: Recipe["drops"], reference: Reference): string {
  const some = drops.filter((d) => d.inPot > 0);
  if (some.length === 0) return say("ui.unchanged");
  return some
    .map((d) => {
      const name = reference.tints.find((t) => t.code === d.tint)?.name ?? d.tint;
      return say("colour.drops-of", { count: d.inPot, name });
    })
    .join(", ");
}
