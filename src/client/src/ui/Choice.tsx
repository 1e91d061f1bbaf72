import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from "@headlessui/react";
import type { ReactNode } from "react";
import type { Colour } from "../api/client";

export interface Option<T> {
  value: T;
  label: ReactNode;
  hint?: ReactNode;
}

/** A choice that reads as a word of the sentence until it is opened. */
export function Choice<T extends string | number>(props: {
  label: string;
  value: T;
  options: Option<T>[];
  onChange: (value: T) => void;
  children: ReactNode;
  note?: string | undefined;
}) {
  return (
    <Listbox value={props.value} onChange={props.onChange}>
      <ListboxButton
        aria-describedby={props.note}
        aria-invalid={props.note ? true : undefined}
        className="quiet max-w-full cursor-pointer text-left"
      >
        <span className="sr-only">{props.label}: </span>
        {props.children}
      </ListboxButton>
      <ListboxOptions
        anchor={{ to: "bottom start", gap: 4 }}
        className="border-line bg-panel z-20 max-h-80! min-w-44 overflow-y-auto rounded-lg border py-1 text-[15px] shadow-xl"
      >
        {props.options.map((option) => (
          <ListboxOption
            key={option.value}
            value={option.value}
            className="data-focus:bg-parchment data-focus:text-parchment-ink flex cursor-pointer items-center justify-between gap-6 px-3 py-1.5 data-selected:font-bold"
          >
            <span>{option.label}</span>
            {option.hint && <span className="text-[13px] opacity-80">{option.hint}</span>}
          </ListboxOption>
        ))}
      </ListboxOptions>
    </Listbox>
  );
}

/** Colours to choose from, each with its dot. */
export const colourOptions = (colours: Colour[], says = (name: string) => name): Option<string>[] =>
  colours.map((c) => ({
    value: c.code,
    label: (
      <>
        <Dot srgb={c.srgb} />
        {says(c.name)}
      </>
    ),
  }));

/** A dot of coating. */
export function Dot({ srgb }: { srgb: string | undefined }) {
  return (
    <svg aria-hidden viewBox="0 0 12 12" className="mr-1.5 inline-block size-3 align-[-1px]">
      <circle cx="6" cy="6" r="5.5" fill={srgb ?? "none"} stroke="currentColor" strokeOpacity="0.35" />
    </svg>
  );
}
