import { X } from "lucide-react";
import type { ReactNode } from "react";

/** A part of a look's design, named on its left. */
export function Row({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section className="border-line grid gap-x-6 gap-y-1 border-t border-dashed py-4 first:border-t-0 first:pt-0 sm:grid-cols-[7rem_1fr]">
      <h2 className="font-serif text-xl">{name}</h2>
      <div className="min-w-0 space-y-2.5">{children}</div>
    </section>
  );
}

export function RemoveButton({ label, onClick }: { label: string; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={label}
      className="text-ink2 hover:text-act shrink-0 p-1 opacity-70 hover:opacity-100 focus-visible:opacity-100"
      onClick={onClick}
    >
      <X size={16} />
    </button>
  );
}
