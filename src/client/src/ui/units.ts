import { useQuery } from "@tanstack/react-query";
import { sessionQuery, useOwner } from "../api/queries";
import { locale, reader } from "../wording/reader";
import { percentSign, say } from "../wording/say";
import { daysFrom, noon } from "./localTime";

const ounce = 28.349523125;
const inch = 25.4;
const fluidOunce = 29.5735295625;

/** A unit that values are typed in, of the unit that they are kept in. */
export interface TypedUnit {
  symbol: string;
  show(value: number): number;
  keep(typed: number): number;
  /** Whether the symbol stands before the figure. */
  before?: boolean;
  /** Decimals that are always written. */
  decimals?: number;
}

const times = (symbol: string, factor: number, decimals: number): TypedUnit => ({
  symbol,
  show: (value) => Number((value / factor).toFixed(decimals)),
  keep: (typed) => typed * factor,
});

/** How values are written; the server computes, this only words. */
export interface Wording {
  us: boolean;
  mass: (grams: number) => string;
  /** Figure and unit apart, for large figures. */
  massParts: (grams: number) => [figure: string, unit: string];
  pack: (grams: number) => string;
  temperature: (celsius: number) => string;
  /** The figure of it alone. */
  degrees: (celsius: number) => string;
  /** A window of temperatures, or the one that it is: 31 to 32 °C, 35 °C. */
  window: (from: number, to: number) => string;
  money: (amount: number) => string;
  /** The unit that a value kept in a unit is typed in. */
  typed: (unit: string) => TypedUnit;
  /** A working line's value, in this wording's units where it has one for them. */
  value: (value: number, unit: string) => string;
  /** A window of such values: 43 to 46 °C. */
  between: (from: number, to: number, unit: string) => string;
}

// A format takes longer to make than to use: each is made once.
const numbers = (digits: Intl.NumberFormatOptions) => new Intl.NumberFormat(reader.locale, digits);
const significant = [1, 2, 3, 4].map((most) => numbers({ maximumSignificantDigits: most }));
const [plain, oneDecimal] = [numbers({}), numbers({ minimumFractionDigits: 1, maximumFractionDigits: 1 })];
const price = numbers({ style: "currency", currency: reader.currency, currencyDisplay: "narrowSymbol" });
const priceParts = price.formatToParts(1);
const priceSign = priceParts.find((part) => part.type === "currency")?.value ?? reader.currency;
const isPriceSignBefore = priceParts[0]?.type === "currency";
const hundredths = numbers({ maximumFractionDigits: 2 });
const said = (value: number, format = plain) => format.format(value).replace("-", "−");
const trim = (value: number, digits: 1 | 2 | 3 | 4) => said(value, significant[digits - 1]);
const whole = (value: number) => said(Math.round(value));
const tenth = (value: number) => said(value, oneDecimal);

/**
 * Wording in ounces, inches and °F, or in grams, millimetres and °C. What is less than an ounce, a film or a line of drizzle is in grams
 * and millimetres for everybody: nobody weighs or measures it in tenths of an ounce or hundredths of an inch.
 */
export function wordingIn(us: boolean): Wording {
  const massParts = (g: number): [string, string] => {
    if (us && g >= 28) return g >= 1600 ? [tenth(g / ounce / 16), "lb"] : [tenth(g / ounce), "oz"];
    return g >= 10 || g < 0.05 ? [whole(g), "g"] : [trim(g, 2), "g"];
  };
  const mass = (g: number) => massParts(g).join("\u00a0");
  const degrees = (c: number) => (us ? whole(c * 1.8 + 32) : trim(c, 3));
  const temperature = (c: number) => `${degrees(c)} ${us ? "°F" : "°C"}`;
  const customary = (value: number, unit: string): [string, string] | null => {
    if (unit === "g" && value >= 28) return [trim(value / ounce, 3), "oz"];
    if (unit === "mm" && value >= 10) return [said(value / inch, hundredths), "in"];
    if (unit === "cm²") return [trim(value / inch / inch / 0.01, 3), "sq in"];
    return unit === "mL" && value >= 15 ? [trim(value / fluidOunce, 3), "fl oz"] : null;
  };
  const figure = (value: number, unit: string) => {
    if (unit === "mm") return trim(value, value < 1 ? 2 : 3);
    return trim(value, unit === "mL" || unit === "°" ? 3 : 4);
  };
  const wording: Wording = {
    us,
    mass,
    massParts,
    pack: (g) => (us ? `${whole(g / ounce)} oz` : `${whole(g)} g`),
    temperature,
    degrees,
    window: (from, to) => (from === to ? temperature(to) : wording.between(from, to, "°C")),
    money: (amount) => price.format(amount),
    typed: (unit) => {
      if (unit === "money") return { ...times(priceSign, 1, 4), before: isPriceSignBefore, decimals: 2 };
      if (unit === "fineMm") return times("mm", 1, 4);
      if (us && unit === "g") return times("oz", ounce, 2);
      if (us && unit === "mm") return times("in", inch, 2);
      if (us && unit === "mL") return times("fl oz", fluidOunce, 2);
      if (us && unit === "°C")
        return { symbol: "°F", show: (c) => Number((c * 1.8 + 32).toFixed(1)), keep: (f) => (f - 32) / 1.8 };
      return times(unit, 1, 4);
    },
    value: (value, unit) => {
      if (unit === "°C") return temperature(value);
      if (unit === "fineMm") return wordingIn(false).value(value, "mm");
      const [said, symbol] = (us && customary(value, unit)) || [figure(value, unit), unit];
      return symbol === "°" ? `${said}°` : `${said} ${symbol}`.trim();
    },
    between: (from, to, unit) =>
      say("ui.text-to-to", { text: wording.value(from, unit).split(/\s/)[0] ?? "", to: wording.value(to, unit) }),
  };
  return wording;
}

