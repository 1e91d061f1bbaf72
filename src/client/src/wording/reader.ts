import locales from "../../../Kondiba.Core/Wording/locales.json";

/** How whoever looks at the page is written to. */
export interface Reader {
  language: "British" | "American";
  locale: string;
  currency: string;
}

const key = "kondiba.reader";
const usual: Reader = { language: "British", locale: "en-GB", currency: "EUR" };

function stored(): Reader {
  try {
    return { ...usual, ...(JSON.parse(localStorage.getItem(key) ?? "{}") as Partial<Reader>) };
  } catch {
    return usual;
  }
}

/** Whom this page is written for, from first to last: what is made once, a name or a format, never changes under it. */
export const reader = stored();

/** How they write numbers, dates and times. */
export const locale = locales.find((l) => l.code === reader.locale) ?? (locales as [(typeof locales)[number]])[0];

/** Has the page written for somebody else: it is loaded anew if it was not for them already. */
export function writeFor({ language, locale, currency }: Reader) {
  const next = JSON.stringify({ language, locale, currency });
  if (next === JSON.stringify({ language: reader.language, locale: reader.locale, currency: reader.currency })) return;
  try {
    localStorage.setItem(key, next);
  } catch {
    return;
  }
  if (localStorage.getItem(key) === next) window.location.reload();
}
