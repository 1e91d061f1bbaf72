import type { Day, DayMelt, DayTask, DayTray, Plan } from "../../api/client";
import { dayOf, minutesFrom } from "../../ui/localTime";
import { clock } from "../../ui/units";
import { meltingOf } from "../day/times";
import { say } from "../../wording/say";

/** Whether a step is for somebody's hands; what the plan has nobody for, and what is done, falls to the maker. */
export const isFor = (task: DayTask, who: string) =>
  task.worker === who || (who === "me" && (task.worker === "nobody" || task.mark?.done != null));

/** What somebody does at the bench: now, then, and what they have put off. */
export interface Bench {
  /** The step to do, or the next one; undefined when all of today's are done. */
  step: DayTask | undefined;
  /** What comes after it. */
  then: DayTask[];
  /** Steps put off, and not done since. */
  held: DayTask[];
  /** Which of today's steps it is, and how many there are. */
  number: number;
  of: number;
  /** The first step of a later day. */
  later: DayTask | undefined;
}

/** The bench of one pair of hands. A step that is on hold gives way to the next, and comes last. */
export function benchOf(plan: Plan, now: string, who: string, onHold: readonly string[]): Bench {
  const mine = plan.tasks.filter((t) => isFor(t, who));
  const today = mine.filter((t) => dayOf(t.starts) <= dayOf(now));
  const open = today.filter((t) => t.mark?.done == null);
  const held = open.filter((t) => onHold.includes(t.what.code));
  const [step, ...then] = [...open.filter((t) => !held.includes(t)), ...held];
  const counted = today.filter((t) => dayOf(t.starts) === dayOf(now) || open.includes(t));
  return {
    step,
    then: then.slice(0, 2),
    held: held.filter((t) => t !== step),
    number: step ? counted.indexOf(step) + 1 : counted.length,
    of: counted.length,
    later: mine.find((t) => dayOf(t.starts) > dayOf(now) && t.mark?.done == null),
  };
}

/** The melt that a step makes, or takes from. */
export const meltOf = (plan: Plan, task: DayTask): DayMelt | undefined =>
  plan.melts.find((m) => task.what.code === meltingOf(m)) ?? plan.melts.find((m) => m.tasks.includes(task.what.code));

/** Whether a step is done from a pot that is warm: then it is done now, whatever was planned before the pot was melted. */
export function isFromWarm(plan: Plan, task: DayTask) {
  const melt = meltOf(plan, task);
  return melt !== undefined && plan.tasks.some((t) => t.what.code === meltingOf(melt) && t.mark?.done != null);
}

/** What a tray is waited for. */
export type Phase = "dry" | "set" | "out" | "use";

/** A tray that is watched. */
export interface Timer {
  tray: DayTray;
  phase: Phase;
  /** When that is. */
  at: string;
  /** Whether it is past, and nothing else is waited for. */
  over: boolean;
  /** How much of the time from when the tray was laid down is gone, from 0 to 1. */
  gone: number;
}

/**
 * The trays that stand somewhere and are waited for, the soonest first: those of steps that are done, until the step that takes them away
 * is done too. A tray that was looked at and had not set is waited for again.
 */
export function timersOf(plan: Plan, now: string, progress: Day["progress"]): Timer[] {
  return plan.trays
    .filter((tray) => stands(plan, tray, now))
    .flatMap((tray) => {
      const phases = phasesOf(tray, progress[tray.task]?.lookAt ?? null);
      const waited = phases.find((p) => p.at > now) ?? phases.at(-1);
      if (!waited) return [];
      const whole = minutesFrom(tray.starts, waited.at);
      const gone = whole > 0 ? Math.min(1, Math.max(0, minutesFrom(tray.starts, now) / whole)) : 1;
      return [{ tray, ...waited, over: waited.at <= now, gone }];
    })
    .sort((a, b) => a.at.localeCompare(b.at));
}

/** What is waited for of a tray, in turn. */
export function phasesOf(tray: DayTray, lookAt: string | null): { phase: Phase; at: string }[] {
  const set = tray.set && lookAt && lookAt > tray.set ? lookAt : tray.set;
  const all = [
    { phase: "dry" as const, at: tray.dry },
    { phase: "set" as const, at: set },
    { phase: "out" as const, at: tray.outBy },
    { phase: "use" as const, at: tray.useBy },
  ];
  // A coat that is handled when it is touch-dry is waited for once.
  return all.flatMap(({ phase, at }) => (at && !(phase === "dry" && at === set) ? [{ phase, at }] : []));
}

function stands(plan: Plan, tray: DayTray, now: string) {
  const from = plan.tasks.find((t) => t.what.code === tray.task);
  if (from?.mark?.done == null || from.what.stage === "pack" || tray.starts > now) return false;
  const taking = plan.tasks.filter((t) => t.what.order === tray.order && t.starts === tray.ends);
  return taking.length > 0 ? taking.some((t) => t.mark?.done == null) : tray.ends > now;
}

/** A timer's name for its alarm: another when what is waited for moves. */
export const alarmOf = ({ tray, phase, at }: Timer) => [tray.task, phase, at].join(" ");

/** Minutes and seconds to a moment, "3:40", "1 h 05"; since when, once it is past. */
export function countdown(now: string, at: string): string {
  const seconds = Math.round(minutesFrom(now, at) * 60);
  if (seconds < 0) return say("bench.since", { at: clock(at) });
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  return h > 0 ? say("bench.h", { h, text: String(m).padStart(2, "0") }) : `${m}:${String(s).padStart(2, "0")}`;
}
