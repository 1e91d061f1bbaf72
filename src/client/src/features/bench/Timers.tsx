import type { Plan } from "../../api/client";
import { clock } from "../../ui/units";
import { inPlace } from "../day/times";
import { alarmOf, countdown, type Phase, type Timer } from "./bench";
import { big } from "./big";
import { capital, say } from "../../wording/say";

const waitedFor: Record<Phase, string> = {
  dry: say("bench.touch-dry"),
  set: say("ui.hard"),
  out: say("bench.take-out"),
  use: say("bench.use"),
};

/** What is said when a tray's time has come. */
export const timerSays = (plan: Plan, { tray, phase }: Timer) =>
  phase === "out"
    ? say("bench.take-out-now", {
        name: plan.places.find((p) => p.place === tray.place)?.name ?? tray.place,
        title: tray.title,
      })
    : `${tray.title}: ${waitedFor[phase]}`;

// A tray that has not set is looked at again after so many minutes.
const more = 5;

/** The trays that are waited for, each with its ring. */
export function Timers(props: {
  timers: Timer[];
  plan: Plan;
  now: string;
  notYet: (task: string, minutes: number) => void;
}) {
  const { timers, plan, now, notYet } = props;
  if (timers.length === 0) return null;
  return (
    <section aria-labelledby="setting">
      <h2 id="setting" className="text-ink2 font-serif text-[22px]">
        {say("bench.setting")}
      </h2>
      <ul className="mt-2 grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        {timers.map((timer) => (
          <li
            key={alarmOf(timer)}
            className="bg-panel grid grid-cols-[4.5rem_1fr_auto] items-center gap-x-4 rounded-2xl p-4"
          >
            <Ring timer={timer} />
            <p className="min-w-0 text-[19px] leading-snug">
              <b className={`block text-[26px] ${timer.over ? "text-mind" : ""}`}>{countdown(now, timer.at)}</b>
              <span className="block">{capital(timer.tray.title)}</span>
              <span className="text-ink2 block">
                {waitedFor[timer.phase]}
                {timer.phase === "out" && say("bench.by", { at: clock(timer.at) })} · {inPlace(plan, timer.tray.place)}
              </span>
            </p>
            {(timer.phase === "set" || timer.phase === "dry") && (
              <button
                className={`${big} px-3 text-[17px] leading-tight`}
                onClick={() => notYet(timer.tray.task, more)}
                aria-label={say("bench.not-yet-more-minutes", { title: timer.tray.title, more })}
              >
                {say("bench.not-yet")}
                <br />
                {say("bench.more", { more })}
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How much of the wait is gone. */
function Ring({ timer }: { timer: Timer }) {
  const round = 2 * Math.PI * 29;
  const calls = timer.over || timer.phase === "out";
  return (
    <svg aria-hidden viewBox="0 0 72 72" className="size-18 -rotate-90">
      <circle cx="36" cy="36" r="29" fill="none" strokeWidth="8" className="stroke-line" />
      <circle
        cx="36"
        cy="36"
        r="29"
        fill="none"
        strokeWidth="8"
        strokeLinecap="round"
        strokeDasharray={`${timer.gone * round} ${round}`}
        className={calls ? "stroke-mind" : "stroke-go"}
      />
    </svg>
  );
}
