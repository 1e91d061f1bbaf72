import { say } from "../../wording/say";
/** How long the ruler is, in mm. */
export const rulerLong = 100;

/** Ten centimetres, to hold a ruler against. */
export function Ruler({ x, y }: { x: number; y: number }) {
  return (
    <g transform={`translate(${x} ${y})`} stroke="#2b1810" strokeWidth="0.25">
      <rect x="-2" y="-3.5" width={rulerLong + 4} height="10.5" fill="#ffffff" stroke="none" />
      <path
        data-testid="ruler"
        fill="none"
        d={`M0 0H${rulerLong}${Array.from({ length: 11 }, (_, i) => `M${i * 10} 0v${i % 5 === 0 ? 3 : 2}`).join("")}`}
      />
      <text x="0" y="6" fontSize="2.8" fill="#2b1810" stroke="none">
        {say("paper.check-with-ruler-this-100")}
      </text>
    </g>
  );
}
