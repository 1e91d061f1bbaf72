import { memo, useId } from "react";
import type { CentreSize } from "../../api/client";
import { chance, shade } from "../../ui/colour";

export interface PieceLook {
  centre: string;
  size: CentreSize;
  srgb: string;
  /** Distance of the coat's edge from the dipped end, in mm. */
  dipLine: number;
  /** Thickness of all coats, in mm: the coat stands out by it. */
  film: number;
}

/** How far a drawn piece reaches beyond its silhouette: leaves or a stick. */
export const overhang: Record<string, number> = { strawberry: 7, apple: 16 };

/** Centres that lie on the sheet with their dipped end away from the maker. */
const dippedEndUp = new Set(["pretzel-rod"]);

type Point = readonly [x: number, y: number];
const n = (value: number) => value.toFixed(2);
const at = ([x, y]: Point) => `${n(x)} ${n(y)}`;
const closed = (points: Point[]) => `M${points.map(at).join("L")}Z`;

/**
 * A dipped piece as handwork makes it: the silhouette that Core computes, the coat over it to the dip line, and what the eye
 * knows it by. Drawn in mm with the silhouette's top at y 0 and its middle line at x 0.
 */
export const Piece = memo(function Piece({ seed, size, srgb, film, dipLine, centre }: PieceLook & { seed: number }) {
  const id = useId();
  const random = chance(seed + 1);
  const { length, width } = size;
  const up = dippedEndUp.has(centre);
  const y = (along: number) => (up ? along : length - along);
  const side = size.profile.map((p): Point => [p.halfWidth, p.along]);
  const mirrored = (half: Point[]) => [...half, ...half.toReversed().map(([x, at]): Point => [-x, at])];
  const halfAt = (along: number) => {
    const i = Math.max(
      1,
      side.findIndex(([, z]) => z >= along),
    );
    const [[h0, z0], [h1, z1]] = [side[i - 1] ?? [0, 0], side[i] ?? [0, length]];
    return h0 + ((h1 - h0) * (along - z0)) / Math.max(1e-6, z1 - z0);
  };
  const body = closed(mirrored(side.map(([half, along]) => [half, y(along)])));

  // The coat stands out from the body by its film, and ends in a slow wave that is never two times alike.
  const whole = dipLine >= length - 0.01;
  const out = film * 0.6;
  const [wider, longer] = [1 + (2 * out) / width, 1 + (2 * out) / length];
  const coatSide = side
    .filter(([, along]) => along <= dipLine)
    .map(([half, along]): Point => [half * wider, y((along - length / 2) * longer + length / 2)]);
  const phase = random() * 6.3;
  const wave = 0.5 + width * 0.02;
  const reach = halfAt(dipLine) * wider;
  const edge = whole
    ? []
    : Array.from({ length: 25 }, (_, i): Point => {
        const x = (0.5 - i / 24) * 2 * reach;
        const lift = wave * (Math.sin(phase + x * 0.42) + 0.6 * Math.sin(phase * 2 + x * 0.95));
        return [x, y(dipLine) + (up ? lift : -lift)];
      });
  const coat = closed([...coatSide, ...edge, ...coatSide.toReversed().map(([x, at]): Point => [-x, at])]);

  return (
    <g>
      <defs>
        <radialGradient id={`${id}c`} cx="0.36" cy="0.3" r="0.85">
          <stop offset="0" stopColor={shade(srgb, 0.24)} />
          <stop offset="0.45" stopColor={srgb} />
          <stop offset="1" stopColor={shade(srgb, -0.34)} />
        </radialGradient>
        <linearGradient id={`${id}r`}>
          <stop offset="0" stopColor={shade(srgb, -0.2)} />
          <stop offset="0.32" stopColor={shade(srgb, 0.16)} />
          <stop offset="0.6" stopColor={srgb} />
          <stop offset="1" stopColor={shade(srgb, -0.38)} />
        </linearGradient>
      </defs>
      <ellipse
        cx={width * 0.06}
        cy={length + 0.5}
        rx={width * 0.44}
        ry={Math.min(2.4, width * 0.1)}
        fill="#2b1810"
        opacity="0.14"
      />
      {centre === "apple" && <Stick length={length} />}
      {!whole && <Body centre={centre} size={size} outline={body} halfAt={halfAt} y={y} id={id} random={random} />}
      <path d={coat} fill={`url(#${id}${centre === "pretzel-rod" ? "r" : "c"})`} />
      <Gloss
        centre={centre}
        width={width}
        length={length}
        dipLine={dipLine}
        halfAt={halfAt}
        y={y}
        dark={shade(srgb, -0.3)}
      />
      {!whole && (
        <path
          d={`M${edge.map(at).join("L")}`}
          fill="none"
          stroke={shade(srgb, 0.35)}
          strokeWidth={Math.min(1.3, film * 0.5)}
          opacity="0.7"
        />
      )}
      {centre === "strawberry" && <Leaves width={width} random={random} />}
    </g>
  );
});

