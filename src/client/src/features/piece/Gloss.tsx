import type { Centre } from "../../api/client";
import { at, n, type Point } from "./points";

interface GlossProps {
  centre: Centre;
  width: number;
  length: number;
  dipLine: number;
  halfAt: (along: number) => number;
  y: (along: number) => number;
  dark: string;
}

/** Light on the coat, along the form. */
export function Gloss({ centre, width, length, dipLine, halfAt, y, dark }: GlossProps) {
  const flat = centre.shape === "disc" || centre.shape === "oval" || centre.shape === "cavity";
  const white = { fill: "none", stroke: "#fff", strokeLinecap: "round" } as const;
  if (centre.shape === "rod" || centre.shape === "wrappedRod")
    return (
      <path
        d={`M${n(-width * 0.2)} ${n(y(width * 0.4))}V${n(y(dipLine - width * 0.5))}`}
        {...white}
        strokeWidth={width * 0.13}
        strokeOpacity="0.4"
      />
    );
  const whole = dipLine >= length - 0.01;
  if (flat && !whole)
    return (
      <path
        d={`M${n(-halfAt(dipLine * 0.3) * 0.78)} ${n(y(dipLine * 0.42))}A${n(width * 0.42)} ${n(width * 0.42)} 0 0 0 ${n(-width * 0.05)} ${n(y(dipLine * 0.14))}`}
        {...white}
        strokeWidth={width * 0.035}
        strokeOpacity="0.4"
      />
    );
  if (flat)
    return (
      <>
        <ellipse
          cy={length / 2}
          rx={width * 0.415}
          ry={length * 0.415}
          fill="none"
          stroke={dark}
          strokeWidth="0.7"
          strokeOpacity="0.5"
        />
        <path
          d={`M${n(-width * 0.36)} ${n(length * 0.44)}A${n(width * 0.37)} ${n(width * 0.37)} 0 0 1 ${n(-width * 0.06)} ${n(length * 0.135)}`}
          {...white}
          strokeWidth={width * 0.05}
          strokeOpacity="0.45"
        />
        <path
          d={`M${n(-width * 0.2)} ${n(length * 0.8)}A${n(width * 0.37)} ${n(width * 0.37)} 0 0 0 ${n(width * 0.12)} ${n(length * 0.85)}`}
          {...white}
          strokeWidth={width * 0.03}
          strokeOpacity="0.22"
        />
      </>
    );
  // Down the lit side of a round form, following its silhouette.
  const steps = [0.35, 0.46, 0.57, 0.68, 0.79].map((t) => t * dipLine);
  const line = steps.map((along): Point => [-halfAt(along) * 0.58, y(along)]);
  return (
    <>
      <path
        d={`M${line.map(at).join("L")}`}
        {...white}
        strokeWidth={width * 0.075}
        strokeLinejoin="round"
        strokeOpacity="0.42"
      />
      <circle
        cx={n(-halfAt(dipLine * 0.24) * 0.5)}
        cy={n(y(dipLine * 0.24))}
        r={n(width * 0.035)}
        fill="#fff"
        fillOpacity="0.42"
      />
      {centre.code === "truffle-ball" && (
        <path
          d={`M${n(-width * 0.16)} ${n(length * 0.16)}c${n(width * 0.1)} ${n(-length * 0.09)} ${n(width * 0.3)} ${n(-length * 0.05)} ${n(width * 0.27)} ${n(length * 0.05)}s${n(-width * 0.18)} ${n(length * 0.07)} ${n(-width * 0.17)} ${n(-length * 0.01)}`}
          fill="none"
          stroke={dark}
          strokeWidth={width * 0.035}
          strokeLinecap="round"
          strokeOpacity="0.65"
        />
      )}
    </>
  );
}
