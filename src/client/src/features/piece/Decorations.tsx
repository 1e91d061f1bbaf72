import type { Part, Sprinkle } from "../../api/client";
import { chance, shade } from "../../ui/colour";
import { at, n, pairs, type PieceLook, type Point } from "./points";

/** Everything on the coat: lustre, drizzle, sprinkles, glued parts; no two pieces quite alike. */
export function Decorations({ look, seed, fine }: { look: PieceLook; seed: number; fine: boolean }) {
  const warp = unevenness(seed);
  return (
    <>
      {look.lustre && <Lustre {...look.lustre} />}
      {look.patterns.map((pattern, i) => (
        <Drizzle key={i} {...pattern} warp={warp} fine={fine} />
      ))}
      {look.sprinkles.map((sprinkle, i) => (
        <Grains key={i} {...sprinkle} seed={seed + i} fine={fine} />
      ))}
      {look.parts.flatMap(({ kind, spots }, i) =>
        pairs(spots).map((spot, k) => (
          <g key={`${i}-${k}`} transform={`translate(${at(spot)}) scale(${n(kind.across.value)})`}>
            <PartView kind={kind} />
          </g>
        )),
      )}
    </>
  );
}

/** A hand is never quite steady: the sheet drawn on is bent a little, differently for each piece. */
function unevenness(seed: number): (p: Point) => Point {
  const random = chance(seed * 7 + 3);
  const [a, b, c, d] = [random() * 6.3, random() * 6.3, random() * 6.3, random() * 6.3];
  const amount = 0.22 + random() * 0.16;
  return ([x, y]) => [
    x + amount * Math.sin(y * 0.19 + a) + 0.3 * amount * Math.sin(y * 0.47 + b),
    y + amount * Math.sin(x * 0.17 + c) + 0.3 * amount * Math.sin(x * 0.43 + d),
  ];
}

function Drizzle(props: { srgb: string; bead: number; strokes: number[][]; warp: (p: Point) => Point; fine: boolean }) {
  const { srgb, bead, fine } = props;
  const d = props.strokes
    .map((stroke) => {
      const line = pairs(stroke).map(props.warp);
      return line.length === 1 ? `M${line.map(at).join("")}h0.01` : `M${line.map(at).join("L")}`;
    })
    .join("");
  const line = { d, fill: "none", strokeLinecap: "round", strokeLinejoin: "round" } as const;
  return (
    <g>
      <path {...line} stroke="#1c0f08" strokeWidth={bead} strokeOpacity="0.3" transform="translate(0.25 0.45)" />
      <path {...line} stroke={fine ? shade(srgb, -0.16) : srgb} strokeWidth={bead} />
      {fine && (
        <>
          <path
            {...line}
            stroke={shade(srgb, 0.06)}
            strokeWidth={bead * 0.72}
            transform={`translate(${n(-bead * 0.06)} ${n(-bead * 0.1)})`}
          />
          <path
            {...line}
            stroke={shade(srgb, 0.55)}
            strokeWidth={bead * 0.16}
            strokeOpacity="0.75"
            transform={`translate(${n(-bead * 0.14)} ${n(-bead * 0.22)})`}
          />
        </>
      )}
    </g>
  );
}

/** Grains of one colour make one path, however many they are. */
function Grains({ kind, grains, seed, fine }: { kind: Sprinkle; grains: number[]; seed: number; fine: boolean }) {
  const random = chance(seed * 11 + 5);
  const long = kind.grain.value;
  const bead = kind.form === "bead";
  const paths = kind.srgb.map((): string[] => []);
  const lights: string[] = [];
  for (const [px, py] of pairs(grains)) {
    const [x, y] = [px + (random() - 0.5) * long * 0.7, py + (random() - 0.5) * long * 0.7];
    const turn = random() * Math.PI;
    const [ux, uy] = [Math.cos(turn) * long * 0.5, Math.sin(turn) * long * 0.5];
    const colour = Math.floor(random() * paths.length);
    if (bead) paths[colour]?.push(`M${n(x)} ${n(y)}h0.01`);
    else if (kind.form === "rod") paths[colour]?.push(`M${n(x - ux)} ${n(y - uy)}L${n(x + ux)} ${n(y + uy)}`);
    else {
      const k = 0.5 + random() * 0.35;
      paths[colour]?.push(
        `M${n(x - ux)} ${n(y - uy)}L${n(x - uy * k)} ${n(y + ux * k)}L${n(x + ux)} ${n(y + uy)}L${n(x + uy * k * 0.7)} ${n(y - ux * k * 0.7)}Z`,
      );
    }
    if (fine && bead) lights.push(`M${n(x - long * 0.17)} ${n(y - long * 0.2)}h0.01`);
  }
  const drawn = bead || kind.form === "rod";
  const width = bead ? long * 0.95 : Math.min(1.5, long * 0.32);
  return (
    <g strokeLinecap="round" fill="none">
      {fine && (
        <path
          d={paths.flat().join("")}
          stroke="#1c0f08"
          strokeWidth={drawn ? width : 0.2}
          fill={drawn ? "none" : "#1c0f08"}
          fillOpacity="0.32"
          strokeOpacity="0.32"
          transform="translate(0.2 0.35)"
        />
      )}
      {paths.map((d, i) =>
        drawn ? (
          <path key={i} d={d.join("")} stroke={kind.srgb[i]} strokeWidth={width} />
        ) : (
          <path
            key={i}
            d={d.join("")}
            fill={kind.srgb[i]}
            fillOpacity={kind.form === "crystal" ? 0.85 : 1}
            stroke={shade(kind.srgb[i] ?? "#ffffff", -0.25)}
            strokeWidth="0.15"
          />
        ),
      )}
      {lights.length > 0 && <path d={lights.join("")} stroke="#fff" strokeWidth={long * 0.28} strokeOpacity="0.8" />}
    </g>
  );
}

