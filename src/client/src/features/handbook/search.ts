import type { HandbookSection } from "../../api/client";

export const sectionNames: Record<string, string> = {
  words: "Words",
  centres: "Centres",
  coatings: "Coatings",
  thinners: "Thinners",
  ways: "Ways of dipping",
  decoration: "Decoration",
  places: "Where it sets",
  steps: "Steps and why",
  methods: "Where makers differ",
  troubles: "What went wrong",
  keeping: "How long it keeps",
  safety: "Safety",
  rules: "Rules",
  sources: "Sources",
};

/** What of the handbook has all the words that are looked for, wherever in an entry; all of it where none is. */
export function found(book: HandbookSection[], find: string): HandbookSection[] {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  return book
    .map((section) => ({
      ...section,
      entries: section.entries.filter((entry) => {
        const said = [
          sectionNames[section.code] ?? "",
          entry.title,
          ...entry.text,
          ...entry.facts.map((f) => f.what),
          entry.source?.text ?? "",
        ]
          .join(" ")
          .toLowerCase();
        return words.every((word) => said.includes(word));
      }),
    }))
    .filter((section) => section.entries.length > 0);
}
