import type { HandbookSection } from "../../api/client";
import { hasAll } from "../../ui/hasAll";
import { say } from "../../wording/say";

export const sectionNames: Record<string, string> = {
  words: say("ui.words"),
  centres: say("ui.centres"),
  coatings: say("ui.coatings"),
  thinners: say("handbook.thinners"),
  ways: say("handbook.ways-dipping"),
  decoration: say("handbook.decoration"),
  places: say("handbook.where-sets"),
  steps: say("handbook.steps-why"),
  methods: say("ui.your-methods"),
  troubles: say("ui.what-went-wrong"),
  keeping: say("handbook.how-long-keeps"),
  safety: say("handbook.safety"),
  rules: say("handbook.rules"),
  sources: say("handbook.sources"),
};

/** What of the handbook has all the words that are looked for, wherever in an entry; all of it where none is. */
export function found(book: HandbookSection[], find: string): HandbookSection[] {
  const sought = hasAll(find);
  return book
    .map((section) => ({
      ...section,
      entries: section.entries.filter((entry) =>
        sought(
          [
            sectionNames[section.code] ?? "",
            entry.title,
            ...entry.text,
            ...entry.facts.map((f) => f.what),
            entry.source?.text ?? "",
          ].join(" "),
        ),
      ),
    }))
    .filter((section) => section.entries.length > 0);
}