/** Brushed on: short streaks that catch the light. */
function Lustre({ srgb, flecks }: { srgb: string; flecks: number[] }) {
  const d = pairs(flecks)
    .map(([x, y]) => `M${n(x - 1.6)} ${n(y + 0.5)}q1.6 -1.4 3.2 -0.9`)
    .join("");
  return (
    <g fill="none" strokeLinecap="round">
      <path d={d} stroke={srgb} strokeWidth="1.5" strokeOpacity="0.55" />
      <path d={d} stroke={shade(srgb, 0.6)} strokeWidth="0.45" strokeOpacity="0.85" />
    </g>
  );
}

/** A glued part, one wide, its middle at the origin. */
function PartView({ kind }: { kind: Part }) {
  const { srgb } = kind;
  const dark = shade(srgb, -0.3);
  const shadow = <ellipse cx="0.05" cy="0.12" rx="0.5" ry="0.46" fill="#1c0f08" fillOpacity="0.25" />;
  switch (kind.code) {
    case "eye":
      return (
        <>
          {shadow}
          <circle r="0.5" fill={srgb} stroke="#d8d2c8" strokeWidth="0.04" />
          <circle cx="0.06" cy="0.1" r="0.26" fill="#20140d" />
          <circle cx="-0.03" cy="0" r="0.08" fill="#fff" />
        </>
      );
    case "bow":
      return (
        <g stroke={dark} strokeWidth="0.03" strokeLinejoin="round">
          <path d="M-0.08 0.06L-0.3 0.4L-0.16 0.36L-0.06 0.46L0.04 0.1Z" fill={shade(srgb, -0.12)} />
          <path d="M0.08 0.06L0.3 0.4L0.16 0.36L0.06 0.46L-0.04 0.1Z" fill={shade(srgb, -0.12)} />
          <path d="M0 0C-0.2 -0.3 -0.5 -0.34 -0.5 -0.06C-0.5 0.24 -0.2 0.2 0 0Z" fill={srgb} />
          <path d="M0 0C0.2 -0.3 0.5 -0.34 0.5 -0.06C0.5 0.24 0.2 0.2 0 0Z" fill={srgb} />
          <path d="M-0.4 -0.1Q-0.2 -0.14 -0.06 -0.02M0.4 -0.1Q0.2 -0.14 0.06 -0.02" fill="none" />
          <rect x="-0.1" y="-0.11" width="0.2" height="0.22" rx="0.07" fill={shade(srgb, 0.15)} />
        </g>
      );
    case "star":
      return (
        <>
          {shadow}
          <path
            d={`M${[...Array(10).keys()].map((i) => at([Math.sin((i * Math.PI) / 5) * (i % 2 ? 0.22 : 0.5), -Math.cos((i * Math.PI) / 5) * (i % 2 ? 0.22 : 0.5)])).join("L")}Z`}
            fill={srgb}
            stroke={dark}
            strokeWidth="0.03"
            strokeLinejoin="round"
          />
          <path d="M0 -0.42L-0.04 -0.06L-0.3 -0.1" fill="none" stroke="#fff" strokeWidth="0.05" strokeOpacity="0.6" />
        </>
      );
    case "shell":
      return (
        <>
          {shadow}
          <path
            d="M0 0.44L-0.14 0.34C-0.56 0.12 -0.52 -0.3 -0.3 -0.38C-0.2 -0.5 0.2 -0.5 0.3 -0.38C0.52 -0.3 0.56 0.12 0.14 0.34Z"
            fill={srgb}
            stroke={dark}
            strokeWidth="0.03"
          />
          <path
            d="M0 0.36V-0.44M-0.05 0.34L-0.26 -0.38M0.05 0.34L0.26 -0.38M-0.1 0.3L-0.44 -0.14M0.1 0.3L0.44 -0.14"
            fill="none"
            stroke={dark}
            strokeWidth="0.03"
            strokeOpacity="0.7"
          />
        </>
      );
    default:
      return (
        <>
          {shadow}
          {[0, 72, 144, 216, 288].map((turn) => (
            <ellipse
              key={turn}
              cy="-0.27"
              rx="0.19"
              ry="0.24"
              fill={srgb}
              stroke={shade(srgb, -0.22)}
              strokeWidth="0.025"
              transform={`rotate(${turn})`}
            />
          ))}
          <circle r="0.13" fill="#f0c04a" />
        </>
      );
  }
}
