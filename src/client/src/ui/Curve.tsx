/** A point of a curve: minutes, and °C. */
export interface Point {
  x: number;
  y: number;
}

interface Bounds {
  left: number;
  right: number;
  low: number;
  high: number;
}

const tall = 170;
const [gutter, edge, foot] = [42, 8, 24];

/** Whole steps of five degrees that hold a curve and its window, and the minutes that it goes over. */
export function boundsOf(points: readonly Point[], window: [from: number, to: number]): Bounds {
  const ys = [...points.map((p) => p.y), ...window];
  const xs = points.map((p) => p.x);
  return {
    left: Math.min(...xs, 0),
    right: Math.max(...xs, 1),
    low: Math.floor((Math.min(...ys) - 1) / 5) * 5,
    high: Math.ceil((Math.max(...ys) + 1) / 5) * 5,
  };
}

/** A temperature over time: what was read, the window it is used in, the limit, and how it goes on. */
export function Curve(props: {
  label: string;
  read: readonly Point[];
  ahead?: readonly Point[];
  window: [from: number, to: number];
  limit?: number;
  says: (celsius: number) => string;
  /** What stands under it, by minutes. */
  marks?: readonly { x: number; name: string }[];
  wide?: boolean;
}) {
  const { read, ahead = [], window, limit, says, marks = [] } = props;
  const wide = props.wide ? 720 : 360;
  const bounds = boundsOf([...read, ...ahead], window);
  const x = (at: number) => gutter + ((at - bounds.left) / (bounds.right - bounds.left)) * (wide - gutter - edge);
  const y = (c: number) => edge + ((bounds.high - c) / (bounds.high - bounds.low)) * (tall - edge - foot);
  const path = (points: readonly Point[]) => points.map((p) => `${x(p.x).toFixed(1)},${y(p.y).toFixed(1)}`).join(" ");
  const lines = Array.from({ length: (bounds.high - bounds.low) / 5 + 1 }, (_, i) => bounds.low + i * 5);
  const every = Math.ceil(lines.length / 5);
  // A window of one temperature is drawn as half a degree to either side.
  const slack = window[1] - window[0] < 1 ? 0.5 : 0;
  const [top, bottom] = [y(window[1] + slack), y(window[0] - slack)];
  const last = read.at(-1);
  return (
    <svg role="img" aria-label={props.label} viewBox={`0 0 ${wide} ${tall}`} className="block w-full">
      <rect x={gutter} width={wide - gutter} y={top} height={bottom - top} className="fill-go" opacity="0.28" />
      {lines
        .filter((_, i) => i % every === 0)
        .map((c) => (
          <g key={c}>
            <path d={`M${gutter} ${y(c)}H${wide}`} className="stroke-line" strokeWidth="1" />
            <text x={gutter - 8} y={y(c) + 5} textAnchor="end" className="fill-ink2 text-[14px]">
              {says(c)}
            </text>
          </g>
        ))}
      {limit !== undefined && limit <= bounds.high && (
        <path d={`M${gutter} ${y(limit)}H${wide}`} className="stroke-mind" strokeWidth="1.5" strokeDasharray="2 4" />
      )}
      <polyline points={path(read)} fill="none" className="stroke-ink" strokeWidth="2.5" strokeLinejoin="round" />
      <polyline points={path(ahead)} fill="none" className="stroke-mind" strokeWidth="2.5" strokeDasharray="2 5" />
      {marks.map(({ x: at, name }, i) => (
        <text
          key={i}
          x={x(at)}
          y={tall - 4}
          textAnchor={x(at) > wide - 40 ? "end" : x(at) < gutter + 20 ? "start" : "middle"}
          className="fill-ink2 text-[13px]"
        >
          {name}
        </text>
      ))}
      {last && <circle cx={x(last.x)} cy={y(last.y)} r="5" className="fill-ink" />}
    </svg>
  );
}
