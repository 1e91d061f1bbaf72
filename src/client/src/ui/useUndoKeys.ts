import { useEffect, useEffectEvent } from "react";

/** Ctrl Z and Ctrl Shift Z step through what was changed, in fields too. */
export function useUndoKeys(undo: (() => void) | undefined, redo: (() => void) | undefined) {
  const press = useEffectEvent((e: KeyboardEvent) => {
    if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== "z") return;
    e.preventDefault();
    (e.shiftKey ? redo : undo)?.();
  });
  useEffect(() => {
    const listen = (e: KeyboardEvent) => press(e);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
}
