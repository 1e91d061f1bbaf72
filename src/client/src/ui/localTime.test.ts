import fc from "fast-check";
import { afterEach, describe, expect, test, vi } from "vitest";
import { daysFrom, minutesFrom, plusDays, plusMinutes } from "./localTime";

afterEach(() => {
  vi.unstubAllEnvs();
});

const between = { min: new Date("2026-01-01T00:00:00Z"), max: new Date("2036-01-01T00:00:00Z"), noInvalidDate: true };
const local = fc.date(between).map((date) => date.toISOString().slice(0, 19));

// Clocks go on and back in all three, the date line lies beyond one of them.
describe.each(["America/Los_Angeles", "Europe/Lisbon", "Pacific/Apia"])("in %s", (zone) => {
  test("what is added is what lies between, in minutes and in days, over every change of the clocks", () => {
    vi.stubEnv("TZ", zone);
    fc.assert(
      fc.property(
        local,
        fc.integer({ min: -500_000, max: 500_000 }),
        fc.integer({ min: -400, max: 400 }),
        (at, m, d) => {
          expect(minutesFrom(at, plusMinutes(at, m))).toBe(m);
          expect(daysFrom(at, plusDays(at, d))).toBe(d);
          expect(plusDays(plusDays(at, d), -d)).toBe(at.slice(0, 10));
          expect(plusMinutes(at, d * 24 * 60)).toBe(`${plusDays(at, d)}${at.slice(10)}`);
        },
      ),
    );
  });
});

test("a leap day comes when it comes", () => {
  expect(plusDays("2028-02-28", 1)).toBe("2028-02-29");
  expect(plusDays("2027-02-28T23:59:00", 1)).toBe("2027-03-01");
  expect(minutesFrom("2028-02-28T23:30:00", "2028-03-01T00:30:00")).toBe(25 * 60);
});
