import { useId } from "react";
import type { Pot, Vessel } from "../../api/client";
import { shade } from "../../ui/colour";

const wall = 2.5;

/** A pot's vessel in section, all of an order's at one scale, filled to its levels. */
export function VesselView(props: { pot: Pot; vessel: Vessel | undefined; widest: number; srgb: string }) {
  const { pot, vessel, srgb } = props;
  const widest = props.widest + wall * 4;
  const id = useId();
  if (!vessel) return null;
  const { bottom, top, height } = vessel;
  const half = (level: number) => (bottom + (top - bottom) * (level / height)) / 2;
  const slab = (from: number, to: number) =>
    `M${-half(from)} ${-from}L${-half(to)} ${-to}H${half(to)}L${half(from)} ${-from}Z`;
  const rim = half(height);

  return (
    <svg
      role="img"
      aria-label={`${vessel.name}, ${Math.round(((pot.bands.at(-1)?.to ?? 0) / height) * 100)} % full`}
      viewBox={`${-widest / 2} ${-height - 6} ${widest} ${height + 12}`}
      className="w-full overflow-visible"
    >
      <defs>
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
      <ellipse cx="0" cy="4" rx={bottom * 0.58} ry="3" fill="#2b1810" opacity="0.14" />
      <path d={slab(0, height)} className="fill-glass" />
      {pot.bands.map((band) => (
        <path
          key={band.kind}
          d={slab(band.from, band.to)}
          fill={band.kind === "pieces" ? `url(#${id})` : band.kind === "pool" ? srgb : shade(srgb, 0.5)}
        />
      ))}
      <path d={slab(0, pot.bands.at(-1)?.to ?? 0)} fill={`url(#${id}g)`} />
      <g fill="none" className="stroke-ink2" strokeLinejoin="round" strokeLinecap="round">
        <path
          d={`M${-rim - wall / 2} ${-height}L${-half(0) - wall / 2} 0Q${-half(0)} ${wall} ${-half(0) + wall} ${wall}H${half(0) - wall}Q${half(0)} ${wall} ${half(0) + wall / 2} 0L${rim + wall / 2} ${-height}`}
          strokeWidth={wall}
        />
        <ellipse cx="0" cy={-height} rx={rim + wall / 2} ry="2.4" strokeWidth="1.2" />
      </g>
    </svg>
  );
}

/** What the bands mean. */
export function BandKey() {
  return (
    <p aria-hidden className="text-ink2 mt-1 flex gap-4 text-[13px]">
      {[
        ["spare", "bg-ink2/35"],
        ["on the pieces", "hatch"],
        ["pool, comes back", "bg-ink2"],
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
