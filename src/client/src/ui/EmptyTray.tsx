import type { ReactNode } from "react";

/** A tray with nothing on it yet, and what to do about that. */
export function EmptyTray({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="rounded-tray border-rim bg-parchment text-parchment-ink2 grid min-h-72 place-content-center border-8 p-6 text-center">
      <p className="text-parchment-ink font-serif text-xl">{title}</p>
      <p className="mt-1 max-w-sm">{children}</p>
    </div>
  );
}
