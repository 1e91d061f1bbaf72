import { chance, shade } from "../../ui/colour";
import { useWording } from "../../ui/units";
import { say } from "../../wording/say";

const bowl = "M16 8C20 120 62 232 126 244L330 244C394 232 436 120 440 8";
const filled = "M30 52C42 136 84 224 130 232L326 232C372 224 414 136 426 52Z";
const mostLumps = 110;

interface Lump {
  x: number;
  y: number;
  size: number;
  turn: number;
}

/** Where lumps swim, the same for the same pot; the first of them melt last. */
function lumpsOf(seed: number): Lump[] {
  const next = chance(seed + 1);
  return Array.from({ length: mostLumps }, () => {
    const depth = next();
    const half = 176 - depth * depth * 84;
    return { x: 228 + (next() * 2 - 1) * half, y: 58 + depth * 158, size: 10 + next() * 7, turn: next() * 60 - 30 };
  });
}

/** A bowl from the side, with what is melted and what is not, and the spoon. */
export function BowlView({ srgb, lumps, seed, says }: { srgb: string; lumps: number; seed: number; says: string }) {
  const there = lumpsOf(seed).slice(0, Math.ceil(lumps * mostLumps));
  return (
    <svg role="img" aria-label={says} viewBox="0 -70 456 330" className="block w-full">
      <defs>
        <radialGradient id="coating" cx="0.5" cy="0.3" r="0.7">
          <stop offset="0" stopColor={shade(srgb, 0.14)} />
          <stop offset="1" stopColor={shade(srgb, -0.18)} />
        </radialGradient>
      </defs>
      <ellipse cx="228" cy="250" rx="180" ry="10" fill="#2b1810" opacity="0.14" />
      <path d={filled} fill="url(#coating)" />
      <ellipse cx="228" cy="52" rx="198" ry="20" fill={shade(srgb, 0.08)} />
      <ellipse cx="180" cy="48" rx="70" ry="6" fill={shade(srgb, lumps < 0.15 ? 0.34 : 0.16)} opacity="0.8" />
      {there.map(({ x, y, size, turn }, i) => (
        <ellipse
          key={i}
          cx={x}
          cy={y}
          rx={size}
          ry={size * 0.62}
          transform={`rotate(${turn} ${x} ${y})`}
          fill={shade(srgb, 0.1)}
          stroke={shade(srgb, 0.38)}
          strokeWidth="1.4"
        />
      ))}
      <path d="M286 60L386 -56" stroke="#c79a5b" strokeWidth="15" strokeLinecap="round" />
      <path d="M288 56L386 -58" stroke="#e6c48b" strokeWidth="3" strokeLinecap="round" />
      <path d={bowl} fill="none" className="stroke-rim" strokeWidth="7" strokeLinecap="round" strokeLinejoin="round" />
      <path d="M36 30C46 120 76 190 112 216" fill="none" stroke="#fff" strokeWidth="6" opacity="0.28" />
    </svg>
  );
}

const [coldest, hottest] = [15, 60];
const mercuryFoot = 300;
const heightOf = (c: number) =>
  mercuryFoot - ((Math.min(hottest, Math.max(coldest, c)) - coldest) / (hottest - coldest)) * 280;

/** The thermometer in the middle of the pot, with the window and what is too hot. */
export function Thermometer(props: { middle: number; from: number; to: number; most: number }) {
  const { middle, from, to, most } = props;
  const wording = useWording();
  const top = heightOf(Math.max(to, from + 1));
  return (
    <figure
      aria-label={say("practice.thermometer-says-dip", {
        middle: wording.temperature(middle),
        from: wording.window(from, to),
      })}
      className="m-0"
    >
      <svg aria-hidden viewBox="-92 0 190 320" className="block w-full">
        <rect x="-13" y="8" width="26" height="304" rx="13" className="fill-panel stroke-rim" strokeWidth="3" />
        <rect x="-12" y={top} width="24" height={Math.max(5, heightOf(from) - top)} className="fill-go" opacity="0.6" />
        <path
          d={`M0 ${mercuryFoot}V${heightOf(middle)}`}
          className="stroke-act"
          strokeWidth="11"
          strokeLinecap="round"
        />
        {[20, 30, 40, 50].map((c) => (
          <g key={c}>
            <path d={`M16 ${heightOf(c)}H26`} className="stroke-ink2" strokeWidth="1.5" />
            <text x="32" y={heightOf(c) + 5} className="fill-ink2 text-[14px]">
              {wording.degrees(c)}
            </text>
          </g>
        ))}
        <text x="-20" y={top + 9} textAnchor="end" className="fill-go text-[15px] font-bold">
          {say("practice.dip", {
            to: from === to ? wording.degrees(to) : `${wording.degrees(from)}–${wording.degrees(to)}`,
          })}
        </text>
        <text x="-20" y={heightOf(most) - 4} textAnchor="end" className="fill-mind text-[15px]">
          {say("practice.most", { most: wording.degrees(most) })}
        </text>
      </svg>
      <figcaption className="text-center text-[26px] font-bold">{wording.temperature(middle)}</figcaption>
    </figure>
  );
}
