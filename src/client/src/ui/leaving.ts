import { useCallback, useEffect, useState } from "react";
import { useBrowserLocation } from "wouter/use-browser-location";

/** Forms that were changed and not saved. */
export const unsaved = new Set<object>();

let ask: (leave: () => void) => void = (leave) => leave();
let shown = { path: location.pathname, entry: entryOfHistory() };

/** Which entry of the browser's history is open; null in a browser that does not tell. */
function entryOfHistory() {
  return (window as { navigation?: { currentEntry?: { index: number } } }).navigation?.currentEntry?.index ?? null;
}

const leaves = (path: string) => unsaved.size > 0 && path !== shown.path;

// The browser has gone back already when it tells; it is sent to where it was, and asked once more if the maker wants to leave.
window.addEventListener(
  "popstate",
  (e) => {
    const entry = entryOfHistory();
    if (leaves(location.pathname)) {
      e.stopImmediatePropagation();
      const by = entry !== null && shown.entry !== null ? entry - shown.entry : -1;
      history.go(-by);
      ask(() => history.go(by));
      return;
    }
    shown = { path: location.pathname, entry };
  },
  { capture: true },
);

/** The address of the page that is open, and how to go to another, which asks first where a form would be lost. */
export function useAddress(): ReturnType<typeof useBrowserLocation> {
  const [path, go] = useBrowserLocation();
  const navigate = useCallback<typeof go>(
    (to, options) => {
      const leave = () => {
        go(to, options);
        shown = { path: location.pathname, entry: entryOfHistory() };
      };
      if (leaves(new URL(to, location.href).pathname)) ask(leave);
      else leave();
    },
    [go],
  );
  return [path, navigate];
}

/** What to do about a page that was to be left with something unsaved on it; null as long as nobody wants to. */
export function useLeaving() {
  const [leave, setLeave] = useState<(() => void) | null>(null);
  useEffect(() => {
    ask = (go) => setLeave(() => go);
  }, []);
  const stay = () => setLeave(null);
  const proceed = () => {
    unsaved.clear();
    setLeave(null);
    leave?.();
  };
  return leave && { stay, proceed };
}