export function useWording(): Wording {
  const wording = wordingIn(useQuery(sessionQuery).data?.reader.units === "us");
  return useOwner() ? wording : { ...wording, money: () => "—" };
}

/** A span as a maker says it: 45 s, 8 min, 1 h 20 min. */
export function span(seconds: number): string {
  if (seconds < 90) return say("ui.s", { seconds: Math.round(seconds / 5) * 5 });
  const minutes = Math.round(seconds / 60);
  if (minutes < 60) return say("ui.min", { minutes });
  if (minutes % 60 === 0) return say("ui.hours", { hours: minutes / 60 });
  return say("ui.hours-minutes", { hours: Math.floor(minutes / 60), minutes: minutes % 60 });
}

/** A number as it is typed, with the reader's decimal sign and nothing between thousands. */
export const numberTyped = (value: number, decimals?: number) =>
  (decimals === undefined ? String(value) : value.toFixed(decimals)).replace(".", locale.decimal);

/** "pack" or "packs". */
export function packs(count: number): string {
  return say("ui.packs", { count });
}

const fractions: Record<number, string> = { 0: "", 0.25: "¼", 0.5: "½", 0.75: "¾" };

/** Spoons as a maker says them: 2½ tbsp. */
export function tablespoons(spoons: number): string {
  const whole = Math.floor(spoons);
  return say("ui.tbsp", { whole: whole || "", fractions: fractions[spoons - whole] ?? "" });
}

const depths: [share: number, name: string][] = [
  [1, say("ui.whole")],
  [0.75, say("ui.three-quarters")],
  [0.66, say("ui.two-thirds")],
  [0.5, say("ui.half")],
  [0.33, say("ui.top-third")],
  [0, say("ui.not-dipped")],
];

/** Dip depths that have a name. */
export const namedDepths = depths.map(([share]) => share);

export function depthName(share: number): string {
  return depths.find(([d]) => Math.abs(d - share) < 0.005)?.[1] ?? `${trim(share * 100, 3)}${percentSign}`;
}

const onCalendar = { day: "numeric", timeZone: "UTC" } as const;
// Days are named in the language of the page, in the order of its reader's place.
const calendar = locale.monthFirst ? "en-US" : "en-GB";
export const dates = (parts: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(calendar, parts);
const moment = dates({
  day: "numeric",
  month: "short",
  year: "numeric",
  hour: "numeric",
  minute: "2-digit",
  hour12: locale.hours === 12,
});
/** A moment as the reader's own clock has it. */
export const momentName = (instant: string) => moment.format(new Date(instant));
const day = dates({ ...onCalendar, weekday: "short", month: "short" });
const longDay = dates({ ...onCalendar, weekday: "long", month: "long" });
const shortDay = dates({ ...onCalendar, month: "short" });
export const dayName = (local: string) => day.format(noon(local));
/** Without the day of the week. */
export const shortDayName = (local: string) => shortDay.format(noon(local));
export const longDayName = (local: string) => longDay.format(noon(local));
/** The time of day, "18:30" or "6:30 PM", of a local time or of a time alone. */
export function clock(local: string): string {
  const time = (local.includes("T") ? local.slice(local.indexOf("T") + 1) : local).slice(0, 5);
  const hours = Number(time.slice(0, 2));
  return locale.hours === 24 ? time : `${hours % 12 || 12}${time.slice(2)} ${hours < 12 ? "AM" : "PM"}`;
}

/** A pickup in words: "Saturday 28 November, in 5 days". */
export function pickupWords(pickup: string, now: string | undefined): string {
  if (!now) return longDayName(pickup);
  const days = daysFrom(now, pickup);
  const when =
    days === 0
      ? say("ui.today")
      : days === 1
        ? say("ui.tomorrow")
        : days < 0
          ? say("ui.days-ago", { days: -days })
          : say("ui.days", { days });
  return `${longDayName(pickup)}, ${when}`;
}

/** An amount of a ware in its unit: 340 g, 24, 1.2 m, 30 drops. */
export function amountIn(wording: Wording, amount: number, unit: "g" | "pieces" | "drops" | "m"): string {
  if (unit === "g") return amount >= 10 ? wording.mass(amount) : wording.value(amount, "g");
  const figure = plain.format(Number(amount.toFixed(unit === "m" ? 1 : 0)));
  return unit === "pieces" ? figure : `${figure}\u00a0${unit}`;
}

const often: Record<string, string> = {
  "0.75": say("ui.3-times-4"),
  "0.9": say("ui.9-times-10"),
  "0.95": say("ui.19-times-20"),
  "0.99": say("ui.99-times-100"),
};

/** A share of all times as one says it. */
export const oftenWords = (share: number) => often[String(share)] ?? say("ui.time", { trim: trim(share * 100, 3) });

/** What a learned value rests on. */
export const batchesWords = (batches: number) => {
  if (batches === 0) return say("ui.going-by-your-other-pieces");
  return batches === 1 ? say("ui.from-batch-yours") : say("ui.from-batches-yours", { batches });
};
