import { expect, test } from "vitest";
import { dayByKey, plusMonths, weeksOf } from "./calendar";

test("a month is shown in whole weeks, from the kitchen’s first day of the week on", () => {
  for (let month = 1; month <= 24; month++) {
    const day = plusMonths("2026-01-15", month);
    const days = weeksOf(day).flat();
    expect(days.length % 7).toBe(0);
    expect(new Date(`${days[0]}T12:00:00Z`).getUTCDay()).toBe(1);
    expect(new Set(days).size).toBe(days.length);
    const inMonth = days.filter((d) => d.startsWith(day.slice(0, 7)));
    const [year = 0, number = 0] = day.split("-").map(Number);
    expect(inMonth).toHaveLength(new Date(Date.UTC(year, number, 0)).getUTCDate());
    expect(days.indexOf(inMonth[0] ?? "")).toBeLessThan(7);
  }
});

test("a month on from the 31st is its last day", () => {
  expect(plusMonths("2026-01-31", 1)).toBe("2026-02-28");
  expect(plusMonths("2028-01-31", 1)).toBe("2028-02-29");
  expect(plusMonths("2026-12-05", 1)).toBe("2027-01-05");
  expect(plusMonths("2026-01-05", -1)).toBe("2025-12-05");
});

test("keys lead through the month and beyond", () => {
  expect(dayByKey("ArrowLeft", "2026-12-01")).toBe("2026-11-30");
  expect(dayByKey("ArrowDown", "2026-12-28")).toBe("2027-01-04");
  expect(dayByKey("Home", "2026-12-06")).toBe("2026-11-30");
  expect(dayByKey("End", "2026-11-30")).toBe("2026-12-06");
  expect(dayByKey("PageDown", "2026-12-06")).toBe("2027-01-06");
  expect(dayByKey("a", "2026-12-06")).toBeNull();
});
