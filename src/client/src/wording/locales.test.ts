import { describe, expect, it } from "vitest";
import currencies from "../../../Kondiba.Core/Wording/currencies.json";
import locales from "../../../Kondiba.Core/Wording/locales.json";

const oneGap = (text: string) => text.replace(/\s/g, " ");

/** What the server writes by its tables is what a browser writes by the Unicode CLDR. */
describe.each(locales)("$code", (locale) => {
  it("writes numbers and shares", () => {
    const parts = new Intl.NumberFormat(locale.code).formatToParts(12345.6);
    expect(oneGap(locale.decimal)).toBe(oneGap(parts.find((p) => p.type === "decimal")?.value ?? ""));
    expect(oneGap(locale.group)).toBe(oneGap(parts.find((p) => p.type === "group")?.value ?? ""));
    expect(locale.percent).toBe(oneGap(new Intl.NumberFormat(locale.code, { style: "percent" }).format(0.01)));
  });

  it("writes money", () => {
    const euro = new Intl.NumberFormat(locale.code, {
      style: "currency",
      currency: "EUR",
      currencyDisplay: "narrowSymbol",
    }).format(1);
    expect(locale.money.replace("$", "€")).toBe(oneGap(euro).replace(/[.,]00/, ""));
  });

  it("says the time and the day", () => {
    const hours = new Intl.DateTimeFormat(locale.code, { hour: "numeric" }).resolvedOptions().hourCycle;
    expect(locale.hours).toBe(hours === "h12" ? 12 : 24);
    const day = new Intl.DateTimeFormat(locale.code, { day: "numeric", month: "long" }).formatToParts(0);
    expect(locale.monthFirst).toBe(day.find((p) => p.type !== "literal")?.type === "month");
  });

  it("begins the week", () => {
    const place = new Intl.Locale(locale.code) as Intl.Locale & { weekInfo?: { firstDay: number } };
    expect(locale.firstDay).toBe(place.weekInfo?.firstDay === 7 ? "sunday" : "monday");
  });
});

it.each(currencies)("$code has its sign and two decimals", ({ code, sign }) => {
  const money = new Intl.NumberFormat("en-GB", { style: "currency", currency: code, currencyDisplay: "narrowSymbol" });
  expect(money.formatToParts(1).find((p) => p.type === "currency")?.value).toBe(sign);
  expect(money.resolvedOptions().maximumFractionDigits).toBe(2);
});
