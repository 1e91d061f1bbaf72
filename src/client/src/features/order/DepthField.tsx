import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from "@headlessui/react";
import { useState } from "react";
import { depthName, namedDepths } from "../../ui/units";

/** What was typed as a share: a name, "3/4", "70 %" or "70". */
export function shareOf(typed: string): number | undefined {
  const text = typed.trim().toLowerCase();
  if (!text) return undefined;
  const named = namedDepths.find((depth) => depthName(depth) === text);
  if (named !== undefined) return named;
  const fraction = /^(\d+)\s*\/\s*(\d+)$/.exec(text);
  if (fraction) return Number(fraction[1]) / Number(fraction[2]);
  const percent = Number(text.replace("%", "").trim());
  return Number.isNaN(percent) ? undefined : percent / 100;
}

/** Dip depth by name or by any share. */
export function DepthField(props: {
  label: string;
  depth: number;
  usual?: number[] | undefined;
  note: string | undefined;
  onChange: (depth: number) => void;
}) {
  const [typed, setTyped] = useState("");
  const share = shareOf(typed);
  const named = [...new Set([...(props.usual ?? namedDepths), 0])];
  const matching = named.filter((depth) => depthName(depth).includes(typed.trim().toLowerCase()));
  const options = share !== undefined && !matching.includes(share) ? [share, ...matching] : matching;
  return (
    <Combobox
      as="span"
      className="inline-block"
      immediate
      value={props.depth}
      onChange={(depth: number | null) => depth !== null && props.onChange(depth)}
      onClose={() => setTyped("")}
    >
      <ComboboxInput
        aria-label={props.label}
        aria-invalid={props.note ? true : undefined}
        aria-describedby={props.note}
        className="quiet field-sizing-content"
        displayValue={depthName}
        onFocus={(e) => e.target.select()}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={() => share !== undefined && share !== props.depth && props.onChange(share)}
      />
      <ComboboxOptions
        anchor={{ to: "bottom start", gap: 4 }}
        className="border-line bg-panel text-ink z-20 min-w-44 rounded-lg border py-1 text-[15px] shadow-xl empty:hidden"
      >
        {options.map((depth) => (
          <ComboboxOption
            key={depth}
            value={depth}
            className="data-focus:bg-parchment data-focus:text-parchment-ink cursor-pointer px-3 py-1.5 data-selected:font-bold"
          >
            {depthName(depth)}
          </ComboboxOption>
        ))}
      </ComboboxOptions>
    </Combobox>
  );
}
