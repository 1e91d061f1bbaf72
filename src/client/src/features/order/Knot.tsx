import { useId } from "react";
import { chance, shade } from "../../ui/colour";
import { n, type PieceLook } from "./points";

/** A twist: a rope of dough in a heart-shaped knot, coated up to its dip line. Drawn 100 wide and 100 high, then fitted. */
const rope =
  "M30 62C14 92 -6 84 6 50C16 20 40 4 50 22C60 4 84 20 94 50C106 84 86 92 70 62C60 44 44 84 34 92M30 62C40 44 56 84 66 92";

export function Knot({ seed, size, srgb, film, dipLine }: PieceLook & { seed: number }) {
  const id = useId();
  const random = chance(seed + 1);
  const { width, length } = size;
  const strand = size.measures.diameter ?? 6;
  const [sx, sy] = [(width - strand) / 100, (length - strand) / 100];
  const fit = `translate(${n(strand / 2 - width / 2)} ${n(strand / 2)}) scale(${sx.toFixed(4)} ${sy.toFixed(4)})`;
  const line = {
    d: rope,
    fill: "none",
    strokeLinecap: "round",
    strokeLinejoin: "round",
    transform: fit,
    vectorEffect: "none",
  } as const;
  const across = (wide: number) => wide / Math.sqrt(sx * sy);
  const whole = dipLine >= length - 0.01;
  return (
    <g>
      <clipPath id={id}>
        <rect x={-width} y={length - dipLine} width={width * 2} height={length * 2} />
      </clipPath>
      {!whole && (
        <>
          <path {...line} stroke="#7a4517" strokeWidth={across(strand)} />
          <path {...line} stroke="#c98742" strokeWidth={across(strand * 0.62)} />
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
      <g clipPath={whole ? undefined : `url(#${id})`}>
        <path {...line} stroke={shade(srgb, -0.34)} strokeWidth={across(strand + film * 1.4)} />
        <path {...line} stroke={srgb} strokeWidth={across(strand + film * 0.5)} />
        <path
          {...line}
          stroke={shade(srgb, 0.35)}
          strokeWidth={across(strand * 0.2)}
          opacity="0.55"
          transform={`translate(${n(-strand * 0.16)} ${n(-strand * 0.2)}) ${fit}`}
        />
      </g>
    </g>
  );
}
