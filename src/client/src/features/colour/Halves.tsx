import { useId } from "react";
import { shade } from "../../ui/colour";
import { say } from "../../wording/say";

/** A ball dipped in the mix on its left and in the colour wanted on its right, on parchment. */
export function Halves({ mix, target, words }: { mix: string; target: string; words: string }) {
  const id = useId();
  return (
    <figure className="bg-parchment border-rim text-parchment-ink rounded-xl border-[8px] px-4 pt-4 pb-3">
      <svg
        role="img"
        aria-label={say("colour.your-mix-beside-target-colour", { words })}
        viewBox="-60 -53 120 113"
        className="mx-auto w-full max-w-80"
      >
        <defs>
          <radialGradient id={`${id}l`} cx="0.36" cy="0.28" r="0.85">
            <stop offset="0" stopColor="#fff" stopOpacity="0.3" />
            <stop offset="0.45" stopColor="#fff" stopOpacity="0" />
            <stop offset="1" stopColor="#000" stopOpacity="0.3" />
          </radialGradient>
          <clipPath id={id}>
            <circle r="50" />
          </clipPath>
        </defs>
        <ellipse cx="2" cy="52" rx="46" ry="6" fill="#2b1810" opacity="0.16" />
        <g clipPath={`url(#${id})`}>
          <rect x="-50" y="-50" width="50" height="100" fill={mix} data-testid="mixed" />
          <rect x="0" y="-50" width="50" height="100" fill={target} />
          <circle r="50" fill={`url(#${id}l)`} />
          <path
            d="M-34 -12C-33 -28 -22 -38 -10 -41"
            fill="none"
            stroke="#fff"
            strokeOpacity="0.5"
            strokeWidth="5"
            strokeLinecap="round"
          />
        </g>
        <circle r="50" fill="none" stroke={shade(mix, -0.5)} strokeOpacity="0.35" />
      </svg>
      <figcaption className="text-parchment-ink2 mt-1 flex justify-between text-[15px]">
        <span>{say("colour.your-mix-set")}</span>
        <span>{say("colour.target-colour")}</span>
      </figcaption>
    </figure>
  );
}
