import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from "@headlessui/react";
import { memo, useEffect, useRef, useState } from "react";
import type { OrderLine, Reference } from "../../api/client";
import { useShortcuts } from "../../ui/useShortcuts";
import { newId, type Edit } from "./draft";

const usualColour = (reference: Reference) =>
  reference.colours.find((c) => c.coating === reference.usualCoating)?.code ?? null;

/** Adds a line by its centre, then goes on to the count; it starts in the coating and colour of the last one. */
export const AddLine = memo(function AddLine(props: {
  reference: Reference;
  count: number;
  coating: string | null | undefined;
  colour: string | null | undefined;
  edit: Edit;
}) {
  const [typed, setTyped] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const added = useRef(false);
  useShortcuts({ a: () => input.current?.focus() });

  useEffect(() => {
    if (!added.current) return;
    added.current = false;
    const counts = document.querySelectorAll<HTMLInputElement>("[data-count]");
    counts[counts.length - 1]?.focus();
  }, [props.count]);

  const words = typed
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);
  const pieces = props.reference.centres
    .flatMap((centre) => centre.sizes.map((size) => ({ centre, size, name: `${centre.plural} ${size.name}`.trim() })))
    .filter((piece) => words.every((word) => piece.name.includes(word) || `${piece.centre.name} `.includes(word)));

  return (
    <Combobox
      immediate
      value={null}
      onClose={() => setTyped("")}
      onChange={(piece: (typeof pieces)[number] | null) => {
        if (!piece) return;
        added.current = true;
        const line: OrderLine = {
          id: newId(),
          centre: piece.centre.code,
          size: piece.size.code,
          amount: 12,
          countedIn: "pieces",
          coating: props.coating ?? props.reference.usualCoating,
          colour: props.colour ?? usualColour(props.reference),
          depth: piece.centre.usualDepth,
          coats: piece.centre.leastCoats,
          atOnce: false,
          upright: null,
          look: null,
          decor: null,
        };
        props.edit(line.id, (draft) => ({ ...draft, lines: [...draft.lines, line] }));
        setTyped("");
      }}
    >
      <ComboboxInput
        ref={input}
        aria-label="Add to the order"
        placeholder={props.count ? "add apples, rods, truffles …" : "strawberries, large …"}
        className="border-act placeholder:text-ink2 mt-2 w-full border-b-2 bg-transparent py-1.5 print:hidden"
        autoComplete="off"
        onChange={(e) => setTyped(e.target.value)}
      />
      <ComboboxOptions
        anchor={{ to: "bottom start", gap: 4 }}
        className="border-line bg-panel z-20 max-h-80! w-(--input-width) overflow-y-auto rounded-lg border py-1 text-[15px] shadow-xl"
      >
        {pieces.map((piece) => (
          <ComboboxOption
            key={`${piece.centre.code}/${piece.size.code}`}
            value={piece}
            className="data-focus:bg-parchment data-focus:text-parchment-ink cursor-pointer px-3 py-1.5"
          >
            <b>{piece.centre.plural}</b>
            {piece.size.name && `, ${piece.size.name}`}
          </ComboboxOption>
        ))}
        {pieces.length === 0 && (
          <p className="text-mind px-3 py-1.5">
            No centre is called “{typed}”. Try {props.reference.centres.map((c) => c.plural).join(", ")}.
          </p>
        )}
      </ComboboxOptions>
    </Combobox>
  );
});
