import type { OverDip, Reference } from "../../api/client";
import { centreOf, sizeOf } from "../../api/queries";
import { Slider } from "../../ui/fields";
import { FieldNote } from "../../ui/notes";
import { depthName, useWording } from "../../ui/units";
import { CoatsChoice } from "../order/CoatsChoice";
import { put, type Change, type Designed } from "./designed";
import { RemoveButton, Row } from "./Row";
import { Words } from "../../ui/Words";
import { Swatches } from "./Swatches";
import { say } from "../../wording/say";

interface RowProps {
  design: Designed;
  reference: Reference;
  notes: Record<string, string>;
  change: Change;
}

/** The first coat: colour, depth, how many. */
export function CoatRow({ design, reference, notes, change }: RowProps) {
  const wording = useWording();
  const centre = centreOf(reference, design.centre);
  const size = sizeOf(reference, design.centre, design.size);
  const dippedLength = (length: number) =>
    say("looks.dipped-length", {
      dipped: wording.value(length * design.depth, "mm"),
      length: wording.value(length, "mm"),
    });
  return (
    <Row name={say("looks.coat-row")}>
      <Swatches
        label={say("looks.colour-coat")}
        reference={reference}
        coating={design.coating}
        colour={design.colour}
        note={notes.colour ?? notes.coating}
        onChange={(coating, colour) => change("colour", { coating, colour })}
      />
      <Slider
        label={say("looks.dip-depth")}
        value={Math.round(design.depth * 100)}
        min={5}
        max={100}
        step={1}
        says={depthName(design.depth) + (size && design.depth < 1 ? dippedLength(size.length) : "")}
        onChange={(depth) => change("depth", { depth: depth / 100 })}
        error={notes.depth}
      />
      <p className="text-[15px]">
        <CoatsChoice
          what={centre?.plural ?? "pieces"}
          line={design}
          note={undefined}
          onChange={(coats) => change("coats", coats)}
        />
      </p>
      <FieldNote id="note-coats" text={notes.coats} />
    </Row>
  );
}

const ways: { value: string; label: string; says: string }[] = [
  { value: "0", label: say("looks.end-first"), says: say("looks.from-dipped-end") },
  { value: "45", label: say("looks.slant"), says: say("looks.from-one-corner") },
  { value: "90", label: say("looks.left-side"), says: say("looks.from-left") },
  { value: "-90", label: say("looks.right-side"), says: say("looks.from-right") },
];

/** Further dips over the coat. */
export function DipsRow({ design, reference, notes, change }: RowProps) {
  const { dips } = design.decor;
  const set = (i: number, dip: OverDip | undefined) =>
    change(`dips.${i}`, { decor: { ...design.decor, dips: put(dips, i, dip) } });
  const other = reference.colours.find((c) => c.coating === design.coating && c.code !== design.colour);
  return (
    <Row name={say("looks.then-dip")}>
      {dips.map((dip, i) => {
        const which = dips.length > 1 ? ` ${i + 1}` : "";
        const way = ways.find((w) => Number(w.value) === dip.angle);
        return (
          <div key={i} className="space-y-2">
            <div className="flex items-start justify-between gap-3">
              <Swatches
                label={say("looks.colour-extra-dip", { which })}
                reference={reference}
                coating={dip.coating}
                colour={dip.colour}
                note={notes[`decor.dips[${i}].colour`]}
                onChange={(coating, colour) => set(i, { ...dip, coating, colour })}
              />
              <RemoveButton label={say("looks.remove-extra-dip", { which })} onClick={() => set(i, undefined)} />
            </div>
            <Words
              label={say("looks.direction-extra-dip", { which })}
              value={String(dip.angle)}
              options={ways}
              onChange={(angle) => set(i, { ...dip, angle: Number(angle) })}
            />
            <Slider
              label={say("looks.depth-extra-dip", { which })}
              value={Math.round(dip.depth * 100)}
              min={5}
              max={100}
              step={1}
              says={say("looks.depth-of-it-says", {
                depth: Math.round(dip.depth * 100),
                says: way?.says ?? say("looks.at-angle", { angle: dip.angle }),
              })}
              onChange={(depth) => set(i, { ...dip, depth: depth / 100 })}
              error={notes[`decor.dips[${i}].depth`] ?? notes[`decor.dips[${i}]`]}
            />
          </div>
        );
      })}
      <button
        type="button"
        className="text-act font-semibold"
        onClick={() =>
          change("dips", {
            decor: {
              ...design.decor,
              dips: [...dips, { coating: design.coating, colour: other?.code ?? design.colour, depth: 0.5, angle: 0 }],
            },
          })
        }
      >
        {dips.length ? say("looks.add-another-dip") : say("looks.add-dip-another-colour")}
      </button>
    </Row>
  );
}
