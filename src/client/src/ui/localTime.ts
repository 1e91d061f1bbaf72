// A time as the kitchen's clock shows it, "2031-05-03T10:00:00", and a day, "2031-05-03", are the same wherever they are read: they are
// reckoned with as if they were of Greenwich, and never go through the reader's own midnight.

const minute = 60_000;
const day = 24 * 60 * minute;
const at = (local: string) => Date.parse(`${local}Z`);
/** The day of a local time. */
export const dayOf = (local: string) => local.slice(0, 10);

/** Noon of a day, to name it by. */
export const noon = (local: string) => new Date(`${dayOf(local)}T12:00:00Z`);

/** Minutes from one local time to another. */
export const minutesFrom = (from: string, to: string) => (at(to) - at(from)) / minute;

/** A local time so many minutes on. */
export const plusMinutes = (local: string, minutes: number) =>
  new Date(at(local) + minutes * minute).toISOString().slice(0, 19);

/** Days from one day to another. */
export const daysFrom = (from: string, to: string) => (noon(to).getTime() - noon(from).getTime()) / day;

/** The day so many days on. */
export const plusDays = (local: string, days: number) =>
  dayOf(new Date(noon(local).getTime() + days * day).toISOString());
