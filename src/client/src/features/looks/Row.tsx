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

/** Words of which one holds, as a sentence broken by dots. */
export function Words<T extends string>(props: {
  label: string;
  value: T;
  options: { value: T; label: ReactNode }[];
  onChange: (value: T) => void;
}) {
  return (
    <div role="radiogroup" aria-label={props.label} className="flex flex-wrap gap-x-4 gap-y-1">
      {props.options.map((option) => (
        <label
          key={option.value}
          className="has-checked:border-act has-focus-visible:outline-act cursor-pointer border-b-[3px] border-transparent has-checked:font-bold has-focus-visible:outline-2"
        >
          <input
            type="radio"
            className="sr-only"
            checked={option.value === props.value}
            onChange={() => props.onChange(option.value)}
          />
          {option.label}
        </label>
      ))}
    </div>
  );
}
