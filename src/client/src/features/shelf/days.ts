import { noon } from "../../ui/units";

/** The day so many days on, as 2031-05-03. */
export function addDays(day: string, days: number): string {
  const date = noon(day);
  date.setUTCDate(date.getUTCDate() + days);
  return date.toISOString().slice(0, 10);
}
