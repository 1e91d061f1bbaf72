import type { DayMelt, DayOrder, DayTask, DayTray, Plan } from "../../api/client";
import { dayOf, minutesFrom, plusMinutes } from "../../ui/localTime";
import { clock, dayName } from "../../ui/units";
import { say } from "../../wording/say";

/** From when a day can still be arranged: today from now on. */
export const beginOf = (day: string, now: string) => (dayOf(now) === day ? now : `${day}T00:00:00`);

/** A time as it is said next to another one: without its day when that is the same. */
export const whenSaid = (at: string, near: string) =>
  dayOf(at) === dayOf(near) ? clock(at) : `${dayName(at)}, ${clock(at)}`;

/** From one time of a day to another, as it is said. */
export const fromTo = (hours: { from: string; to: string }) => `${clock(hours.from)}–${clock(hours.to)}`;

/** Where times lie down the page: as long as they take, but no work too short to be read, and no pause longer than it need be. */
export interface Scale {
  y(local: string): number;
  /** The time at a height, the other way round. */
  at(y: number): string;
  height: number;
  /** Full hours to rule a line at. */
  hours: string[];
  /** Pauses that are drawn shorter than they are. */
  pauses: { y: number; minutes: number }[];
  /** No work is lower than that. */
  row: number;
}

/** How a day is drawn, in px: a minute, the lowest row and the longest pause. */
export const onScreen = { perMinute: 2.1, row: 27, longestPause: 54 };
export const onPaper = { perMinute: 0.9, row: 18, longestPause: 26 };

export function scaleOf(plan: Plan, day: string, { perMinute, row, longestPause }: typeof onScreen): Scale {
  const work = plan.tasks.filter((t) => dayOf(t.starts) === day);
  const pickups = plan.orders.filter((o) => dayOf(o.pickup) === day).map((o) => o.pickup);
  const marks = [...new Set([...work.flatMap((t) => [t.starts, t.ends]), ...pickups])].sort();
  if (marks.length === 0) return { y: () => 0, at: () => `${day}T00:00:00`, height: 0, hours: [], pauses: [], row };
  const gaps = marks.slice(1).map((to, i) => {
    const from = marks[i] ?? to;
    const busy = work.some((t) => t.starts < to && t.ends > from);
    const minutes = minutesFrom(from, to);
    return { from, to, busy, minutes, px: busy ? minutes * perMinute : Math.min(longestPause, minutes * perMinute) };
  });
  for (const task of work) {
    const own = gaps.filter((g) => g.from >= task.starts && g.to <= task.ends);
    const px = own.reduce((sum, g) => sum + g.px, 0);
    const wanted = task.worker === null ? 0 : row;
    if (px < wanted) own.forEach((g) => (g.px += (wanted - px) / own.length));
  }
  const start = marks[0] ?? "";
  let at = 10;
  const knots = [{ local: start, y: at }];
  const pauses: Scale["pauses"] = [];
  for (const gap of gaps) {
    if (!gap.busy && gap.minutes * perMinute > longestPause) pauses.push({ y: at + gap.px / 2, minutes: gap.minutes });
    at += gap.px;
    knots.push({ local: gap.to, y: at });
  }
  const y = (local: string) => {
    if (local <= start) return 10;
    const i = knots.findIndex((k) => k.local >= local);
    if (i < 0) return at;
    const [a, b] = [knots[i - 1], knots[i]];
    if (!a || !b) return at;
    const whole = minutesFrom(a.local, b.local);
    return whole === 0 ? b.y : a.y + ((b.y - a.y) * minutesFrom(a.local, local)) / whole;
  };
  const timeAt = (height: number) => {
    const i = knots.findIndex((k) => k.y >= height);
    const [a, b] = i < 0 ? knots.slice(-2) : [knots[Math.max(0, i - 1)], knots[Math.max(1, i)]];
    if (!a || !b) return start;
    const perMinutePx = (b.y - a.y) / Math.max(1, minutesFrom(a.local, b.local));
    return plusMinutes(a.local, (height - a.y) / Math.max(0.2, perMinutePx));
  };
  const hours = Array.from({ length: 25 }, (_, h) => `${day}T${String(h).padStart(2, "0")}:00:00`).filter(
    (h) =>
      h > start &&
      h < (marks[marks.length - 1] ?? "") &&
      !gaps.some((g) => !g.busy && g.minutes * perMinute > longestPause && h > g.from && h < g.to),
  );
  return { y, at: timeAt, height: at + 16, hours: apart(hours, y), pauses, row };
}

