import { Field, Label } from "@headlessui/react";
import { ChevronDown } from "lucide-react";
import { useId, useState, type CSSProperties, type ReactNode } from "react";
import { Picker } from "./Choice";
import { fieldBox } from "./fieldBox";
import { FieldNote } from "./notes";
import { DayInput, TimeInput } from "./When";
import { numberTyped, useWording } from "./units";

/** A label over its field, with what is wrong under it; a unit that stands by the field is read with the label. */
export function Labelled(props: {
  label: string;
  unit?: string;
  error?: string | undefined;
  className?: string;
  children: (ids: { id: string; "aria-invalid": boolean; "aria-describedby": string | undefined }) => ReactNode;
}) {
  const id = useId();
  return (
    <div className={props.className}>
      <label htmlFor={id} className="text-ink2 block text-[13px]">
        {props.label}
        {props.unit && <span className="sr-only">, {props.unit}</span>}
      </label>
      {props.children({
        id,
        "aria-invalid": !!props.error,
        "aria-describedby": props.error ? `${id}-note` : undefined,
      })}
      <FieldNote id={`${id}-note`} text={props.error} />
    </div>
  );
}

export function TextField(props: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  error?: string | undefined;
  className?: string;
  lines?: number;
  type?: "text" | "password";
  autoComplete?: string;
}) {
  return (
    <Labelled label={props.label} error={props.error} className={props.className ?? ""}>
      {(ids) =>
        props.lines ? (
          <textarea
            {...ids}
            rows={props.lines}
            className={fieldBox}
            value={props.value}
            onChange={(e) => props.onChange(e.target.value)}
          />
        ) : (
          <input
            {...ids}
            type={props.type ?? "text"}
            autoComplete={props.autoComplete ?? "off"}
            className={fieldBox}
            value={props.value}
            onChange={(e) => props.onChange(e.target.value)}
          />
        )
      }
    </Labelled>
  );
}

/** A time of the day, "HH:MM:SS"; a label that stands for a longer one says the rest to a screen reader. */
export function TimeField(props: {
  label: string;
  says?: string;
  value: string;
  onChange: (value: string) => void;
  error?: string | undefined;
  className?: string;
}) {
  return (
    <Labelled label={props.label} error={props.error} className={props.className ?? ""}>
      {(ids) => (
        <TimeInput
          {...ids}
          aria-label={props.says}
          className={`${fieldBox} max-w-25`}
          value={props.value}
          onChange={props.onChange}
        />
      )}
    </Labelled>
  );
}

/**
 * A number in the maker's own unit, kept in `unit`, which stands behind the field, and money's sign before it where its place writes it so;
 * empty is null. A label that stands for a longer one says the rest to a screen reader.
 */
export function NumberField(props: {
  label: string;
  says?: string;
  value: number | null;
  unit?: string;
  onChange: (value: number | null) => void;
  error?: string | undefined;
  className?: string;
  placeholder?: string;
}) {
  const unit = useWording().typed(props.unit ?? "");
  const [typed, setTyped] = useState<string>();
  const symbol = unit.symbol && (
    <span aria-hidden className="text-ink2 shrink-0">
      {unit.symbol}
    </span>
  );
  return (
    <Labelled label={props.label} unit={unit.symbol} error={props.error} className={props.className ?? ""}>
      {(ids) => (
        <span className="flex items-center gap-1.5">
          {unit.before && symbol}
          <input
            {...ids}
            aria-label={props.says && `${props.says}${unit.symbol && `, ${unit.symbol}`}`}
            inputMode="decimal"
            className={`${fieldBox} min-w-0 text-right`}
            placeholder={props.placeholder}
            value={typed ?? (props.value === null ? "" : numberTyped(unit.show(props.value), unit.decimals))}
            onFocus={(e) => e.target.select()}
            onBlur={() => setTyped(undefined)}
            onChange={(e) => {
              setTyped(e.target.value);
              const number = Number(e.target.value.replace(",", "."));
              if (e.target.value.trim() === "") props.onChange(null);
              else if (!Number.isNaN(number)) props.onChange(unit.keep(number));
            }}
          />
          {!unit.before && symbol}
        </span>
      )}
    </Labelled>
  );
}

/** A value between two ends, dragged or stepped with the arrow keys, with what it means under it. */
export function Slider(props: {
  label: string;
  value: number;
  min: number;
  max: number;
  step: number;
  says: string;
  onChange: (value: number) => void;
  error?: string | undefined;
  className?: string;
}) {
  const id = useId();
  const at = Math.min(1, Math.max(0, (props.value - props.min) / (props.max - props.min || 1)));
  return (
    <div className={props.className}>
      <label className="block">
        <span className="text-ink2 text-[13px]">{props.label}</span>
        <input
          type="range"
          className="slider"
          style={{ "--at": `${at * 100}%` } as CSSProperties}
          min={props.min}
          max={props.max}
          step={props.step}
          value={props.value}
          aria-valuetext={props.says}
          aria-invalid={!!props.error}
          aria-describedby={props.error ? id : undefined}
          onChange={(e) => props.onChange(Number(e.target.value))}
        />
      </label>
      <p aria-hidden className="text-ink2 -mt-0.5 text-[15px]">
        {props.says}
      </p>
      <FieldNote id={id} text={props.error} />
    </div>
  );
}

/** One of several, each a word. */
export function PickField<T extends string>(props: {
  label: string;
  value: T;
  options: { value: T; label: string }[];
  onChange: (value: T) => void;
  error?: string | undefined;
  className?: string;
}) {
  const note = useId();
  return (
    <Field className={props.className ?? ""}>
      <Label className="text-ink2 block text-[13px]">{props.label}</Label>
      <Picker
        value={props.value}
        options={props.options}
        onChange={props.onChange}
        note={props.error ? note : undefined}
        className={`${fieldBox} flex items-center justify-between gap-2 text-left`}
      >
        <span className="min-w-0 truncate">{props.options.find((o) => o.value === props.value)?.label ?? ""}</span>
        <ChevronDown aria-hidden size={16} className="text-ink2 shrink-0" />
      </Picker>
      <FieldNote id={note} text={props.error} />
    </Field>
  );
}

export function Tick(props: { label: string; checked: boolean; onChange: (checked: boolean) => void }) {
  return (
    <label className="flex cursor-pointer items-center gap-2.5 py-1">
      <input
        type="checkbox"
        className="accent-act size-4.5"
        checked={props.checked}
        onChange={(e) => props.onChange(e.target.checked)}
      />
      {props.label}
    </label>
  );
}

/** A day, or none. */
export function DateField(props: {
  label: string;
  value: string | null;
  onChange: (value: string | null) => void;
  error?: string | undefined;
  className?: string;
}) {
  return (
    <Labelled label={props.label} error={props.error} className={props.className ?? ""}>
      {(ids) => <DayInput {...ids} value={props.value} onChange={props.onChange} />}
    </Labelled>
  );
}
