import type { Recipe, Reference } from "../../api/client";
import { say } from "../../wording/say";

const apart = 12;
const across = 8;

/** Beads that the spoon holds. */
const most = 32;

/** The pot's drops as beads on a spoon; those of 100 g when there are more than it holds. */
export function Spoon({ recipe, reference }: { recipe: Recipe; reference: Reference }) {
  const inPot = recipe.drops.reduce((sum, d) => sum + d.inPot, 0) <= most;
  const beads = recipe.drops.flatMap((d) => {
    const swatch = reference.tints.find((t) => t.code === d.tint)?.swatch ?? "#888888";
    return Array.from({ length: inPot ? d.inPot : d.per100 }, () => swatch);
  });
  const rows = Math.max(1, Math.ceil(beads.length / across));
  return (
    <svg
      role="img"
      aria-label={
        beads.length === 0
          ? say("colour.empty-spoon")
          : say("colour.drops", { count: beads.length, inPot: inPot ? "" : say("colour.100-g") })
      }
      viewBox="0 0 240 64"
      className="w-full max-w-72"
    >
      <path
        d="M118 27C150 22 190 30 236 30V37C190 38 150 42 118 37C108 56 80 60 54 58C22 56 6 46 6 32S22 8 54 6C80 4 108 8 118 27Z"
        className="fill-rim"
      />
      <path d="M12 32C12 18 28 11 54 10C84 9 104 16 108 31" fill="none" className="stroke-panel" strokeWidth="1.5" />
      {beads.map((srgb, i) => {
        const row = Math.floor(i / across);
        const inRow = Math.min(across, beads.length - row * across);
        return (
          <circle
            key={i}
            cx={58 + ((i % across) - (inRow - 1) / 2) * apart}
            cy={32 + (row - (rows - 1) / 2) * (apart * 0.92)}
            r="5.2"
            fill={srgb}
            stroke="#2b1810"
            strokeOpacity="0.35"
            strokeWidth="0.8"
          />
        );
      })}
    </svg>
  );
}
