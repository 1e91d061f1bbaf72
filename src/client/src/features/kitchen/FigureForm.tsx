import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import {
  answer,
  api,
  ApiError,
  type Figure,
  type KitchenThings,
  type OwnFigure,
  type Reference,
} from "../../api/client";
import { centreOf, sizeOf } from "../../api/queries";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { NumberField, PickField, TextField, Tick } from "../../ui/fields";
import { FieldNote } from "../../ui/notes";
import { codeOf, useKeep } from "../../ui/useKeep";
import { FigurePicture, type Place } from "../piece/FigurePicture";
import type { PieceLook } from "../piece/points";

type Part = OwnFigure["parts"][number];
type Stuck = OwnFigure["stuck"][number];
type Spot = Part["places"][number];
type ErrorOf = (field: string) => string | undefined;

const asBody = "";
const beside: Spot = { x: 30, y: 0, turn: 0 };
const fresh: OwnFigure = {
  ...{ code: "", name: "", plural: "", body: "sandwich-cookie", bodySize: "double", turn: 0 },
  parts: [],
  stuck: [],
};

export const keepFigure = (body: OwnFigure) => answer(api.PUT("/api/kitchen/figures", { body }));
const removeFigure = (code: string) =>
  answer(api.DELETE("/api/kitchen/figures/{code}", { params: { path: { code } } }));

/** A figure being built: what it is made of, and beside it how it looks. */
export function FigureForm(props: {
  item: OwnFigure | undefined;
  things: KitchenThings;
  reference: Reference;
  close: () => void;
  onRemoved: (figure: OwnFigure) => void;
}) {
  const { item, things, reference } = props;
  const [figure, setFigure] = useState(item ?? fresh);
  const keep = useKeep(keepFigure, props.close);
  const remove = useKeep(removeFigure, () => {
    if (item && !things.shipped.includes(item.code)) props.onRemoved(item);
    props.close();
  });
  const drawing = useDrawing(figure, reference);
  const e: ErrorOf = (field) => keep.errorOf(field) ?? drawing.errorOf(field);
  const change = (part: Partial<OwnFigure>) => setFigure((f) => ({ ...f, ...part }));
  const changePart = (at: number, part: Partial<Part>) =>
    setFigure((f) => ({ ...f, parts: f.parts.map((p, i) => (i === at ? { ...p, ...part } : p)) }));
  const changeStuck = (at: number, part: Partial<Stuck>) =>
    setFigure((f) => ({ ...f, stuck: f.stuck.map((p, i) => (i === at ? { ...p, ...part } : p)) }));
  const move = ({ of, part, place }: Place, to: Spot) => {
    const moved = (places: Spot[]) => places.map((s, i) => (i === place ? to : s));
    setFigure((f) => ({
      ...f,
      [of]: f[of].map((p, i) => (i === part ? { ...p, places: moved(p.places) } : p)),
    }));
  };
  const body = bodyOf(reference, figure);

  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        const taken = [...things.figures, ...things.centres].map((f) => f.code);
        const parts = figure.parts.reduce<Part[]>(
          (all, p) => [
            ...all,
            {
              ...p,
              code:
                p.code ||
                codeOf(
                  p.name,
                  [...figure.parts, ...all].map((o) => o.code),
                ),
            },
          ],
          [],
        );
        keep.mutate({ ...figure, parts, code: figure.code || codeOf(figure.name, taken) });
      }}
    >
      <div className="grid gap-6 lg:grid-cols-[1fr_20rem]">
        <div className="min-w-0">
          <div className="grid gap-4 sm:grid-cols-2">
            <TextField
              label="Name of one"
              value={figure.name}
              onChange={(name) => change({ name })}
              error={e("name")}
            />
            <TextField
              label="Plural"
              value={figure.plural}
              onChange={(plural) => change({ plural })}
              error={e("plural")}
            />
            <PieceField
              label="Body"
              reference={reference}
              centre={figure.body}
              size={figure.bodySize}
              onChange={(body, bodySize) => change({ body, bodySize })}
              error={e("body")}
            />
            <NumberField
              label="Body turned, °"
              value={figure.turn}
              onChange={(turn) => change({ turn: turn ?? 0 })}
              error={e("turn")}
            />
          </div>
          {figure.parts.map((part, i) => (
            <PartFields
              key={i}
              part={part}
              at={i}
              reference={reference}
              change={(of) => changePart(i, of)}
              remove={() => change({ parts: figure.parts.filter((_, j) => j !== i) })}
              errorOf={(field) => e(`parts[${i}].${field}`)}
            />
          ))}
          {figure.stuck.map((stuck, i) => (
            <fieldset key={i} className="border-line mt-5 min-w-0 border-l-2 pl-3">
              <legend className="sr-only">Stuck on, {i + 1}</legend>
              <div className="grid items-end gap-3 sm:grid-cols-2">
                <PickField
                  label="Stuck on"
                  value={stuck.part}
                  options={reference.decor.parts.map((p) => ({ value: p.code, label: p.plural }))}
                  onChange={(part) => changeStuck(i, { part })}
                  error={e(`stuck[${i}].part`)}
                />
                <p>
                  <TextButton onClick={() => change({ stuck: figure.stuck.filter((_, j) => j !== i) })}>
                    Remove these
                  </TextButton>
                </p>
              </div>
              <Places
                round
                of={reference.decor.parts.find((p) => p.code === stuck.part)?.plural ?? "part"}
                places={stuck.places}
                onChange={(places) => changeStuck(i, { places })}
                error={e(`stuck[${i}].places`)}
              />
            </fieldset>
          ))}
          <p className="mt-4 flex flex-wrap gap-5">
            <TextButton onClick={() => change({ parts: [...figure.parts, newPart(figure)] })}>
              Add a dipped part
            </TextButton>
            <TextButton
              onClick={() =>
                change({
                  stuck: [
                    ...figure.stuck,
                    { part: reference.decor.parts[0]?.code ?? "eye", places: [{ x: 0, y: 0, turn: 0 }] },
                  ],
                })
              }
            >
              Add something stuck on
            </TextButton>
          </p>
          <FieldNote id="note-figure-parts" text={e("parts")} />
        </div>
        {body && (
          <div className="order-first lg:sticky lg:top-24 lg:order-none lg:self-start">
            <FigurePicture
              figure={drawing.figure}
              body={body}
              srgbOf={(part) => partSrgb(reference, part.colour)}
              label={`${figure.name || "figure"}, as built`}
              className="bg-parchment aspect-square w-full rounded-lg p-2"
              move={move}
            />
            <p className="text-ink2 mt-1 text-[13px]">
              Drag a part to its place, or choose it and use the arrow keys; Page Up and Page Down turn it.
            </p>
          </div>
        )}
      </div>
      <KeepButtons pending={keep.isPending} error={keep.error ?? remove.error} cancel={props.close}>
        {item && things.own.includes(item.code) && (
          <TextButton onClick={() => remove.mutate(item.code)}>
            {things.shipped.includes(item.code) ? "Reset to default" : "Remove"}
          </TextButton>
        )}
      </KeepButtons>
    </form>
  );
}

