import type { SafetyNote } from "../api/client";
import { SourceTag } from "./SourceTag";
import { say } from "../wording/say";

/** What to mind so that nobody comes to harm: short, with where it comes from. */
export function SafetyNotes({ notes }: { notes: readonly SafetyNote[] }) {
  return notes.map((note) => (
    <p key={note.code} role="note" className="border-mind mt-1.5 border-l-4 pl-3 text-[15px] leading-snug">
      <b>{say("ui.watch-out")}</b> {note.text} <SourceTag source={note.source} />
    </p>
  ));
}
