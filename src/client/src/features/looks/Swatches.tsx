import { Radio, RadioGroup } from "@headlessui/react";
import { useId } from "react";
import { Link } from "wouter";
import type { Reference } from "../../api/client";
import { colourOf } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { FieldNote } from "../../ui/notes";
import { say } from "../../wording/say";

/** A coating's colours as dabs, and which coating. */
export function Swatches(props: {
  label: string;
  reference: Reference;
  coating: string | null;
  colour: string | null;
  note?: string | undefined;
  onChange: (coating: string, colour: string) => void;
}) {
  const { reference, coating, label } = props;
  const id = useId();
  const chosen = colourOf(reference, coating, props.colour);
  const coatingName = (code: string | null) => reference.coatings.find((c) => c.code === code)?.name ?? code ?? "";
  return (
    <div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <RadioGroup
          aria-label={label}
          aria-describedby={props.note ? id : undefined}
          value={props.colour ?? ""}
          onChange={(colour: string) => props.onChange(coating ?? reference.usualCoating, colour)}
          className="flex flex-wrap gap-1.5"
        >
          {reference.colours
            .filter((c) => c.coating === coating)
            .map((c) => (
              <Radio
                key={c.code}
                value={c.code}
                aria-label={c.name}
                title={c.name}
                className="data-checked:border-act cursor-pointer rounded-full border-[3px] border-transparent p-[2px]"
              >
                <svg aria-hidden viewBox="0 0 24 24" className="size-6">
                  <circle cx="12" cy="12" r="11.5" fill={c.srgb} stroke="currentColor" strokeOpacity="0.35" />
                </svg>
              </Radio>
            ))}
        </RadioGroup>
        <b>{chosen?.name ?? props.colour}</b>
      </div>
      <div className="text-ink2 text-[15px]">
        <Choice
          label={say("looks.coating-2", { label: label.toLowerCase() })}
          value={coating ?? ""}
          options={reference.coatings.map((c) => ({ value: c.code, label: c.name }))}
          onChange={(code) => {
            const same = colourOf(reference, code, props.colour);
            props.onChange(code, (same ?? reference.colours.find((c) => c.coating === code))?.code ?? "");
          }}
        >
          {coatingName(coating)}
        </Choice>
        {" · "}
        <Link
          className="text-act font-semibold"
          to={`/colour?coating=${coating ?? ""}${chosen ? `&target=${encodeURIComponent(chosen.srgb)}` : ""}`}
        >
          {say("looks.mix-colour")}
        </Link>
      </div>
      <FieldNote id={id} text={props.note} />
    </div>
  );
}
