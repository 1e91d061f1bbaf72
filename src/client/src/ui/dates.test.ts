import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";

afterEach(() => {
  vi.unstubAllEnvs();
});

// A day of the calendar is the same day for whoever reads it, west or east of Greenwich or beyond the date line.
describe.each([
  ["America/Los_Angeles", 480],
  ["Europe/Lisbon", 0],
  ["Pacific/Kiritimati", -840],
])("in %s", (zone, behind) => {
  let units: typeof import("./units");

  beforeEach(async () => {
    vi.stubEnv("TZ", zone);
    vi.resetModules();
    units = await import("./units");
    expect(new Date("2026-11-28T12:00").getTimezoneOffset()).toBe(behind);
  });

  test("a day has its own name", () => {
    expect(units.dayName("2026-11-28")).toBe("Sat 28 Nov");
    expect(units.longDayName("2026-11-28")).toBe("Saturday 28 November");
    expect(units.longDayName("2026-11-28T00:15:00")).toBe("Saturday 28 November");
    expect(units.longDayName("2026-11-28T23:45:00")).toBe("Saturday 28 November");
  });

  test("a pickup is so many days away", () => {
    expect(units.pickupWords("2026-12-03T00:30:00", "2026-11-28T23:30:00")).toBe("Thursday 3 December, in 5 days");
    expect(units.pickupWords("2026-11-28T23:30:00", "2026-11-28T00:30:00")).toBe("Saturday 28 November, today");
  });
});