interface BodyProps {
  centre: string;
  size: CentreSize;
  outline: string;
  halfAt: (along: number) => number;
  y: (along: number) => number;
  id: string;
  random: () => number;
}

function Body({ centre, size, outline, halfAt, y, id, random }: BodyProps) {
  const { length, width } = size;
  switch (centre) {
    case "strawberry": {
      const rows = [0.18, 0.32, 0.46, 0.6, 0.74, 0.87];
      return (
        <>
          <radialGradient id={`${id}s`} cx="0.38" cy="0.35" r="0.8">
            <stop offset="0" stopColor="#ee5a55" />
            <stop offset="0.55" stopColor="#cf2230" />
            <stop offset="1" stopColor="#8d1220" />
          </radialGradient>
          <path d={outline} fill={`url(#${id}s)`} />
          {rows.flatMap((row, r) => {
            const half = halfAt(row * length);
            return [-0.8, -0.48, -0.16, 0.16, 0.48, 0.8].map((across, i) => {
              const x = (across + (r % 2) * 0.16) * half;
              return (
                <g
                  key={`${r}${i}`}
                  transform={`translate(${n(x)} ${n(y(row * length) + Math.abs(across) * -1.4)}) rotate(${n(across * -18)})`}
                >
                  <ellipse cy="0.25" rx="0.75" ry="1.05" fill="#7d0f1c" opacity="0.45" />
                  <ellipse rx="0.5" ry="0.82" fill="#f3cf7a" />
                </g>
              );
            });
          })}
        </>
      );
    }
    case "apple":
      return (
        <>
          <radialGradient id={`${id}s`} cx="0.36" cy="0.32" r="0.8">
            <stop offset="0" stopColor="#e9a04c" />
            <stop offset="0.4" stopColor="#c8402f" />
            <stop offset="1" stopColor="#7e1622" />
          </radialGradient>
          <path d={outline} fill={`url(#${id}s)`} />
          <ellipse cx="0" cy="1.8" rx={width * 0.15} ry="2.4" fill="#4b1013" opacity="0.55" />
        </>
      );
    case "pretzel-rod":
      return (
        <>
          <linearGradient id={`${id}s`}>
            <stop offset="0" stopColor="#8c5423" />
            <stop offset="0.35" stopColor="#d79a54" />
            <stop offset="0.65" stopColor="#b9752f" />
            <stop offset="1" stopColor="#7a4517" />
          </linearGradient>
          <path d={outline} fill={`url(#${id}s)`} />
          {Array.from({ length: 26 }, (_, i) => (
            <Salt
              key={i}
              x={(random() - 0.5) * width * 0.72}
              y={length * (0.04 + 0.92 * random())}
              turn={random() * 90}
            />
          ))}
        </>
      );
    case "sandwich-cookie":
      return (
        <>
          <path d={outline} fill="#4a3122" />
          <g fill="none" stroke="#2f1d12" strokeWidth="0.9">
            <circle cy={length / 2} r={width * 0.43} strokeDasharray="1.4 1.1" />
            <circle cy={length / 2} r={width * 0.3} />
          </g>
          {Array.from({ length: 9 }, (_, i) => {
            const angle = (i / 9) * 2 * Math.PI;
            return (
              <circle
                key={i}
                cx={n(Math.cos(angle) * width * 0.19)}
                cy={n(length / 2 + Math.sin(angle) * width * 0.19)}
                r="1"
                fill="#2a1910"
              />
            );
          })}
        </>
      );
    default:
      return <path d={outline} fill="#5b3a26" />;
  }
}

function Salt({ x, y, turn }: { x: number; y: number; turn: number }) {
  return (
    <g transform={`translate(${n(x)} ${n(y)}) rotate(${n(turn)})`}>
      <rect x="-0.8" y="-0.5" width="1.9" height="1.9" rx="0.4" fill="#5f3710" opacity="0.4" />
      <rect x="-0.9" y="-0.9" width="1.8" height="1.8" rx="0.4" fill="#fffaf0" />
    </g>
  );
}

interface GlossProps {
  centre: string;
  width: number;
  length: number;
  dipLine: number;
  halfAt: (along: number) => number;
  y: (along: number) => number;
  dark: string;
}

