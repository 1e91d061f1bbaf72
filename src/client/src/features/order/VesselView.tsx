import { useId } from "react";
import type { Pot, Vessel } from "../../api/client";
import { shade } from "../../ui/colour";
import { say } from "../../wording/say";

const wall = 2.5;

/** How wide a vessel is drawn, in mm. */
export const widthOf = (vessel: Vessel) =>
  Math.max(...vessel.outline.map((c) => c.x)) - Math.min(...vessel.outline.map((c) => c.x));

const heightOf = (vessel: Vessel) => Math.max(...vessel.outline.map((c) => c.y));

/** A pot's vessel in section, all of an order's or a day's at one scale, filled to its levels. */
export function VesselView(props: { bands: Pot["bands"]; vessel: Vessel | undefined; widest: number; srgb: string }) {
  const { bands, vessel, srgb } = props;
  const id = useId();
  if (!vessel) return null;
  const widest = props.widest + wall * 4;
  const outline = vessel.outline;
  const height = heightOf(vessel);
  const full = bands.at(-1)?.to ?? 0;
  const path = `M${outline.map((c) => `${c.x} ${-c.y}`).join("L")}`;
  const slab = (from: number, to: number) => ({
    x: -widest / 2,
    y: -to,
    width: widest,
    height: Math.max(0, to - from),
  });

  return (
    <svg
      role="img"
      aria-label={say("order.full", { name: vessel.name, full: Math.round((full / height) * 100) })}
      viewBox={`${-widest / 2} ${-height - 6} ${widest} ${height + 12}`}
      className="w-full overflow-visible"
    >
      <defs>
        <clipPath id={`${id}v`}>
          <path d={`${path}Z`} />
        </clipPath>
        <pattern id={id} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <rect width="7" height="7" fill={shade(srgb, 0.22)} />
          <rect width="7" height="3" fill={srgb} />
        </pattern>
        <linearGradient id={`${id}g`}>
          <stop offset="0" stopColor="#fff" stopOpacity="0.28" />
          <stop offset="0.25" stopColor="#fff" stopOpacity="0" />
          <stop offset="0.75" stopColor="#000" stopOpacity="0" />
          <stop offset="1" stopColor="#000" stopOpacity="0.22" />
        </linearGradient>
      </defs>
      <ellipse cx="0" cy="4" rx={Math.min(widest / 2, widthOf(vessel) * 0.52)} ry="3" fill="#2b1810" opacity="0.14" />
      <path d={`${path}Z`} className="fill-glass" />
      <g clipPath={`url(#${id}v)`}>
        {bands.map((band) => (
          <rect
            key={band.kind}
            {...slab(band.from, band.to)}
            fill={band.kind === "pieces" ? `url(#${id})` : band.kind === "pool" ? srgb : shade(srgb, 0.5)}
          />
        ))}
        <rect {...slab(0, full)} x={-widthOf(vessel) / 2} width={widthOf(vessel)} fill={`url(#${id}g)`} />
        {vessel.kind === "half" && (
          <path d={`M0 0V${-height}`} className="stroke-ink2" strokeWidth="1" strokeDasharray="3 3" />
        )}
      </g>
      <Glass vessel={vessel} />
    </svg>
  );
}

/** A drizzle bag, filled, with as many marks as it is filled times; drawn beside a vessel or on its own. */
export function Bag({ srgb, loads, alone }: { srgb: string; loads: number; alone: boolean }) {
  const id = useId();
  return (
    <svg
      role="img"
      aria-label={loads === 1 ? say("order.drizzle-bag") : say("order.drizzle-bag-filled-times", { loads })}
      viewBox="-22 -4 44 80"
      className={`mx-auto block ${alone ? "w-14" : "mt-1 w-8"}`}
    >
      <linearGradient id={id}>
        <stop offset="0" stopColor={shade(srgb, 0.25)} />
        <stop offset="0.5" stopColor={srgb} />
        <stop offset="1" stopColor={shade(srgb, -0.3)} />
      </linearGradient>
      <path d="M-16 22C-9 18 9 26 16 21L2.2 70Q0 74 -2.2 70Z" fill={`url(#${id})`} />
      <path
        d="M-18 16L-2.4 70Q0 75 2.4 70L18 16C14 12 8 13 5 11C7 7 6 2 2 0H-3C-7 3 -6 8 -5 11C-9 13 -14 12 -18 16Z"
        className="stroke-ink2 fill-glass"
        strokeWidth="1.8"
        strokeLinejoin="round"
      />
      <path d="M-5.5 10.5Q0 13 5.5 10.5" className="stroke-ink2" strokeWidth="1.8" fill="none" />
    </svg>
  );
}

/** A vessel's outline, empty, and what holds it up; in the mm of a drawing whose table is at 0. */
function Glass({ vessel }: { vessel: Vessel }) {
  const { outline, kind } = vessel;
  const open = kind === "round" || kind === "insert" || kind === "half" || kind === "spooned";
  const rim = Math.abs(outline[0]?.x ?? 0);
  return (
    <g fill="none" className="stroke-ink2" strokeLinejoin="round" strokeLinecap="round">
      <path d={`M${outline.map((c) => `${c.x} ${-c.y}`).join("L")}`} strokeWidth={wall} />
      {open && <ellipse cx="0" cy={-heightOf(vessel)} rx={rim + wall / 2} ry="2.4" strokeWidth="1.2" />}
      {kind === "tilted" && <Prop outline={outline} />}
    </g>
  );
}

/** An empty vessel in section, `mm` of it across the drawing. */
export function EmptyVessel({ vessel, mm }: { vessel: Vessel; mm: number }) {
  const height = heightOf(vessel);
  return (
    <svg
      aria-hidden
      viewBox={`${-mm / 2} ${-height - 6} ${mm} ${height + 12}`}
      className="w-full self-end overflow-visible"
    >
      <path d={`M${vessel.outline.map((c) => `${c.x} ${-c.y}`).join("L")}Z`} className="fill-glass" />
      <Glass vessel={vessel} />
    </svg>
  );
}

/** What holds a tilted dish up at its far end. */
function Prop({ outline }: { outline: Vessel["outline"] }) {
  const end = outline[2];
  if (!end || end.y < 4) return null;
  return <path d={`M${end.x - 9} 0L${end.x - 5} ${-end.y + 3}L${end.x - 1} 0Z`} strokeWidth="1.6" />;
}

/** What the bands mean. */
export function BandKey() {
  return (
    <p aria-hidden className="text-ink2 mt-1 flex gap-4 text-[13px]">
      {[
        [say("order.spare"), "bg-ink2/35"],
        [say("order.pieces"), "hatch"],
        [say("order.dipping-depth-reusable"), "bg-ink2"],
      ].map(([name, style]) => (
        <span key={name} className="flex items-center gap-1.5">
          <svg viewBox="0 0 14 14" className="text-ink2 size-3.5">
            {style === "hatch" ? (
              <path d="M0 14L14 0M0 7L7 0M7 14L14 7" stroke="currentColor" strokeWidth="2" />
            ) : (
              <rect width="14" height="14" fill="currentColor" opacity={name === "spare" ? 0.35 : 1} />
            )}
            <rect x="0.5" y="0.5" width="13" height="13" fill="none" stroke="currentColor" />
          </svg>
          {name}
        </span>
      ))}
    </p>
  );
}
