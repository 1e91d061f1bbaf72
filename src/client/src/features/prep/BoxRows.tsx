import type { BoxPlan } from "../../api/client";
import { useWording } from "../../ui/units";
import { say } from "../../wording/say";

const cell = 40;

/** A box from above: sorted pieces in its rows, each as large as it is likely to be. */
export function BoxRows({ plan }: { plan: BoxPlan }) {
  const wording = useWording();
  const columns = Math.max(...plan.rows.map((r) => r.length));
  const heaviest = Math.max(...plan.rows.flat());
  return (
    <section aria-label={say("prep.pieces-in-box", { pieces: plan.pieces, box: plan.box })}>
      <h2 className="font-serif text-[22px]">{say("prep.into-box")}</h2>
      <svg
        role="img"
        aria-label={plan.rows.map((row) => row.map((g) => wording.mass(g)).join(", ")).join("; ")}
        viewBox={`-4 -4 ${columns * cell + 8} ${plan.rows.length * cell + 8}`}
        className="mt-1 w-full max-w-60"
      >
        <rect
          x="-3"
          y="-3"
          width={columns * cell + 6}
          height={plan.rows.length * cell + 6}
          rx="4"
          className="fill-parchment stroke-board-edge"
          strokeWidth="2"
        />
        {plan.rows.map((row, r) =>
          row.map((g, c) => {
            const size = Math.cbrt(g / heaviest) * cell * 0.44;
            return (
              <g key={`${r}-${c}`} transform={`translate(${(c + 0.5) * cell} ${(r + 0.5) * cell})`}>
                <circle r={cell * 0.46} className="fill-curl" />
                <path
                  d={`M0 ${size}C${-size * 1.1} ${size * 0.2} ${-size} ${-size * 0.8} 0 ${-size * 0.8}C${size} ${-size * 0.8} ${size * 1.1} ${size * 0.2} 0 ${size}Z`}
                  className="fill-cocoa"
                />
                <text y="3.5" textAnchor="middle" className="fill-cream text-[10px] font-bold">
                  {wording.us ? wording.massParts(g)[0] : Math.round(g)}
                </text>
              </g>
            );
          }),
        )}
      </svg>
      <p className="text-ink2 mt-1 text-[13px] leading-snug">
        {say("prep.sorted-biggest-middle-row-similar", {
          pieces: plan.pieces,
          us: wording.us ? say("ui.ounces") : say("ui.grams"),
        })}
      </p>
    </section>
  );
}
