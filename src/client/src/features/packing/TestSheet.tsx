import type { LabelSettings, LabelStock } from "../../api/client";
import { Ruler, rulerLong } from "../paper/Ruler";
import { paperOf, placesOf } from "./labels";

/** A sheet to hold against the labels: their outlines, and a ruler that shows whether the printer keeps to size. */
export function TestSheet({ stock, settings }: { stock: LabelStock; settings: LabelSettings }) {
  const [wide, high] = [stock.pageWide, stock.pageHigh];
  return (
    <div className={`paper ${paperOf(stock)}`} data-testid="test-sheet">
      <svg viewBox={`0 0 ${wide} ${high}`} style={{ width: `${wide}mm`, height: `${high}mm` }}>
        {placesOf(stock).map(({ x, y }, i) => (
          <g key={i} transform={`translate(${x + settings.right} ${y + settings.down})`} fill="none" stroke="#2b1810">
            <rect width={stock.wide} height={stock.high} strokeWidth="0.25" />
            <path d={`M${stock.wide / 2 - 4} ${stock.high / 2}h8m-4 -4v8`} strokeWidth="0.25" />
            <text x="2" y="5" fontSize="4" fill="#2b1810" stroke="none">
              {i + 1}
            </text>
          </g>
        ))}
        <Ruler x={(wide - rulerLong) / 2} y={high / 2} />
      </svg>
    </div>
  );
}