/** Light on the coat, along the form. */
function Gloss({ centre, width, length, dipLine, halfAt, y, dark }: GlossProps) {
  const white = { fill: "none", stroke: "#fff", strokeLinecap: "round" } as const;
  if (centre === "pretzel-rod")
    return (
      <path
        d={`M${n(-width * 0.2)} ${n(y(width * 0.4))}V${n(y(dipLine - width * 0.5))}`}
        {...white}
        strokeWidth={width * 0.13}
        opacity="0.4"
      />
    );
  const whole = dipLine >= length - 0.01;
  if (centre === "sandwich-cookie" && !whole)
    return (
      <path
        d={`M${n(-halfAt(dipLine * 0.3) * 0.78)} ${n(y(dipLine * 0.42))}A${n(width * 0.42)} ${n(width * 0.42)} 0 0 0 ${n(-width * 0.05)} ${n(y(dipLine * 0.14))}`}
        {...white}
        strokeWidth={width * 0.035}
        opacity="0.4"
      />
    );
  if (centre === "sandwich-cookie")
    return (
      <>
        <circle cy={length / 2} r={width * 0.415} fill="none" stroke={dark} strokeWidth="0.7" opacity="0.5" />
        <path
          d={`M${n(-width * 0.36)} ${n(length * 0.44)}A${n(width * 0.37)} ${n(width * 0.37)} 0 0 1 ${n(-width * 0.06)} ${n(length * 0.135)}`}
          {...white}
          strokeWidth={width * 0.05}
          opacity="0.45"
        />
        <path
          d={`M${n(-width * 0.2)} ${n(length * 0.8)}A${n(width * 0.37)} ${n(width * 0.37)} 0 0 0 ${n(width * 0.12)} ${n(length * 0.85)}`}
          {...white}
          strokeWidth={width * 0.03}
          opacity="0.22"
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
        opacity="0.42"
      />
      <circle
        cx={n(-halfAt(dipLine * 0.24) * 0.5)}
        cy={n(y(dipLine * 0.24))}
        r={n(width * 0.035)}
        fill="#fff"
        opacity="0.42"
      />
      {centre === "truffle-ball" && (
        <path
          d={`M${n(-width * 0.16)} ${n(length * 0.16)}c${n(width * 0.1)} ${n(-length * 0.09)} ${n(width * 0.3)} ${n(-length * 0.05)} ${n(width * 0.27)} ${n(length * 0.05)}s${n(-width * 0.18)} ${n(length * 0.07)} ${n(-width * 0.17)} ${n(-length * 0.01)}`}
          fill="none"
          stroke={dark}
          strokeWidth={width * 0.035}
          strokeLinecap="round"
          opacity="0.65"
        />
      )}
    </>
  );
}

function Stick({ length }: { length: number }) {
  return (
    <g>
      <rect x="-2.6" y="-15" width="5.2" height={length * 0.3 + 15} rx="2.4" fill="#e3c391" />
      <rect x="0.4" y="-14.4" width="1.6" height={length * 0.3 + 14} rx="0.8" fill="#b78f57" opacity="0.7" />
    </g>
  );
}

/** The calyx: a fan of pointed leaves that fall over the shoulder, and a stalk. */
function Leaves({ width, random }: { width: number; random: () => number }) {
  const reach = width * 0.4;
  return (
    <g>
      <path
        d={`M-0.6 1.5C-0.8 -2 ${n(1 + random())} -4.6 ${n(2.2 + random() * 1.6)} -6.4l1.7 1C2.4 -3 1.4 -1 1.2 1.6Z`}
        fill="#4c7424"
      />
      {[-78, -47, -16, 14, 46, 77].map((angle, i) => {
        const turn = angle + (random() - 0.5) * 12;
        const long = reach * (0.85 + random() * 0.3) * (Math.abs(angle) > 60 ? 1.05 : 0.82);
        const w = reach * 0.24;
        return (
          <g key={i} transform={`translate(0 1.4) rotate(${n(-turn)})`}>
            <path
              d={`M${n(-w * 0.35)} 0C${n(-w * 1.3)} ${n(long * 0.35)} ${n(-w * 0.7)} ${n(long * 0.72)} 0 ${n(long)}C${n(w * 0.7)} ${n(long * 0.72)} ${n(w * 1.3)} ${n(long * 0.35)} ${n(w * 0.35)} 0Z`}
              fill={i % 2 ? "#5f8f30" : "#54822a"}
              stroke="#3c611b"
              strokeWidth="0.3"
            />
            <path d={`M0 1V${n(long * 0.8)}`} stroke="#87b354" strokeWidth="0.4" opacity="0.8" />
          </g>
        );
      })}
      <ellipse cx="0" cy="1.2" rx={n(reach * 0.24)} ry="1.5" fill="#5f8f30" />
    </g>
  );
}
