import type { Desk } from "./Slip";
import { say } from "../../wording/say";

/** Where the order stands: kept, on its way, or why not. */
export function KeepingNote({ desk }: { desk: Desk }) {
  switch (desk.keeping) {
    case "kept":
      return <Note className="text-go">{say("ui.saved")}</Note>;
    case "keeping":
      return <Note className="text-ink2">{say("order.saving")}</Note>;
    case "wrong":
      return <Note className="text-mind">{say("order.not-saved-fix-highlighted-fields")}</Note>;
    case "signedOut":
      return <Note className="text-mind">{say("order.signed-out-saved-this-device")}</Note>;
    case "serverError":
      return <Note className="text-mind">{say("order.server-has-problem-saved-this")}</Note>;
    case "away":
      return <Note className="text-mind">{say("order.offline-saved-this-device")}</Note>;
    case "gone":
      return <Note className="text-mind">{say("order.this-order-was-deleted-nothing")}</Note>;
    case "conflict":
      return (
        <div role="alert" className="border-mind bg-mind-ground mt-1 border-l-4 p-3 text-[15px]">
          <p className="font-semibold">{say("order.someone-else-changed-this-order")}</p>
          <p className="mt-1 flex gap-4">
            <button className="text-act font-bold" onClick={() => void desk.takeTheirs()}>
              {say("order.use-theirs")}
            </button>
            <button className="text-act font-bold" onClick={() => void desk.keepMine()}>
              {say("order.keep-mine")}
            </button>
          </p>
        </div>
      );
  }
}

function Note({ className, children }: { className: string; children: React.ReactNode }) {
  return (
    <p role="status" data-testid="keeping" className={`font-semibold ${className}`}>
      {children}
    </p>
  );
}
