import type { Plan } from "../../api/client";
import { minutesFrom } from "../../ui/localTime";

/** A step that begins at another time than it did. */
export interface Moved {
  title: string;
  from: string;
  to: string;
}

// Less, in minutes, nobody notices.
const noticed = 5;

/** What became of a plan: steps that begin at another time, the earliest first, and orders that are late now and were not. */
export function changesBetween(before: Plan, after: Plan, but: string | undefined) {
  const was = new Map(before.tasks.map((t) => [t.what.code, t.starts]));
  const moved = after.tasks.flatMap((t): Moved[] => {
    const from = was.get(t.what.code);
    const follows = t.what.stage === "melt" || t.what.code === but || t.mark?.done;
    return follows || from === undefined || Math.abs(minutesFrom(from, t.starts)) < noticed
      ? []
      : [{ title: t.what.title, from, to: t.starts }];
  });
  const wasLate = new Set(before.orders.filter((o) => o.ready > o.pickup).map((o) => o.order));
  const late = after.orders.filter((o) => o.ready > o.pickup && !wasLate.has(o.order)).map((o) => o.order);
  return { moved, late };
}

/** How far a step is dragged or stepped, in whole steps of so many minutes. */
export const step = 5;
export const inSteps = (minutes: number) => Math.round(minutes / step) * step;
