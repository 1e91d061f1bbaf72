import type { ReactNode } from "react";

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