function PartFields(props: {
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
      <legend className="sr-only">Part {props.at + 1}</legend>
      <div className="grid grid-cols-2 items-end gap-3 sm:grid-cols-3">
        <TextField
          label="Part, plural"
          value={part.name}
          onChange={(name) => change({ name })}
          error={errorOf("name") ?? errorOf("code")}
        />
        <PieceField
          label="Made from"
          reference={reference}
          centre={part.centre}
          size={part.size}
          onChange={(centre, size) => change({ centre, size })}
          error={errorOf("centre")}
        />
        <PickField
          label="Usual colour"
          value={part.colour ?? asBody}
          options={[{ value: asBody, label: "as the body" }, ...colours.map((c) => ({ value: c.code, label: c.name }))]}
          onChange={(colour) => change({ colour: colour === asBody ? null : colour })}
        />
        <NumberField
          label="Kept of its length, %"
          value={percent(part.kept)}
          onChange={(kept) => change({ kept: (kept ?? 0) / 100 })}
          error={errorOf("kept")}
        />
        <NumberField
          label="Cut from one"
          value={part.cuts}
          onChange={(cuts) => change({ cuts: Math.round(cuts ?? 0) })}
          error={errorOf("cuts")}
        />
        <NumberField
          label="Breakage, %"
          value={percent(part.spoil)}
          onChange={(spoil) => change({ spoil: (spoil ?? 0) / 100 })}
          error={errorOf("spoil")}
        />
        <NumberField
          label="Dipped to, %"
          value={percent(part.depth)}
          onChange={(depth) => change({ depth: (depth ?? 0) / 100 })}
          error={errorOf("depth")}
        />
        <PickField
          label="Held by"
          value={part.joined ? "wet" : "dots"}
          options={[
            { value: "wet", label: "the wet coat" },
            { value: "dots", label: "dots, once it has set" },
          ]}
          onChange={(by) => change({ joined: by === "wet" })}
        />
        <div>
          <Tick label="behind the body" checked={part.behind} onChange={(behind) => change({ behind })} />
          <Tick label="seen from its edge" checked={part.onEdge} onChange={(onEdge) => change({ onEdge })} />
        </div>
      </div>
      <Places
        of={part.name || `part ${props.at + 1}`}
        places={part.places}
        onChange={(places) => change({ places })}
        error={errorOf("places")}
      />
      <p className="mt-1">
        <TextButton onClick={props.remove} label={`Remove this part: ${part.name || props.at + 1}`}>
          Remove this part
        </TextButton>
      </p>
    </fieldset>
  );
}

