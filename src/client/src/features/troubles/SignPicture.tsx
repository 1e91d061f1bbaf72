import type { ReactNode } from "react";

const [coat, shine, paper, berry, leaf] = ["#4a2a1a", "#7d5640", "#e9dcc2", "#c4353c", "#5c7d2a"];

/** A dipped berry: what most of the pictures are of. */
const Berry = ({ opacity = 1, children }: { opacity?: number; children?: ReactNode }) => (
  <>
    <path d="M60 18c26 0 40 14 34 36S74 96 60 100c-14-4-28-24-34-46S34 18 60 18z" fill={berry} />
    <path d="M25 48c16 7 54 7 70 0-1 24-21 48-35 52-14-4-34-28-35-52z" fill={coat} opacity={opacity} />
    <path
      d="M34 56c2 16 8 26 16 34"
      stroke={shine}
      strokeWidth="4"
      fill="none"
      strokeLinecap="round"
      opacity={opacity}
    />
    <path
      d="M60 20c-8-10-18-10-22-4 8 0 12 4 22 4zm0 0c8-10 18-10 22-4-8 0-12 4-22 4zm0 0c-2-8 0-12 2-16 2 6 2 10-2 16z"
      fill={leaf}
    />
    {children}
  </>
);

const Ball = ({ children }: { children?: ReactNode }) => (
  <>
    <circle cx="60" cy="56" r="36" fill={coat} />
    <path d="M36 46c4-10 12-16 20-18" stroke={shine} strokeWidth="4" fill="none" strokeLinecap="round" />
    {children}
  </>
);

const Sheet = () => <path d="M4 100h112" stroke="#a98a5f" strokeWidth="4" />;

const drawings: Record<string, ReactNode> = {
  thick: (
    <>
      <path d="M20 40h80l-8 62H28z" fill="none" stroke="#a98a5f" strokeWidth="4" />
      <path d="M24 56c10-8 16 6 24-2s14 8 24-1 14 5 24-1l-6 48H30z" fill={coat} />
      <path d="M62 8v34c-6 4-10 8-6 14s14 4 14-4-4-8-2-12V8z" fill={coat} />
    </>
  ),
  sheer: <Berry opacity={0.45} />,
  foot: (
    <>
      <Sheet />
      <path d="M14 98c8-12 84-12 92 0z" fill={coat} />
      <Berry />
    </>
  ),
  slides: (
    <Berry opacity={0}>
      <path d="M30 74c14 6 44 8 58-2-4 14-18 32-28 34-10-2-24-16-30-32z" fill={coat} />
      <path d="M52 52c-2 6-6 8-4 14M72 50c-1 6-4 8-2 16" stroke="#9fc4d8" strokeWidth="4" strokeLinecap="round" />
    </Berry>
  ),
  cracks: (
    <Ball>
      <path
        d="M60 22l-6 14 10 10-8 14 12 10-6 20M56 46l-16 8M66 70l18 4"
        stroke="#f0dcc0"
        strokeWidth="3"
        fill="none"
      />
    </Ball>
  ),
  leaks: (
    <>
      <Sheet />
      <Berry>
        <path d="M72 84c4 4 8 10 6 14s-8 4-9-1 1-9 3-13z" fill={berry} />
        <path d="M58 102c12-4 34-4 42 0z" fill={berry} />
      </Berry>
    </>
  ),
  sticky: (
    <Ball>
      {[
        [44, 40],
        [62, 34],
        [78, 48],
        [50, 62],
        [70, 66],
        [58, 78],
        [40, 72],
        [82, 66],
      ].map(([x, y]) => (
        <circle key={`${x}.${y}`} cx={x} cy={y} r="4.5" fill="#cfe1ea" />
      ))}
    </Ball>
  ),
  streaks: (
    <Ball>
      <path
        d="M34 40c12 8 20-6 34 2s14-4 20 0M28 56c14 8 20-6 36 2s18-4 28 0M34 72c12 8 18-6 32 2s14-4 20 0"
        stroke="#c9b9a8"
        strokeWidth="4"
        fill="none"
        opacity="0.85"
      />
    </Ball>
  ),
  specks: (
    <Ball>
      {[
        [46, 36],
        [70, 40],
        [54, 54],
        [76, 60],
        [44, 68],
        [64, 74],
        [84, 50],
      ].map(([x, y]) => (
        <path key={`${x}.${y}`} d={`M${x} ${y}l5 2-3 4z`} fill="#f0dcc0" stroke="#f0dcc0" strokeWidth="2" />
      ))}
    </Ball>
  ),
  "off-stick": (
    <>
      <Sheet />
      <path d="M40 2v56" stroke="#d9c39a" strokeWidth="6" strokeLinecap="round" />
      <circle cx="72" cy="74" r="26" fill={coat} />
      <path d="M54 64c3-7 8-10 13-12" stroke={shine} strokeWidth="4" fill="none" strokeLinecap="round" />
      <circle cx="66" cy="49" r="4" fill="#1c100b" />
    </>
  ),
  sprinkles: (
    <>
      <Sheet />
      <Ball />
      {[
        [30, 96, "#b01f4a"],
        [44, 92, "#f0a64b"],
        [86, 96, "#8db24a"],
        [98, 92, "#f3b5c4"],
        [104, 97, "#5b8fb0"],
        [18, 94, "#f0a64b"],
      ].map(([x, y, c]) => (
        <path key={String(x)} d={`M${x} ${y}l8-3`} stroke={String(c)} strokeWidth="4.5" strokeLinecap="round" />
      ))}
    </>
  ),
  drizzle: (
    <>
      <rect x="12" y="30" width="96" height="60" rx="10" fill={coat} />
      <path
        d="M20 44h30c8 0 8 6 14 6s4-6 10-6h6M96 44h6M20 60h12m8 0h24c6 0 8 8 14 8s6-8 12-8h12M20 76h22m10 0h8m6 0h36"
        stroke="#f8efe2"
        strokeWidth="5"
        strokeLinecap="round"
        fill="none"
      />
      <circle cx="64" cy="50" r="6" fill="#f8efe2" />
      <circle cx="78" cy="67" r="7" fill="#f8efe2" />
    </>
  ),
  mould: (
    <>
      <path d="M6 40h26c0 34 56 34 56 0h26v58H6z" fill="#cfdbe2" />
      <path d="M28 34h64v8c-4 36-60 36-64 0z" fill={coat} />
      <path d="M22 30h76v8H22z" fill={shine} />
    </>
  ),
  bubbles: (
    <Ball>
      {[
        [46, 40, 5],
        [66, 34, 3.5],
        [76, 54, 6],
        [52, 62, 4],
        [66, 76, 5],
        [42, 76, 3],
      ].map(([x, y, r]) => (
        <circle key={`${x}.${y}`} cx={x} cy={y} r={r} fill="#2b1810" stroke={shine} strokeWidth="2" />
      ))}
    </Ball>
  ),
};

/** What a trouble looks like. */
export const SignPicture = ({ sign }: { sign: string }) => (
  <svg viewBox="0 0 120 112" className="block w-full" aria-hidden>
    <rect width="120" height="112" fill={paper} opacity="0.35" />
    {drawings[sign]}
  </svg>
);
