import type { Problem } from "../api/client";

/** What is wrong, in words, by field within a part of the input; the first of a field wins. */
export function notesOf(problems: Problem[], within = ""): Record<string, string> {
  const notes: Record<string, string> = {};
  for (const p of problems)
    if (p.field.startsWith(within)) notes[p.field.slice(within.length)] ??= `${p.reason} ${p.remedy}`;
  return notes;
}