/** Those hours whose lines do not crowd one another. */
function apart(hours: string[], y: (local: string) => number) {
  let last = -Infinity;
  return hours.filter((h) => {
    if (y(h) - last < 22) return false;
    last = y(h);
    return true;
  });
}

/** Things side by side, each in its lane. */
export interface Lanes<T> {
  placed: { thing: T; lane: number }[];
  lanes: number;
}

/** Puts things side by side that are there at the same time; gives each its lane, and how many lanes there are. */
export function lanesOf<T>(things: T[], from: (thing: T) => number, to: (thing: T) => number): Lanes<T> {
  const ends: number[] = [];
  const placed = [...things]
    .sort((a, b) => from(a) - from(b))
    .map((thing) => {
      let lane = ends.findIndex((end) => end <= from(thing) + 0.5);
      if (lane < 0) lane = ends.length;
      ends[lane] = to(thing);
      return { thing, lane };
    });
  return { placed, lanes: Math.max(1, ends.length) };
}

/** What a place is called, by its code. */
export const placeName = (plan: Plan, code: string) => plan.places.find((p) => p.place === code)?.name ?? code;

/** Where something stands, as it is said: "on the counter", "in the fridge". */
export const inPlace = (plan: Plan, code: string) =>
  say("day.code-the-placename", {
    code: code === "counter" ? say("day.on") : say("day.in"),
    placeName: placeName(plan, code),
  });

/** A stretch of a day: what is melted at its beginning, what is done until the next pot is melted, and the trays that come of it. */
export interface Round {
  from: string;
  to: string;
  melts: DayMelt[];
  /** What is done and what is handed over, by time. */
  entries: (DayTask | DayOrder)[];
  trays: DayTray[];
}

/** Code of the step that melts it. */
export const meltingOf = (melt: DayMelt) => `melt.${melt.pot}.${melt.number}`;

// A pause so long ends a round, in minutes.
const pause = 45;

/** A day in rounds: each begins where a pot is melted after others were dipped from, or after a pause. */
export function roundsOf(plan: Plan, on: string): Round[] {
  const melts = new Map(plan.melts.map((m) => [meltingOf(m), m]));
  const rounds: Round[] = [];
  let used = false;
  for (const task of plan.tasks.filter((t) => dayOf(t.starts) === on)) {
    const melt = melts.get(task.what.code);
    let round = rounds.at(-1);
    if (!round || minutesFrom(round.to, task.starts) >= pause || (melt && used)) {
      round = { from: task.starts, to: task.ends, melts: [], entries: [], trays: [] };
      rounds.push(round);
      used = false;
    }
    if (melt) round.melts.push(melt);
    else used ||= task.what.stage !== "melt" && task.what.pots.length > 0;
    round.entries.push(task);
    if (task.ends > round.to) round.to = task.ends;
    if (task.what.stage !== "pack") round.trays.push(...plan.trays.filter((t) => t.task === task.what.code));
  }
  for (const order of plan.orders.filter((o) => dayOf(o.pickup) === on)) handOver(rounds, order);
  return rounds;
}

/** Puts a pickup where it comes in a day: before the first thing that begins later. */
function handOver(rounds: Round[], order: DayOrder) {
  const round = rounds.findLast((r) => r.from <= order.pickup) ?? rounds[0];
  if (!round) {
    rounds.push({ from: order.pickup, to: order.pickup, melts: [], entries: [order], trays: [] });
    return;
  }
  const next = round.entries.findIndex((e) => startOf(e) > order.pickup);
  round.entries.splice(next < 0 ? round.entries.length : next, 0, order);
}

const startOf = (entry: DayTask | DayOrder) => ("what" in entry ? entry.starts : entry.pickup);

/** Whether everything is on time; if not, what is shown is what would come of it. */
export const fits = (plan: Plan) => plan.outcome !== "impossible" && plan.outcome !== "unknown";

/** The moment of a day at which most trays stand somewhere, and what stands where then. */
export function fullestOf(plan: Plan, on: string) {
  const there = plan.trays.filter((t) => dayOf(t.starts) <= on && dayOf(t.ends) >= on);
  const at = (moment: string) => there.filter((t) => t.starts <= moment && t.ends > moment);
  const moments = there.filter((t) => dayOf(t.starts) === on).map((t) => t.starts);
  const room = (moment: string) => at(moment).reduce((sum, t) => sum + t.trays, 0);
  const fullest = moments.reduce((best, m) => (room(m) > room(best) ? m : best), moments[0] ?? "");
  return fullest ? { moment: fullest, trays: at(fullest) } : undefined;
}
