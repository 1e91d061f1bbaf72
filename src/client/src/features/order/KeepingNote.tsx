import type { Desk } from "./Slip";

/** Where the order stands: kept, on its way, or why not. */
export function KeepingNote({ desk }: { desk: Desk }) {
  switch (desk.keeping) {
    case "kept":
      return <Note className="text-go">saved</Note>;
    case "keeping":
      return <Note className="text-ink2">saving …</Note>;
    case "wrong":
      return <Note className="text-mind">not saved yet: put right what is marked</Note>;
    case "signedOut":
      return <Note className="text-mind">you are signed out; kept in this browser, saved when you sign in</Note>;
    case "serverError":
      return <Note className="text-mind">the server has a fault; kept in this browser, saved again shortly</Note>;
    case "away":
      return <Note className="text-mind">the server is away; kept in this browser, saved as soon as it is back</Note>;
    case "gone":
      return <Note className="text-mind">this order was removed from the shelf; nothing more is saved</Note>;
    case "conflict":
      return (
        <div role="alert" className="border-mind bg-mind-ground mt-1 border-l-4 p-3 text-[15px]">
          <p className="font-semibold">Changed somewhere else meanwhile.</p>
          <p className="mt-1 flex gap-4">
            <button className="text-act font-bold" onClick={() => void desk.takeTheirs()}>
              Take that one
            </button>
            <button className="text-act font-bold" onClick={() => void desk.keepMine()}>
              Keep this one
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
