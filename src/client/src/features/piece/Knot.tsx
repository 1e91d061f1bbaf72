import { useId } from "react";
import { chance, shade } from "../../ui/colour";
import { at, n, pairs, type Coat, type PieceLook } from "./points";

/** A twist: a rope of dough in a heart-shaped knot, its middle lines from Core, coated up to its dip lines. */
export function Knot({ look, seed }: { look: PieceLook; seed: number }) {
  const { size, coats } = look;
  const id = useId();
  const random = chance(seed + 1);
  const { width, length } = size;
  const strand = size.measures.diameter ?? 6;
  const rope = {
    d: size.strands.map((s) => `M${pairs(s).map(at).join("L")}`).join(""),
    fill: "none",
    strokeLinecap: "round",
    strokeLinejoin: "round",
  } as const;
  const whole = (coat: Coat) => coat.angle === 0 && coat.upTo >= length - 0.01;
  return (
    <g>
      <path {...rope} stroke="#2b1810" strokeWidth={strand} strokeOpacity="0.14" transform="translate(0.6 0.9)" />
      {!whole(coats[0]) && (
        <>
          <path {...rope} stroke="#7a4517" strokeWidth={strand} />
          <path {...rope} stroke="#c98742" strokeWidth={strand * 0.62} />
          {Array.from({ length: 7 }, (_, i) => (
            <circle
              key={i}
              cx={n((random() - 0.5) * width * 0.7)}
              cy={n(random() * length * 0.4)}
              r="0.7"
              fill="#fffaf0"
            />
          ))}
        </>
      )}
      {coats.map((coat, i) => (
        <g key={i} clipPath={whole(coat) ? undefined : `url(#${id}${i})`}>
          {!whole(coat) && (
            <clipPath id={`${id}${i}`}>
              <path d={side(coat, length, width)} />
            </clipPath>
          )}
          <path {...rope} stroke={shade(coat.srgb, -0.34)} strokeWidth={strand + coat.film * 1.4} />
          <path {...rope} stroke={coat.srgb} strokeWidth={strand + coat.film * 0.5} />
          <path
            {...rope}
            stroke={shade(coat.srgb, 0.35)}
            strokeWidth={strand * 0.2}
            strokeOpacity="0.55"
            transform={`translate(${n(-strand * 0.16)} ${n(-strand * 0.2)})`}
          />
        </g>
      ))}
    </g>
  );
}

/** The half of the sheet that goes under in a dip. */
function side({ angle, upTo }: Coat, length: number, width: number): string {
  const turn = (angle * Math.PI) / 180;
  const [nx, ny] = [Math.sin(turn), -Math.cos(turn)];
  const [ox, oy] = [nx * upTo, length + ny * upTo];
  const far = length + width;
  const corner = (u: number, v: number) => at([ox - ny * u - nx * v, oy + nx * u - ny * v]);
  return `M${corner(-far, 0)}L${corner(far, 0)}L${corner(far, far * 2)}L${corner(-far, far * 2)}Z`;
}
