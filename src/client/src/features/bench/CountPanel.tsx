import type { Day, DayTask } from "../../api/client";
import { big } from "./big";
import { say } from "../../wording/say";

/** Whether a step's pieces are counted as they are made. */
export const isCounted = ({ what }: DayTask) =>
  what.pieces > 0 && (what.stage === "dip" || what.stage === "decorate" || what.stage === "assemble");

/** Pieces made of the round, and of all; a touch counts one. */
export function CountPanel(props: {
  step: DayTask;
  progress: Day["progress"][string] | undefined;
  count: (act: "made" | "spoilt", pieces: number) => void;
}) {
  const { step, count } = props;
  const { made, spoilt } = props.progress ?? { made: 0, spoilt: 0 };
  const { pieces } = step.what;
  const rounds = step.what.round !== null && step.what.round < pieces ? step.what.round : null;
  const all = Math.min(made, pieces);
  // A full round is left standing full until the next one is begun.
  const before = rounds ? Math.floor(Math.max(0, all - 1) / rounds) * rounds : 0;
  const [is, of] = [all - before, Math.min(rounds ?? pieces, pieces - before)];
  return (
    <section aria-label={say("bench.count")} className="bg-panel rounded-2xl p-5">
      <button className="block w-full text-left" onClick={() => count("made", 1)}>
        <span className="text-ink2 block text-[21px]">
          {rounds ? say("bench.this-round") : say("bench.made-count")}
        </span>
        <span className="block text-[72px] leading-none font-bold">
          {is} <span className="text-ink2">/ {of}</span>
        </span>
        <span className="text-ink2 mt-1 block text-[21px]">
          {rounds && say("bench.made-of-pieces", { made, pieces })}
          {rounds && spoilt > 0 && " · "}
          {spoilt > 0 && say("bench.went-wrong", { spoilt })}
          {!rounds && spoilt === 0 && say("bench.touch-count")}
        </span>
      </button>
      <p className="mt-3 grid grid-cols-2 gap-3">
        <button className={`${big} text-[21px]`} disabled={made === 0} onClick={() => count("made", -1)}>
          {say("bench.one-fewer")}
        </button>
        <button className={`${big} text-act text-[21px]`} onClick={() => count("spoilt", 1)}>
          {say("bench.one-broke")}
        </button>
      </p>
    </section>
  );
}
