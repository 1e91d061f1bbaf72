import { memo, useId } from "react";
import type { CentreSize } from "../../api/client";
import { chance, shade } from "../../ui/colour";
import { Body } from "./Body";
import { coated, isWhole, out } from "./coated";
import { Decorations } from "./Decorations";
import { Gloss } from "./Gloss";
import { Knot } from "./Knot";
import { at, closed, downOf, n, ringOf, type PieceLook, type Point } from "./points";

/**
 * A dipped piece as handwork makes it: the silhouette that Core computes, the coats over it to their dip lines, what is on them, and
 * what the eye knows it by. Drawn in mm with the silhouette's top at y 0 and its middle line at x 0.
 */
export const Piece = memo(function Piece(props: {
  look: PieceLook;
  seed: number;
  fine?: boolean;
  /** Whether it lies on nothing that it could cast a shadow on. */
  afloat?: boolean;
}) {
  const { look, seed } = props;
  return (
    <>
      {look.centre.shape === "twist" ? (
        <Knot look={look} seed={seed} />
      ) : (
        <Solid look={look} seed={seed} afloat={props.afloat ?? false} />
      )}
      <g transform={grown(look)}>
        <Decorations look={look} seed={seed} fine={props.fine ?? false} />
      </g>
      {look.centre.code === "strawberry" && <Leaves width={look.size.width} random={chance(seed + 2)} />}
    </>
  );
});

/** What is on the coat lies on its surface, which stands out from the body. */
function grown({ size, coats }: PieceLook): string {
  const [x, y] = [1 + (2 * out(coats[0])) / size.width, 1 + (2 * out(coats[0])) / size.length];
  return `translate(0 ${n((size.length / 2) * (1 - y))}) scale(${x.toFixed(4)} ${y.toFixed(4)})`;
}

function Solid({ look, seed, afloat }: { look: PieceLook; seed: number; afloat: boolean }) {
  const { centre, size, coats } = look;
  const id = useId();
  const random = chance(seed + 1);
  const { length, width } = size;
  const rod = centre.shape === "rod" || centre.shape === "wrappedRod";
  const y = downOf(look);
  const side = size.profile.map((p): Point => [p.halfWidth, p.along]);
  const halfAt = (along: number) => {
    const i = Math.max(
      1,
      side.findIndex(([, z]) => z >= along),
    );
    const [[h0, z0], [h1, z1]] = [side[i - 1] ?? [0, 0], side[i] ?? [0, length]];
    return h0 + ((h1 - h0) * (along - z0)) / Math.max(1e-6, z1 - z0);
  };
  const ring = ringOf(size);
  const body = closed(ring.map(([x, along]) => [x, y(along)]));
  const hole = centre.shape === "ring" ? (size.measures.hole ?? 0) / 2 : 0;
  const holePath = hole > 0 ? `M0 ${n(length / 2 - hole)}a${n(hole)} ${n(hole)} 0 1 0 0.01 0Z` : "";
  const first = coats[0];

  return (
    <g>
      <defs>
        {coats.map(({ srgb }, i) => (
          <Light key={i} id={`${id}${i}`} srgb={srgb} rod={rod} />
        ))}
      </defs>
      {!afloat && (
        <ellipse
          cx={width * 0.06}
          cy={length + 0.5}
          rx={width * 0.44}
          ry={Math.min(2.4, width * 0.1)}
          fill="#2b1810"
          fillOpacity="0.14"
        />
      )}
      {look.disc && (
        <circle
          cy={length / 2}
          r={look.disc.across / 2}
          fill={look.disc.srgb}
          stroke={shade(look.disc.srgb, -0.3)}
          strokeWidth="0.6"
        />
      )}
      {look.stick > 0 && <Stick length={length} out={look.stick} />}
      {!isWhole(first, size) && centre.holding !== "mould" && (
        <Body centre={centre} size={size} outline={body + holePath} halfAt={halfAt} y={y} id={id} random={random} />
      )}
      {coats.map((coat, i) => {
        const { outline, edge } = coated(coat, ring, size, random);
        if (outline.length === 0) return null;
        const onSheet = ([x, along]: Point): Point => [x, y(along)];
        return (
          <g key={i}>
            <path d={closed(outline.map(onSheet)) + holePath} fillRule="evenodd" fill={`url(#${id}${i})`} />
            {edge.length > 0 && (
              <path
                d={`M${edge.map(onSheet).map(at).join("L")}`}
                fill="none"
                stroke={shade(coat.srgb, 0.35)}
                strokeWidth={Math.min(0.9, coat.film * 0.4)}
                strokeLinecap="round"
                strokeLinejoin="round"
                strokeOpacity="0.7"
              />
            )}
          </g>
        );
      })}
      {centre.shape === "wrappedRod" && (
        <Turns size={size} dipLine={first.upTo} y={y} dark={shade(first.srgb, -0.35)} />
      )}
      {first.upTo > 0 && (
        <Gloss
          centre={centre}
          width={width}
          length={length}
          dipLine={first.upTo}
          halfAt={halfAt}
          y={y}
          dark={shade(first.srgb, -0.3)}
        />
      )}
    </g>
  );
}

/** Light and shade of a coat: round, or along a rod. */
function Light({ id, srgb, rod }: { id: string; srgb: string; rod: boolean }) {
  return rod ? (
    <linearGradient id={id}>
      <stop offset="0" stopColor={shade(srgb, -0.2)} />
      <stop offset="0.32" stopColor={shade(srgb, 0.16)} />
      <stop offset="0.6" stopColor={srgb} />
      <stop offset="1" stopColor={shade(srgb, -0.38)} />
    </linearGradient>
  ) : (
    <radialGradient id={id} cx="0.36" cy="0.3" r="0.85">
      <stop offset="0" stopColor={shade(srgb, 0.24)} />
      <stop offset="0.45" stopColor={srgb} />
      <stop offset="1" stopColor={shade(srgb, -0.34)} />
    </radialGradient>
  );
}

/** Where a rope winds round under the coat. */
function Turns(props: { size: CentreSize; dipLine: number; y: (along: number) => number; dark: string }) {
  const { width, measures } = props.size;
  const pitch = measures.pitch ?? 20;
  const turns = Math.max(0, Math.floor((props.dipLine - pitch / 2) / pitch) + 1);
  return Array.from({ length: turns }, (_, i) => {
    const middle = pitch / 2 + i * pitch;
    return (
      <path
        key={i}
        d={`M${n(-width * 0.46)} ${n(props.y(middle + pitch * 0.22))}Q0 ${n(props.y(middle - pitch * 0.1))} ${n(width * 0.46)} ${n(props.y(middle - pitch * 0.22))}`}
        fill="none"
        stroke={props.dark}
        strokeWidth="1.5"
        strokeOpacity="0.55"
      />
    );
  });
}

function Stick({ length, out }: { length: number; out: number }) {
  return (
    <g>
      <rect x="-2.6" y={-out} width="5.2" height={length * 0.3 + out} rx="2.4" fill="#e3c391" />
      <rect
        x="0.4"
        y={-out + 0.6}
        width="1.6"
        height={length * 0.3 + out - 1}
        rx="0.8"
        fill="#b78f57"
        fillOpacity="0.7"
      />
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
            <path d={`M0 1V${n(long * 0.8)}`} stroke="#87b354" strokeWidth="0.4" strokeOpacity="0.8" />
          </g>
        );
      })}
      <ellipse cx="0" cy="1.2" rx={n(reach * 0.24)} ry="1.5" fill="#5f8f30" />
    </g>
  );
}
