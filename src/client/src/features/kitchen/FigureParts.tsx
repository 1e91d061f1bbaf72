import type { OwnFigure, Reference } from "../../api/client";
import { pieceName } from "../../api/queries";
import { TextButton } from "../../ui/buttons";
import { NumberField, PickField, TextField, Tick } from "../../ui/fields";
import { FieldNote } from "../../ui/notes";
import { say } from "../../wording/say";

export type Part = OwnFigure["parts"][number];
export type Spot = Part["places"][number];
export type ErrorOf = (field: string) => string | undefined;

const asBody = "";

/** Where something new is put. */
export const beside: Spot = { x: 30, y: 0, turn: 0 };

/** A dipped part of a figure: what it is made from, and where its pieces sit. */
export function PartFields(props: {
  part: Part;
  at: number;
  reference: Reference;
  change: (part: Partial<Part>) => void;
  remove: () => void;
  errorOf: ErrorOf;
}) {
  const { part, reference, change, errorOf } = props;
  const colours = reference.colours.filter((c) => c.coating === reference.usualCoating);
  const percent = (share: number) => Math.round(share * 1000) / 10;
  return (
    <fieldset className="border-line mt-5 min-w-0 border-l-2 pl-3">
      <legend className="sr-only">{say("kitchen.part", { at: props.at + 1 })}</legend>
      <div className="grid grid-cols-2 items-end gap-3 sm:grid-cols-3">
        <TextField
          label={say("kitchen.part-plural")}
          value={part.name}
          onChange={(name) => change({ name })}
          error={errorOf("name") ?? errorOf("code")}
        />
        <PieceField
          label={say("kitchen.made-from")}
          reference={reference}
          centre={part.centre}
          size={part.size}
          onChange={(centre, size) => change({ centre, size })}
          error={errorOf("centre")}
        />
        <PickField
          label={say("kitchen.usual-colour")}
          value={part.colour ?? asBody}
          options={[
            { value: asBody, label: say("ui.as-body") },
            ...colours.map((c) => ({ value: c.code, label: c.name })),
          ]}
          onChange={(colour) => change({ colour: colour === asBody ? null : colour })}
        />
        <NumberField
          label={say("kitchen.length-kept")}
          unit="%"
          value={percent(part.kept)}
          onChange={(kept) => change({ kept: (kept ?? 0) / 100 })}
          error={errorOf("kept")}
        />
        <NumberField
          label={say("kitchen.pieces-cut-from-one")}
          value={part.cuts}
          onChange={(cuts) => change({ cuts: Math.round(cuts ?? 0) })}
          error={errorOf("cuts")}
        />
        <NumberField
          label={say("kitchen.breakage")}
          unit="%"
          value={percent(part.spoil)}
          onChange={(spoil) => change({ spoil: (spoil ?? 0) / 100 })}
          error={errorOf("spoil")}
        />
        <NumberField
          label={say("kitchen.dipped")}
          unit="%"
          value={percent(part.depth)}
          onChange={(depth) => change({ depth: (depth ?? 0) / 100 })}
          error={errorOf("depth")}
        />
        <PickField
          label={say("kitchen.held-by")}
          value={part.joined ? "wet" : "dots"}
          options={[
            { value: "wet", label: say("kitchen.wet-coat") },
            { value: "dots", label: say("kitchen.dots-once-has-set") },
          ]}
          onChange={(by) => change({ joined: by === "wet" })}
        />
        <div>
          <Tick label={say("kitchen.behind-body")} checked={part.behind} onChange={(behind) => change({ behind })} />
          <Tick
            label={say("kitchen.seen-from-its-edge")}
            checked={part.onEdge}
            onChange={(onEdge) => change({ onEdge })}
          />
        </div>
      </div>
      <Places
        of={part.name || say("kitchen.part-2", { at: props.at + 1 })}
        places={part.places}
        onChange={(places) => change({ places })}
        error={errorOf("places")}
      />
      <p className="mt-1">
        <TextButton onClick={props.remove} label={say("kitchen.remove-this-part", { name: part.name || props.at + 1 })}>
          {say("kitchen.remove-this-part-2")}
        </TextButton>
      </p>
    </fieldset>
  );
}

/** Where the pieces of a part sit, from the body's middle. */
export function Places(props: {
  of: string;
  places: Spot[];
  round?: boolean;
  onChange: (places: Spot[]) => void;
  error: string | undefined;
}) {
  const { of, places, onChange } = props;
  const set = (at: number, part: Partial<Spot>) => onChange(places.map((s, i) => (i === at ? { ...s, ...part } : s)));
  return (
    <>
      <ol className="mt-2 space-y-1">
        {places.map((spot, i) => (
          <li key={i} className="flex flex-wrap items-end gap-3">
            <span className="text-ink2 w-5 pb-2 text-right text-[13px]">{i + 1}</span>
            <NumberField
              className="w-20 sm:w-24"
              label={say("kitchen.right-mm")}
              unit="fineMm"
              says={say("kitchen.right-mm-2", { text: of, number: i + 1 })}
              value={spot.x}
              onChange={(x) => set(i, { x: x ?? 0 })}
            />
            <NumberField
              className="w-20 sm:w-24"
              label={say("kitchen.down-mm")}
              unit="fineMm"
              says={say("kitchen.down-mm-2", { text: of, number: i + 1 })}
              value={spot.y}
              onChange={(y) => set(i, { y: y ?? 0 })}
            />
            {!props.round && (
              <NumberField
                className="w-20 sm:w-24"
                label={say("kitchen.turned")}
                unit="°"
                says={say("kitchen.turned-2", { text: of, number: i + 1 })}
                value={spot.turn}
                onChange={(turn) => set(i, { turn: turn ?? 0 })}
              />
            )}
            {places.length > 1 && (
              <span className="pb-2">
                <TextButton
                  onClick={() => onChange(places.filter((_, j) => j !== i))}
                  label={say("kitchen.remove-number", { number: i + 1, text: of })}
                >
                  {say("ui.remove-2")}
                </TextButton>
              </span>
            )}
          </li>
        ))}
      </ol>
      <p className="mt-1">
        <TextButton
          onClick={() => onChange([...places, mirrored(places.at(-1) ?? beside)])}
          label={say("kitchen.add-one", { text: of })}
        >
          {say("kitchen.add-one-2")}
        </TextButton>
      </p>
      <FieldNote id={`note-places-${of}`} text={props.error} />
    </>
  );
}

/** A centre in a size. */
export function PieceField(props: {
  label: string;
  reference: Reference;
  centre: string;
  size: string;
  onChange: (centre: string, size: string) => void;
  error: string | undefined;
}) {
  const { reference } = props;
  return (
    <PickField
      label={props.label}
      value={`${props.centre}.${props.size}`}
      options={reference.centres
        .filter((c) => c.holding !== "mould" && !c.figure)
        .flatMap((c) =>
          c.sizes.map((s) => ({ value: `${c.code}.${s.code}`, label: pieceName(reference, c.code, s.code) })),
        )}
      onChange={(key) => {
        const [centre = "", size = ""] = key.split(".");
        props.onChange(centre, size);
      }}
      error={props.error}
    />
  );
}

/** The same place on the other side of the body. */
const mirrored = ({ x, y, turn }: Spot): Spot => ({ x: -x, y, turn: turn === 0 ? 0 : -turn });
