import { useId } from "react";
import type { Figure, FigurePart } from "../../api/client";
import { shade } from "../../ui/colour";
import { Piece } from "./Piece";
import { at, pairs, type PieceLook } from "./points";

const air = 4;

/** A figure as it is put together: what lies behind, the body, what lies before it, and what is stuck on. */
export function FigurePicture(props: {
  figure: Figure;
  body: PieceLook;
  srgbOf: (part: string) => string;
  label: string;
  className?: string;
}) {
  const { figure, body, srgbOf } = props;
  const { length, width } = body.size;
  const reach = [
    { x: 0, y: 0, half: Math.max(length, width) / 2 },
    ...figure.parts.flatMap((p) => p.places.map((s) => ({ x: s.x, y: s.y, half: Math.hypot(p.length, p.width) / 2 }))),
  ];
  const [left, right] = [Math.min(...reach.map((r) => r.x - r.half)), Math.max(...reach.map((r) => r.x + r.half))];
  const [top, bottom] = [Math.min(...reach.map((r) => r.y - r.half)), Math.max(...reach.map((r) => r.y + r.half))];
  const parts = (behind: boolean) =>
    figure.parts
      .filter((p) => p.behind === behind)
      .flatMap((part) =>
        part.places.map((s, i) => (
          <g key={`${part.code}-${i}`} transform={`translate(${s.x} ${s.y}) rotate(${s.turn})`}>
            <PartShape part={part} srgb={srgbOf(part.code)} />
          </g>
        )),
      );
  return (
    <svg
      role="img"
      aria-label={props.label}
      viewBox={`${left - air} ${top - air} ${right - left + 2 * air} ${bottom - top + 2 * air}`}
      className={props.className}
    >
      {parts(true)}
      <g transform={`rotate(${figure.turn}) translate(0 ${-length / 2})`}>
        <Piece look={{ ...body, parts: [] }} seed={5} fine />
      </g>
      {parts(false)}
      {figure.stuck.flatMap((stuck) =>
        stuck.places.map((s, i) => (
          <g key={`${stuck.part}-${i}`} transform={`translate(${s.x} ${s.y})`}>
            <circle r={stuck.across / 2} fill={stuck.srgb} stroke="#00000030" strokeWidth="0.4" />
            {stuck.part === "eye" && <circle r={stuck.across / 4} cx={s.x < 0 ? 0.6 : -0.6} cy="0.5" fill="#2b1810" />}
          </g>
        )),
      )}
    </svg>
  );
}

/** A dipped part, round its own middle. */
export function PartShape({ part, srgb }: { part: FigurePart; srgb: string }) {
  const id = useId();
  return (
    <>
      <radialGradient id={id} cx="0.36" cy="0.3" r="0.85">
        <stop offset="0" stopColor={shade(srgb, 0.24)} />
        <stop offset="0.45" stopColor={srgb} />
        <stop offset="1" stopColor={shade(srgb, -0.34)} />
      </radialGradient>
      <path
        d={part.rings.map((ring) => `M${pairs(ring).map(at).join("L")}Z`).join("")}
        fill={`url(#${id})`}
        fillRule="nonzero"
        stroke={shade(srgb, -0.3)}
        strokeWidth="0.5"
        strokeLinejoin="round"
      />
    </>
  );
}
