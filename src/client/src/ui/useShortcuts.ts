import { useEffect, useEffectEvent, useSyncExternalStore } from "react";

const key = "kondiba.shortcuts";
const listeners = new Set<() => void>();

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Whether single keys act; some people's voice or tremor types them by accident (WCAG 2.1.4). */
export function useShortcutsOn(): [boolean, (on: boolean) => void] {
  const on = useSyncExternalStore(subscribe, () => localStorage.getItem(key) !== "off");
  return [
    on,
    (next) => {
      localStorage.setItem(key, next ? "on" : "off");
      listeners.forEach((listener) => listener());
    },
  ];
}

/** Runs an action when its key is pressed anywhere but in a field or a dialog. */
export function useShortcuts(actions: Record<string, () => void>) {
  const [on] = useShortcutsOn();
  const press = useEffectEvent((e: KeyboardEvent) => {
    const at = e.target instanceof Element ? e.target : document.body;
    if (
      !on ||
      e.ctrlKey ||
      e.metaKey ||
      e.altKey ||
      at.closest("input, textarea, select, [role=dialog], [role=listbox]") ||
      (e.key === " " && at.closest("button, a"))
    )
      return;
    const action = actions[e.key];
    if (!action) return;
    e.preventDefault();
    action();
  });
  useEffect(() => {
    const listen = (e: KeyboardEvent) => press(e);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
}
