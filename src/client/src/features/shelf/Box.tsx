import type { Reference, ShelfOrder } from "../../api/client";
import { colourOf } from "../../api/queries";
import { shade } from "../../ui/colour";

const lid = 11;

/** How full a box stands: as far as its order is ready. */
const ready: Record<ShelfOrder["state"], number> = {
  asked: 0.15,
  quoted: 0.35,
  agreed: 0.6,
  made: 1,
  handedOver: 1,
  cancelled: 0,
};

/** An order as a lidded box, as wide as its piece count, filled as far as it is ready with its coating colours by their share of the pieces. */
export function Box({ order, reference, height }: { order: ShelfOrder; reference: Reference; height: number }) {
  const width = 36 + Math.min(50, order.pieces * 0.7);
  const pieces = Math.max(
    1,
    order.colours.reduce((sum, c) => sum + c.pieces, 0),
  );
  const starts = order.colours.map((_, i) => order.colours.slice(0, i).reduce((sum, c) => sum + c.pieces, 0));
  const inner = width - 8;
  const full = (height - 3) * ready[order.state];
  const level = lid + height - 3 - full;
  return (
    <svg aria-hidden width={width} height={height + lid} viewBox={`0 0 ${width} ${height + lid}`} className="block">
      <rect
        x="3"
        y={lid - 3}
        width={width - 6}
        height={height + 2}
        rx="5"
        className="fill-panel stroke-line"
        strokeWidth="1.5"
      />
      {order.colours.map((c, i) => {
        const srgb = colourOf(reference, c.coating, c.colour)?.srgb ?? "#999999";
        const x = 4 + (inner * (starts[i] ?? 0)) / pieces;
        const w = (inner * c.pieces) / pieces;
        const rows = Math.floor((full - 7) / 9);
        return (
          <g key={c.coating + c.colour}>
            <rect x={x} y={lid} width={w} height={height - 3} fill={srgb} opacity="0.22" />
            <rect x={x} y={level} width={w} height={full} fill={srgb} />
            <rect x={x} y={level} width={w} height={full} fill={shade(srgb, 0.6)} opacity="0.12" />
            {Array.from({ length: Math.max(0, rows) }, (_, r) => (
              <path
                key={r}
                d={`M${x} ${level + 9 + r * 9}H${x + w}`}
                stroke={shade(srgb, -0.25)}
                strokeWidth="1"
                strokeDasharray="7 2"
                strokeDashoffset={(r % 2) * 4.5}
                opacity="0.35"
              />
            ))}
          </g>
        );
      })}
      <rect x="7" y={lid + 4} width="4" height={height - 14} rx="2" fill="#fff" opacity="0.35" />
      <rect
        x="0.75"
        y="0.75"
        width={width - 1.5}
        height={lid - 1}
        rx="4"
        className="fill-parchment stroke-rim"
        strokeWidth="1.2"
      />
    </svg>
  );
}
