import { Link } from "wouter";
import type { LoggedBatch } from "../../api/client";
import { dayName, shortDayName, useWording } from "../../ui/units";
import { offBy, plusMinus } from "./batches";
import { say } from "../../wording/say";

const [wide, high, rim] = [76, 176, 4];

/** A batch as a glass: filled as high as was weighed, a dashed line where it was planned. */
function Glass({ batch, most }: { batch: LoggedBatch; most: number }) {
  const level = (grams: number) => high - (grams / most) * (high - 14);
  const weighed = batch.weighed ?? 0;
  return (
    <svg viewBox={`-12 0 ${wide + 24} ${high + 6}`} className="w-full max-w-25" aria-hidden>
      <path d={`M0 0V${high - 6}q0 8 8 8h${wide - 16}q8 0 8-8V0`} className="fill-panel stroke-rim" strokeWidth="2" />
      {batch.weighed !== null && (
        <>
          <path
            d={`M${rim} ${level(weighed)}V${high - 6}q0 5 5 5h${wide - 2 * rim - 10}q5 0 5-5V${level(weighed)}z`}
            fill={batch.srgb}
          />
          <ellipse cx={wide / 2} cy={level(weighed)} rx={wide / 2 - rim} ry="4.5" fill={batch.srgb} />
          <ellipse cx={wide / 2} cy={level(weighed)} rx={wide / 2 - rim} ry="4.5" fill="#fff" opacity="0.18" />
        </>
      )}
      <line
        x1="-9"
        x2={wide + 9}
        y1={level(batch.planned)}
        y2={level(batch.planned)}
        className="stroke-act"
        strokeWidth="2.4"
        strokeDasharray="5 3.5"
      />
    </svg>
  );
}

/** The last batches of one kind on a board, oldest first, drawn to one scale. */
export function Glasses({ batches }: { batches: LoggedBatch[] }) {
  const wording = useWording();
  const most = Math.max(1, ...batches.flatMap((b) => [b.planned, b.weighed ?? 0]));
  return (
    <div>
      <p className="text-ink2 mt-2 flex flex-wrap gap-x-5 text-[15px]">
        <span>
          <span aria-hidden className="border-act mr-2 inline-block w-6 border-t-[2.5px] border-dashed align-middle" />
          {say("logbook.planned")}
        </span>
        <span>
          <span
            aria-hidden
            className="mr-2 inline-block size-3.5 align-[-2px]"
            style={{ background: batches[0]?.srgb }}
          />
          {say("logbook.weighed")}
        </span>
      </p>
      <ul
        className="border-board-edge relative mt-2 grid overflow-x-auto sm:grid-cols-[repeat(8,minmax(0,1fr))]"
        style={{ gridAutoFlow: "column", gridAutoColumns: "minmax(5.2rem,1fr)" }}
      >
        {batches.map((b) => {
          const off = offBy(b);
          return (
            <li key={b.id} className="min-w-0">
              <Link to={`/logbook/${b.id}`} className="group block text-center">
                <span className="sr-only">
                  {[
                    say("logbook.planned-2", {
                      madeOn: dayName(b.batch.madeOn),
                      made: made(b),
                      planned: wording.mass(b.planned),
                    }),
                    b.weighed === null
                      ? say("logbook.not-weighed")
                      : say("logbook.weighed-2", { weighed: wording.mass(b.weighed) }),
                    stands(b),
                  ].join(" ")}
                </span>
                <span aria-hidden className="block">
                  <span className={`block h-6 text-[15px] font-bold ${toneOf(off)}`}>{overGlass(b, off)}</span>
                  <span className={`flex justify-center px-1 ${b.batch.leftOut ? "opacity-45" : ""}`}>
                    <Glass batch={b} most={most} />
                  </span>
                  <span className="bg-board border-board-edge block h-3.5 border-b-[5px]" />
                  <span className="mt-1.5 block group-hover:underline">{shortDayName(b.batch.madeOn)}</span>
                  <span className="text-ink2 block text-[13px]">{made(b)}</span>
                  <span className="block text-[15px] font-bold">
                    {b.weighed === null ? "—" : wording.mass(b.weighed)}
                  </span>
                </span>
              </Link>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** What is to be known of a batch besides its weights. */
function stands(b: LoggedBatch) {
  if (b.batch.leftOut) return say("logbook.left-out");
  return b.questioned ? say("logbook.please-check") : "";
}

function overGlass(b: LoggedBatch, off: number | null) {
  if (b.batch.leftOut) return say("logbook.left-out-2");
  return `${off === null ? "" : plusMinus(off)}${b.questioned ? " ?" : ""}`;
}

const made = (b: LoggedBatch) => {
  const pieces = b.batch.pieces.reduce((sum, p) => sum + p.made + p.spoilt, 0);
  return say("logbook.piece-count", { count: pieces });
};

function toneOf(off: number | null) {
  if (off === null) return "text-ink2";
  return Math.abs(off) <= 0.1 ? "text-go" : "text-mind";
}
