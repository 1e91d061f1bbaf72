import type { Centre, CentreSize } from "../../api/client";
import { n } from "./points";

interface BodyProps {
  centre: Centre;
  size: CentreSize;
  outline: string;
  halfAt: (along: number) => number;
  y: (along: number) => number;
  id: string;
  random: () => number;
}

/** A centre as it looks undipped. */
export function Body({ centre, size, outline, halfAt, y, id, random }: BodyProps) {
  const { length, width } = size;
  switch (centre.code) {
    case "strawberry": {
      const rows = [0.18, 0.32, 0.46, 0.6, 0.74, 0.87];
      return (
        <>
          <radialGradient id={`${id}s`} cx="0.38" cy="0.35" r="0.8">
            <stop offset="0" stopColor="#ee5a55" />
            <stop offset="0.55" stopColor="#cf2230" />
            <stop offset="1" stopColor="#8d1220" />
          </radialGradient>
          <path d={outline} fill={`url(#${id}s)`} />
          {rows.flatMap((row, r) => {
            const half = halfAt(row * length);
            return [-0.8, -0.48, -0.16, 0.16, 0.48, 0.8].map((across, i) => {
              const x = (across + (r % 2) * 0.16) * half;
              return (
                <g
                  key={`${r}${i}`}
                  transform={`translate(${n(x)} ${n(y(row * length) + Math.abs(across) * -1.4)}) rotate(${n(across * -18)})`}
                >
                  <ellipse cy="0.25" rx="0.75" ry="1.05" fill="#7d0f1c" fillOpacity="0.45" />
                  <ellipse rx="0.5" ry="0.82" fill="#f3cf7a" />
                </g>
              );
            });
          })}
        </>
      );
    }
    case "apple":
      return (
        <>
          <radialGradient id={`${id}s`} cx="0.36" cy="0.32" r="0.8">
            <stop offset="0" stopColor="#e9a04c" />
            <stop offset="0.4" stopColor="#c8402f" />
            <stop offset="1" stopColor="#7e1622" />
          </radialGradient>
          <path d={outline} fill={`url(#${id}s)`} />
          <ellipse cx="0" cy="1.8" rx={width * 0.15} ry="2.4" fill="#4b1013" fillOpacity="0.55" />
        </>
      );
    case "pretzel-rod":
    case "caramel-rod":
      return (
        <>
          <linearGradient id={`${id}s`}>
            <stop offset="0" stopColor="#8c5423" />
            <stop offset="0.35" stopColor="#d79a54" />
            <stop offset="0.65" stopColor="#b9752f" />
            <stop offset="1" stopColor="#7a4517" />
          </linearGradient>
          <path d={outline} fill={`url(#${id}s)`} />
          {Array.from({ length: 26 }, (_, i) => (
            <Salt
              key={i}
              x={(random() - 0.5) * width * 0.72}
              y={length * (0.04 + 0.92 * random())}
              turn={random() * 90}
            />
          ))}
        </>
      );
    case "sandwich-cookie":
    case "oval-cookie":
      return (
        <>
          <path d={outline} fill="#4a3122" />
          <g fill="none" stroke="#2f1d12" strokeWidth="0.9">
            <ellipse cy={length / 2} rx={width * 0.43} ry={length * 0.43} strokeDasharray="1.4 1.1" />
            <ellipse cy={length / 2} rx={width * 0.3} ry={length * 0.3} />
          </g>
          {Array.from({ length: 9 }, (_, i) => {
            const angle = (i / 9) * 2 * Math.PI;
            return (
              <circle
                key={i}
                cx={n(Math.cos(angle) * width * 0.19)}
                cy={n(length / 2 + Math.sin(angle) * width * 0.19)}
                r="1"
                fill="#2a1910"
              />
            );
          })}
        </>
      );
    case "cracker-sandwich":
      return (
        <>
          <path d={outline} fill="#d9a75e" stroke="#a8742f" strokeWidth="1.2" />
          {[-0.26, 0, 0.26].flatMap((x) =>
            [0.26, 0.5, 0.74].map((t) => (
              <circle key={`${x}${t}`} cx={n(x * width)} cy={n(t * length)} r="1" fill="#8f6126" />
            )),
          )}
        </>
      );
    case "crisped-rice-bite":
      return (
        <>
          <path d={outline} fill="#e3bd7c" />
          {Array.from({ length: 26 }, (_, i) => (
            <ellipse
              key={i}
              cx={n((random() - 0.5) * width * 0.86)}
              cy={n(length * (0.05 + 0.9 * random()))}
              rx="2.6"
              ry="1.6"
              fill={i % 2 ? "#f0d39c" : "#cc9f58"}
              transform={`rotate(${n(random() * 20)})`}
            />
          ))}
        </>
      );
    case "marshmallow":
      return <path d={outline} fill="#fbf3ea" stroke="#dccdbb" strokeWidth="1" />;
    case "fruit-ring":
      return <path d={outline} fillRule="evenodd" fill="#f2c747" stroke="#cf9a22" strokeWidth="1" />;
    case "coconut-bar":
      return <path d={outline} fill="#f7efdf" stroke="#d8cbb2" strokeWidth="1" />;
    default:
      return <path d={outline} fillRule="evenodd" fill="#a86f3d" stroke="#7c4c25" strokeWidth="0.8" />;
  }
}

function Salt({ x, y, turn }: { x: number; y: number; turn: number }) {
  return (
    <g transform={`translate(${n(x)} ${n(y)}) rotate(${n(turn)})`}>
      <rect x="-0.8" y="-0.5" width="1.9" height="1.9" rx="0.4" fill="#5f3710" fillOpacity="0.4" />
      <rect x="-0.9" y="-0.9" width="1.8" height="1.8" rx="0.4" fill="#fffaf0" />
    </g>
  );
}
