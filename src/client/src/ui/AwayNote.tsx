import { useSyncExternalStore } from "react";
import { dayOutbox } from "../api/dayOutbox";
import { TextButton } from "./buttons";

/** What a maker should know while the server is not there: what she ticked waits, or was turned away. */
export function AwayNote({ away }: { away: boolean }) {
  const { acts, standing, turned } = useSyncExternalStore(dayOutbox.hear, dayOutbox.now);
  const ticked = acts.length === 1 ? "The step you ticked is" : `The ${acts.length} steps you ticked are`;
  const waits = standing && standing !== "signedOut" && acts.length > 0;
  const why = standing === "serverError" ? "The server has a fault." : "The server is away.";
  if (!away && !waits && turned.length === 0) return null;
  return (
    <div role="status" className="border-mind bg-mind-ground mx-4 mt-3 border-l-4 px-4 py-2 sm:mx-10 print:hidden">
      {(away || waits) && (
        <p>
          {waits
            ? `${why} ${ticked} kept in this browser and sent as soon as it answers.`
            : "The server is away. You see what it said last."}
        </p>
      )}
      {turned.length > 0 && (
        <p>
          {`Not taken down: ${[...new Set(turned.map((t) => t.why))].join(" ")} `}
          <TextButton onClick={dayOutbox.dismiss}>Dismiss</TextButton>
        </p>
      )}
    </div>
  );
}