/** Where the pieces of a part sit, from the body's middle. */
function Places(props: {
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
              label="Right, mm"
              says={`${of} ${i + 1}: right, mm`}
              value={spot.x}
              onChange={(x) => set(i, { x: x ?? 0 })}
            />
            <NumberField
              className="w-20 sm:w-24"
              label="Down, mm"
              says={`${of} ${i + 1}: down, mm`}
              value={spot.y}
              onChange={(y) => set(i, { y: y ?? 0 })}
            />
            {!props.round && (
              <NumberField
                className="w-20 sm:w-24"
                label="Turned, °"
                says={`${of} ${i + 1}: turned, °`}
                value={spot.turn}
                onChange={(turn) => set(i, { turn: turn ?? 0 })}
              />
            )}
            {places.length > 1 && (
              <span className="pb-2">
                <TextButton
                  onClick={() => onChange(places.filter((_, j) => j !== i))}
                  label={`Remove number ${i + 1} of the ${of}`}
                >
                  Remove
                </TextButton>
              </span>
            )}
          </li>
        ))}
      </ol>
      <p className="mt-1">
        <TextButton
          onClick={() => onChange([...places, mirrored(places.at(-1) ?? beside)])}
          label={`One more of the ${of}`}
        >
          One more
        </TextButton>
      </p>
      <FieldNote id={`note-places-${of}`} text={props.error} />
    </>
  );
}

/** A centre in a size. */
function PieceField(props: {
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

/** The shapes of a figure's parts as the server cuts them, with the places, names and colours of the form. */
function useDrawing(figure: OwnFigure, reference: Reference) {
  const shapes = figure.parts.map((p) => [p.centre, p.size, p.kept, p.cuts, p.onEdge, p.depth, p.spoil]);
  const query = useQuery({
    queryKey: ["figure drawing", figure.body, figure.bodySize, shapes],
    queryFn: () => answer(api.POST("/api/kitchen/figures/drawing", { body: figure })),
    placeholderData: keepPreviousData,
    enabled: figure.parts.length + figure.stuck.length > 0,
    retry: false,
  });
  const drawn: Figure = {
    turn: figure.turn,
    parts: figure.parts.flatMap((p, i) => {
      const shape = query.data?.parts[i];
      return shape ? [{ ...shape, name: p.name, behind: p.behind, colour: p.colour, places: p.places }] : [];
    }),
    stuck: figure.stuck.flatMap((s) =>
      reference.decor.parts
        .filter((p) => p.code === s.part)
        .map((p) => ({ part: p.code, name: p.plural, srgb: p.srgb, across: p.across.value, places: s.places })),
    ),
  };
  const errors = query.error instanceof ApiError ? query.error.errors : {};
  return { figure: drawn, errorOf: (field: string) => errors[field]?.join(" ") };
}

const newPart = (figure: OwnFigure): Part => ({
  ...{ code: "", name: "", centre: figure.body, size: figure.bodySize, kept: 1, cuts: 1, spoil: 0.05, depth: 1 },
  ...{ behind: false, onEdge: false, joined: false, colour: null },
  places: [beside],
});

/** The same place on the other side of the body. */
const mirrored = ({ x, y, turn }: Spot): Spot => ({ x: -x, y, turn: turn === 0 ? 0 : -turn });

export const pieceName = (reference: Reference, centre: string, size: string) =>
  `${sizeOf(reference, centre, size)?.name ?? ""} ${centreOf(reference, centre)?.name ?? centre}`.trim();

/** A colour of a figure's part as it is drawn in a list: its own, or the body's. */
export const partSrgb = (reference: Reference, colour: string | null) =>
  (reference.colours.find((c) => c.coating === reference.usualCoating && c.code === colour) ?? usualColour(reference))
    ?.srgb ?? "#888888";

const usualColour = (reference: Reference) => reference.colours.find((c) => c.coating === reference.usualCoating);

/** A figure's body, dipped whole. */
export function bodyOf(reference: Reference, figure: Pick<OwnFigure, "body" | "bodySize">): PieceLook | undefined {
  const centre = centreOf(reference, figure.body);
  const size = sizeOf(reference, figure.body, figure.bodySize);
  if (!centre || !size) return undefined;
  const coat = { srgb: usualColour(reference)?.srgb ?? "#888888", film: 2, angle: 0, upTo: size.length };
  return {
    centre: { ...centre, holding: "fork" },
    size,
    stick: 0,
    disc: undefined,
    coats: [coat],
    patterns: [],
    sprinkles: [],
    parts: [],
    lustre: undefined,
  };
}
