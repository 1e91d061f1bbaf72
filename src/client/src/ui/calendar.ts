import { dayOf, noon, plusDays } from "./localTime";
import { locale } from "../wording/reader";

const daysInWeek = 7;
const monthLength = 7;

/** Days since the week's first, of a day. */
function daysIntoWeek(day: string): number {
  const weekday = noon(day).getUTCDay();
  return locale.firstDay === "sunday" ? weekday : (weekday + 6) % daysInWeek;
}

/** The weeks that show the month of a day, each from the first day of the week on; days of other months fill the ends. */
export function weeksOf(day: string): string[][] {
  const first = `${day.slice(0, monthLength)}-01`;
  const start = plusDays(first, -daysIntoWeek(first));
  const weeks = [];
  for (let week = start; week.slice(0, monthLength) <= day.slice(0, monthLength); week = plusDays(week, daysInWeek))
    weeks.push(Array.from({ length: daysInWeek }, (_, i) => plusDays(week, i)));
  return weeks;
}

/** The same day of the month so many months on, or the last that there is. */
export function plusMonths(day: string, months: number): string {
  const [year = 0, month = 1, date = 1] = day.split("-").map(Number);
  const last = new Date(Date.UTC(year, month + months, 0)).getUTCDate();
  return dayOf(new Date(Date.UTC(year, month - 1 + months, Math.min(date, last))).toISOString());
}

/** The day that a key leads to; null for a key that leads nowhere. */
export function dayByKey(key: string, day: string): string | null {
  const steps: Record<string, () => string> = {
    ArrowLeft: () => plusDays(day, -1),
    ArrowRight: () => plusDays(day, 1),
    ArrowUp: () => plusDays(day, -daysInWeek),
    ArrowDown: () => plusDays(day, daysInWeek),
    Home: () => plusDays(day, -daysIntoWeek(day)),
    End: () => plusDays(day, daysInWeek - 1 - daysIntoWeek(day)),
    PageUp: () => plusMonths(day, -1),
    PageDown: () => plusMonths(day, 1),
  };
  return steps[key]?.() ?? null;
}
