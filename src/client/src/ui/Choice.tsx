import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from "@headlessui/react";
import { useRef, type KeyboardEvent, type ReactNode } from "react";
import type { Colour } from "../api/client";
import { tellForm } from "./unsaved";

export interface Option<T> {
  value: T;
  label: ReactNode;
  hint?: ReactNode;
}

/** Enter opens a choice as the space bar does: in a sentence there is no form that it could send. */
function openOnEnter(e: KeyboardEvent<HTMLButtonElement>) {
  if (e.key !== "Enter") return;
  e.preventDefault();
  e.currentTarget.dispatchEvent(new window.KeyboardEvent("keydown", { key: " ", bubbles: true, cancelable: true }));
}

/** A button that opens a list to choose from; `note` is the id of what is wrong with the choice. */
export function Picker<T extends string | number>(props: {
  value: T;
  options: Option<T>[];
  onChange: (value: T) => void;
  className: string;
  children: ReactNode;
  note?: string | undefined;
}) {
  const button = useRef<HTMLButtonElement>(null);
  return (
    <Listbox
      value={props.value}
      onChange={(value) => {
        props.onChange(value);
        tellForm(button.current);
      }}
    >
      <ListboxButton
        ref={button}
        onKeyDown={openOnEnter}
        aria-describedby={props.note}
        aria-invalid={props.note ? true : undefined}
        className={props.className}
      >
        {props.children}
      </ListboxButton>
      <ListboxOptions
        anchor={{ to: "bottom start", gap: 4 }}
        className="border-line bg-panel z-20 max-h-80! min-w-44 overflow-y-auto rounded-lg border py-1 text-[15px] shadow-xl"
      >
        {props.options.map((option) => (
          <ListboxOption key={option.value} value={option.value} className={optionLook}>
            <span>{option.label}</span>
            {option.hint && <span className="text-[13px] opacity-80">{option.hint}</span>}
          </ListboxOption>
        ))}
      </ListboxOptions>
    </Listbox>
  );
}

const optionLook = [
  "data-focus:bg-parchment data-focus:text-parchment-ink data-selected:font-bold",
  "flex cursor-pointer items-center justify-between gap-6 px-3 py-1.5",
].join(" ");

/** A choice that reads as a word of the sentence until it is opened. */
export function Choice<T extends string | number>(props: {
  label: string;
  value: T;
  options: Option<T>[];
  onChange: (value: T) => void;
  children: ReactNode;
  note?: string | undefined;
  /** Where what it stands in already shows that it can be opened. */
  plain?: boolean;
}) {
  const { label, children, plain, ...picker } = props;
  return (
    <Picker {...picker} className={`max-w-full cursor-pointer text-left ${plain ? "" : "quiet"}`}>
      <span className="sr-only">{label}: </span>
      {children}
    </Picker>
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

/** A dot of coating, beside its name unless it stands by itself. */
export function Dot(props: { srgb: string | undefined; className?: string }) {
  return (
    <svg aria-hidden viewBox="0 0 12 12" className={props.className ?? "mr-1.5 inline-block size-3 align-[-1px]"}>
      <circle cx="6" cy="6" r="5.5" fill={props.srgb ?? "none"} stroke="currentColor" strokeOpacity="0.35" />
    </svg>
  );
}
