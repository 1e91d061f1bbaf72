import { useId, useRef, useState, type KeyboardEvent, type PointerEvent, type SVGProps } from "react";
import type { Figure, FigurePart } from "../../api/client";
import { shade } from "../../ui/colour";
import { Piece } from "./Piece";
import { at, pairs, type PieceLook } from "./points";
import { say } from "../../wording/say";

const air = 4;
const roomToMove = 20;
const step = 1;
const turn = 5;

type Spot = FigurePart["places"][number];

/** A place of a figure: of which of its parts, dipped or stuck on, and which of that part's. */
export interface Place {
  of: "parts" | "stuck";
  part: number;
  place: number;
}

/** A figure as it is put together: what lies behind, the body, what lies before it, and what is stuck on. */
export function FigurePicture(props: {
  figure: Figure;
  body: PieceLook;
  srgbOf: (part: FigurePart) => string;
  label: string;
  className?: string;
  /** Where it is being built: has a place moved, by dragging or by the keys. */
  move?: (place: Place, to: Spot) => void;
}) {
  const { figure, body, srgbOf } = props;
  const [held, setHeld] = useState<{ place: Place; dx: number; dy: number; box: Box }>();
  const picture = useRef<SVGSVGElement>(null);
  const box = held?.box ?? boxOf(figure, body, props.move ? roomToMove : air);

  /** Where on the drawing the pointer is, in mm. */
  const pointed = (event: PointerEvent) => {
    const to = picture.current?.getScreenCTM()?.inverse();
    return to ? new DOMPoint(event.clientX, event.clientY).matrixTransform(to) : new DOMPoint();
  };
  const handle = (place: Place, spot: Spot, name: string): SVGProps<SVGGElement> => {
    const { move } = props;
    if (!move) return {};
    const to = (x: number, y: number, turned = spot.turn) => move(place, { x: round(x), y: round(y), turn: turned });
    return {
      role: "button",
      tabIndex: 0,
      "aria-label": say("piece.mm-right-mm-down-arrow", { name, place: place.place + 1, text: spot.x, y: spot.y }),
      className: "cursor-grab focus:outline-2 focus:outline-act touch-none",
      onKeyDown: (event: KeyboardEvent) => {
        const moves: Record<string, () => void> = {
          ArrowLeft: () => to(spot.x - step, spot.y),
          ArrowRight: () => to(spot.x + step, spot.y),
          ArrowUp: () => to(spot.x, spot.y - step),
          ArrowDown: () => to(spot.x, spot.y + step),
          PageUp: () => to(spot.x, spot.y, (spot.turn - turn) % 360),
          PageDown: () => to(spot.x, spot.y, (spot.turn + turn) % 360),
        };
        const act = moves[event.key];
        if (!act) return;
        event.preventDefault();
        act();
      },
      onPointerDown: (event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        const { x, y } = pointed(event);
        setHeld({ place, dx: spot.x - x, dy: spot.y - y, box });
      },
      onPointerMove: (event) => {
        if (!held || held.place.of !== place.of || held.place.part !== place.part || held.place.place !== place.place)
          return;
        const { x, y } = pointed(event);
        to(x + held.dx, y + held.dy);
      },
      onPointerUp: () => setHeld(undefined),
      onPointerCancel: () => setHeld(undefined),
    };
  };

  const parts = (behind: boolean) =>
    figure.parts.flatMap((part, p) =>
      part.behind === behind
        ? part.places.map((s, i) => (
            <g
              key={`${p}-${i}`}
              transform={`translate(${s.x} ${s.y}) rotate(${s.turn})`}
              {...handle({ of: "parts", part: p, place: i }, s, part.name)}
            >
              <PartShape part={part} srgb={srgbOf(part)} />
            </g>
          ))
        : [],
    );
  return (
    <svg
      ref={picture}
      role={props.move ? "group" : "img"}
      aria-label={props.label}
      viewBox={`${box.left} ${box.top} ${box.wide} ${box.tall}`}
      className={props.className}
    >
      {parts(true)}
      <g transform={`rotate(${figure.turn}) translate(0 ${-body.size.length / 2})`}>
        <Piece look={{ ...body, parts: [] }} seed={5} fine afloat />
      </g>
      {parts(false)}
      {figure.stuck.flatMap((stuck, p) =>
        stuck.places.map((s, i) => (
          <g
            key={`${p}-${i}`}
            transform={`translate(${s.x} ${s.y})`}
            {...handle({ of: "stuck", part: p, place: i }, s, stuck.name)}
          >
            <circle r={stuck.across / 2} fill={stuck.srgb} stroke="#00000030" strokeWidth="0.4" />
            {stuck.part === "eye" && <circle r={stuck.across / 4} cx={s.x < 0 ? 0.6 : -0.6} cy="0.5" fill="#2b1810" />}
          </g>
        )),
      )}
    </svg>
  );
}

const round = (mm: number) => Math.round(mm * 2) / 2;

interface Box {
  left: number;
  top: number;
  wide: number;
  tall: number;
}

function boxOf(figure: Figure, body: PieceLook, margin: number): Box {
  const half = Math.max(body.size.length, body.size.width) / 2;
  const reach = [
    { x: 0, y: 0, half },
    ...figure.parts.flatMap((p) => p.places.map((s) => ({ x: s.x, y: s.y, half: Math.hypot(p.length, p.width) / 2 }))),
    ...figure.stuck.flatMap((p) => p.places.map((s) => ({ x: s.x, y: s.y, half: p.across / 2 }))),
  ];
  const [left, right] = [Math.min(...reach.map((r) => r.x - r.half)), Math.max(...reach.map((r) => r.x + r.half))];
  const [top, bottom] = [Math.min(...reach.map((r) => r.y - r.half)), Math.max(...reach.map((r) => r.y + r.half))];
  return {
    left: left - margin,
    top: top - margin,
    wide: right - left + 2 * margin,
    tall: bottom - top + 2 * margin,
  };
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
