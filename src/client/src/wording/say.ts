import american from "../../../Kondiba.Core/Wording/en-US.json";
import type british from "./en-GB.json";
import { locale, reader } from "./reader";

export type Key = keyof typeof british;
export type Arguments = Record<string, string | number | null | undefined>;

const count = new Intl.NumberFormat(reader.locale);
const hole = /\{(\w+)(?:\|([^|}]*)\|([^|}]*))?\}/g;
const words: Record<string, string> = american.words;
const britishWords = new RegExp(
  `\\{\\w+|\\b(${Object.keys(words)
    .sort((a, b) => b.length - a.length)
    .join("|")})\\b`,
  "gi",
);
/** The per cent sign, with the gap before it that the reader's place leaves. */
export const percentSign = locale.percent.length > 2 ? "\u00a0%" : "%";

const lists = (type: "conjunction" | "disjunction") =>
  new Intl.ListFormat(reader.language === "American" ? "en-US" : "en-GB", { type });
const [all, any] = [lists("conjunction"), lists("disjunction")];

/** Names as one says them: "dark, white and plum". */
export const listed = (names: string[]) => all.format(names);

/** Names of which one will do: "dark or white". */
export const listedOr = (names: string[]) => any.format(names);

/** A text in the spelling of whoever reads it; what is put into it keeps its own. */
export function spelt(text: string): string {
  if (reader.language === "British") return text;
  return text.replace(britishWords, (word) => {
    const other = words[word.toLowerCase()] ?? word;
    return /^[A-Z]/.test(word) ? other.charAt(0).toUpperCase() + other.slice(1) : other;
  });
}

/**
 * A sentence of the catalogue, by its key, in whose place the build has put the sentence itself. In its braces is what is put in: "{name}"
 * as it is, "{count|piece|pieces}" a word for one or for several.
 */
export function say(sentence: Key, put: Arguments = {}): string {
  return spelt(sentence)
    .replace(hole, (_, name: string, one?: string, several?: string) => {
      const value = put[name];
      if (one !== undefined && several !== undefined) return value === 1 ? one : several;
      return typeof value === "number" ? count.format(value) : (value ?? "");
    })
    .replace(/(?<=\d)%/g, percentSign);
}

/** A name as it begins a line. */
export const capital = (name: string) => name.charAt(0).toUpperCase() + name.slice(1);
