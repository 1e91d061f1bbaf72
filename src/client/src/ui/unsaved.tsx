import { useCallback, useEffect, useState, type ReactNode, type RefObject } from "react";
import { unsaved, useLeaving } from "./leaving";
import { Sheet } from "./Sheet";
import { say } from "../wording/say";

/** Asks before a page with a form that was changed and not saved is left, by a link, the back button or closing the tab. */
export function AskBeforeLeaving({ children }: { children: ReactNode }) {
  const leaving = useLeaving();
  useEffect(() => {
    const warn = (e: BeforeUnloadEvent) => {
      if (unsaved.size > 0) e.preventDefault();
    };
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, []);
  return (
    <>
      {children}
      {leaving && (
        <Sheet open close={leaving.stay} title={say("ui.leave-without-saving")}>
          <p className="mt-2">{say("ui.changes-will-be-lost")}</p>
          <p className="mt-4 flex gap-5">
            <button className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold" onClick={leaving.stay}>
              {say("ui.stay")}
            </button>
            <button className="text-act font-semibold" onClick={leaving.proceed}>
              {say("ui.leave")}
            </button>
          </p>
        </Sheet>
      )}
    </>
  );
}

/** Tells the form around something drawn by us that it was changed, as a field that is typed into does by itself. */
export function tellForm(inside: HTMLInputElement | HTMLButtonElement | null) {
  inside?.form?.dispatchEvent(new Event("input"));
}

/**
 * Remembers that the form around an element was changed; returns what tells otherwise: that it is sent or cancelled, or was not taken. A
 * form that is closed is forgotten by itself.
 */
export function useUnsaved(inside: RefObject<HTMLElement | null>): (unsaved: boolean) => void {
  const [form] = useState({});
  const setUnsaved = useCallback(
    (is: boolean) => {
      if (is) unsaved.add(form);
      else unsaved.delete(form);
    },
    [form],
  );
  useEffect(() => {
    const element = inside.current?.closest("form");
    const mark = () => setUnsaved(true);
    element?.addEventListener("input", mark);
    return () => {
      element?.removeEventListener("input", mark);
      setUnsaved(false);
    };
  }, [setUnsaved, inside]);
  return setUnsaved;
}
