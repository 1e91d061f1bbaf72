import { createContext, useCallback, useContext, useEffect, useState, type ReactNode, type RefObject } from "react";
import { useBlocker } from "react-router";
import { Sheet } from "./Sheet";
import { say } from "../wording/say";

const Forms = createContext(new Set<object>());

/** Asks before a page with a form that was changed and not saved is left, by a link, the back button or closing the tab. */
export function AskBeforeLeaving({ children }: { children: ReactNode }) {
  const [forms] = useState(() => new Set<object>());
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => forms.size > 0 && currentLocation.pathname !== nextLocation.pathname,
  );
  useEffect(() => {
    const warn = (e: BeforeUnloadEvent) => {
      if (forms.size > 0) e.preventDefault();
    };
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [forms]);
  return (
    <Forms value={forms}>
      {children}
      {blocker.state === "blocked" && (
        <Sheet open close={() => blocker.reset()} title={say("ui.leave-without-saving")}>
          <p className="mt-2">{say("ui.changes-will-be-lost")}</p>
          <p className="mt-4 flex gap-5">
            <button className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold" onClick={() => blocker.reset()}>
              {say("ui.stay")}
            </button>
            <button
              className="text-act font-semibold"
              onClick={() => {
                forms.clear();
                blocker.proceed();
              }}
            >
              {say("ui.leave")}
            </button>
          </p>
        </Sheet>
      )}
    </Forms>
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
  const forms = useContext(Forms);
  const [form] = useState({});
  const setUnsaved = useCallback(
    (unsaved: boolean) => {
      if (unsaved) forms.add(form);
      else forms.delete(form);
    },
    [forms, form],
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
