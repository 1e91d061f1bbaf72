import { useSyncExternalStore } from "react";
import { dayOutbox } from "../api/dayOutbox";
import { TextButton } from "./buttons";
import { say } from "../wording/say";

/** What a maker should know while the server is not there: what she ticked waits, or was turned away. */
export function AwayNote({ away }: { away: boolean }) {
  const { acts, standing, turned } = useSyncExternalStore(dayOutbox.hear, dayOutbox.now);
  const ticked = acts.length === 1 ? say("ui.step-you-ticked") : say("ui.steps-you-ticked", { count: acts.length });
  const waits = standing && standing !== "signedOut" && acts.length > 0;
  const why = standing === "serverError" ? say("ui.server-has-problem") : say("ui.youre-offline");
  if (!away && !waits && turned.length === 0) return null;
  return (
    <div role="status" className="border-mind bg-mind-ground mx-4 mt-3 border-l-4 px-4 py-2 sm:mx-10 print:hidden">
      {(away || waits) && (
        <p>{waits ? say("ui.saved-this-device-sent-when", { why, ticked }) : say("ui.youre-offline-this-what-was")}</p>
      )}
      {turned.length > 0 && (
        <p>
          {say("ui.not-saved", { text: [...new Set(turned.map((t) => t.why))].join(" ") })}
          <TextButton onClick={dayOutbox.dismiss}>{say("ui.dismiss")}</TextButton>
        </p>
      )}
    </div>
  );
}
