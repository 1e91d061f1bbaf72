import { useKitchen, useOwner } from "../api/queries";
import { daysFrom, noon } from "./localTime";

const ounce = 28.349523125;
const inch = 25.4;

/** A unit that values are typed in, of the unit that they are kept in. */
export interface TypedUnit {
  symbol: string;
  show(value: number): number;
  keep(typed: number): number;
}

const times = (symbol: string, factor: number): TypedUnit => ({
  symbol,
  show: (value) => Number((value / factor).toPrecision(4)),
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
const numbers = (digits: Intl.NumberFormatOptions) => new Intl.NumberFormat("en", digits);
const significant = [1, 2, 3, 4].map((most) => numbers({ maximumSignificantDigits: most }));
const [plain, oneDecimal] = [numbers({}), numbers({ minimumFractionDigits: 1, maximumFractionDigits: 1 })];
const cents = numbers({ minimumFractionDigits: 2, maximumFractionDigits: 2 });
const said = (value: number, format = plain) => format.format(value).replace("-", "−");
const trim = (value: number, digits: 1 | 2 | 3 | 4) => said(value, significant[digits - 1]);
const whole = (value: number) => said(Math.round(value));
const tenth = (value: number) => said(value, oneDecimal);

export function wordingIn(us: boolean): Wording {
  const massParts = (g: number): [string, string] => {
    if (us) return g >= 1600 ? [tenth(g / ounce / 16), "lb"] : [tenth(g / ounce), "oz"];
    return g >= 10 || g < 0.05 ? [whole(g), "g"] : [trim(g, 2), "g"];
  };
  const mass = (g: number) => massParts(g).join("\u00a0");
  const degrees = (c: number) => (us ? whole(c * 1.8 + 32) : trim(c, 3));
  const temperature = (c: number) => `${degrees(c)} ${us ? "°F" : "°C"}`;
  const wording: Wording = {
    us,
    mass,
    massParts,
    pack: (g) => (us ? `${whole(g / ounce)} oz` : `${whole(g)} g`),
    temperature,
    degrees,
    window: (from, to) => (from === to ? temperature(to) : wording.between(from, to, "°C")),
    money: (amount) => `€ ${cents.format(amount)}`,
    typed: (unit) => {
      if (us && unit === "g") return times("oz", ounce);
      if (us && unit === "mm") return times("in", inch);
      if (us && unit === "mL") return times("fl oz", 29.5735295625);
      if (us && unit === "°C")
        return {
          symbol: "°F",
          show: (c) => Number((c * 1.8 + 32).toPrecision(4)),
          keep: (f) => (f - 32) / 1.8,
        };
      return times(unit, 1);
    },
    value: (value, unit) => {
      if (unit === "g") return us ? `${trim(value / ounce, 3)} oz` : `${trim(value, 4)} g`;
      if (unit === "mm") return us ? `${trim(value / inch, 3)} in` : `${trim(value, value < 1 ? 2 : 3)} mm`;
      if (unit === "cm²") return us ? `${trim(value / inch / inch / 0.01, 3)} sq in` : `${trim(value, 4)} cm²`;
      if (unit === "mL") return us ? `${trim(value / 29.5735295625, 3)} fl oz` : `${trim(value, 3)} mL`;
      if (unit === "°C") return temperature(value);
      if (unit === "°") return `${trim(value, 3)}°`;
      return `${trim(value, 4)} ${unit}`.trim();
    },
    between: (from, to, unit) => `${wording.value(from, unit).split(/\s/)[0] ?? ""} to ${wording.value(to, unit)}`,
  };
  return wording;
}

export function useWording(): Wording {
  const wording = wordingIn(useKitchen().data?.units === "us");
  return useOwner() ? wording : { ...wording, money: () => "—" };
}

/** A span as a maker says it: 45 s, 8 min, 1 h 20. */
export function span(seconds: number): string {
  if (seconds < 90) return `${Math.round(seconds / 5) * 5} s`;
  const minutes = Math.round(seconds / 60);
  if (minutes < 60) return `${minutes} min`;
  return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, "0")}`;
}

/** "pack" or "packs". */
export function packs(count: number): string {
  return `${count} ${count === 1 ? "pack" : "packs"}`;
}

const fractions: Record<number, string> = { 0: "", 0.25: "¼", 0.5: "½", 0.75: "¾" };

/** Spoons as a maker says them: 2½ tbsp. */
export function tablespoons(spoons: number): string {
  const whole = Math.floor(spoons);
  return `${whole || ""}${fractions[spoons - whole] ?? ""}\u00a0tbsp`;
}

const depths: [share: number, name: string][] = [
  [1, "whole"],
  [0.75, "three quarters"],
  [0.66, "two thirds"],
  [0.5, "half"],
  [0.33, "top third"],
  [0, "not dipped"],
];

/** Dip depths that have a name. */
export const namedDepths = depths.map(([share]) => share);

export function depthName(share: number): string {
  return depths.find(([d]) => Math.abs(d - share) < 0.005)?.[1] ?? `${trim(share * 100, 3)} %`;
}

const onCalendar = { day: "numeric", timeZone: "UTC" } as const;
const day = new Intl.DateTimeFormat("en-GB", { ...onCalendar, weekday: "short", month: "short" });
const longDay = new Intl.DateTimeFormat("en-GB", { ...onCalendar, weekday: "long", month: "long" });
const shortDay = new Intl.DateTimeFormat("en-GB", { ...onCalendar, month: "short" });
export const dayName = (local: string) => day.format(noon(local));
/** Without the day of the week. */
export const shortDayName = (local: string) => shortDay.format(noon(local));
export const longDayName = (local: string) => longDay.format(noon(local));
export const clock = (local: string) => local.slice(11, 16);

/** A pickup in words: "Saturday 28 November, in 5 days". */
export function pickupWords(pickup: string, now: string | undefined): string {
  if (!now) return longDayName(pickup);
  const days = daysFrom(now, pickup);
  const when = days === 0 ? "today" : days === 1 ? "tomorrow" : days < 0 ? `${-days} days ago` : `in ${days} days`;
  return `${longDayName(pickup)}, ${when}`;
}

/** An amount of a ware in its unit: 340 g, 24, 1.2 m, 30 drops. */
export function amountIn(wording: Wording, amount: number, unit: "g" | "pieces" | "drops" | "m"): string {
  if (unit === "g") return amount >= 10 ? wording.mass(amount) : wording.value(amount, "g");
  const figure = plain.format(Number(amount.toFixed(unit === "m" ? 1 : 0)));
  return unit === "pieces" ? figure : `${figure}\u00a0${unit}`;
}

const often: Record<string, string> = {
  "0.75": "3 times in 4",
  "0.9": "9 times in 10",
  "0.95": "19 times in 20",
  "0.99": "99 times in 100",
};

/** A share of all times as one says it. */
export const oftenWords = (share: number) => often[String(share)] ?? `${trim(share * 100, 3)} % of the time`;

/** What a learned value rests on. */
export const batchesWords = (batches: number) => {
  if (batches === 0) return "going by your other pieces";
  return batches === 1 ? "from a batch of yours" : `from ${batches} batches of yours`;
};
