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
import { NumberField, PickField, TextField } from "../../ui/fields";
import { FieldNote } from "../../ui/notes";
import { codeOf, useKeep } from "../../ui/useKeep";
import { beside, type ErrorOf, type Part, PartFields, PieceField, Places, type Spot } from "./FigureParts";
import { FigurePicture, type Place } from "../piece/FigurePicture";
import type { PieceLook } from "../piece/points";
import { say } from "../../wording/say";

type Stuck = OwnFigure["stuck"][number];

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
              label={say("kitchen.name-one")}
              value={figure.name}
              onChange={(name) => change({ name })}
              error={e("name")}
            />
            <TextField
              label={say("kitchen.plural")}
              value={figure.plural}
              onChange={(plural) => change({ plural })}
              error={e("plural")}
            />
            <PieceField
              label={say("kitchen.body")}
              reference={reference}
              centre={figure.body}
              size={figure.bodySize}
              onChange={(body, bodySize) => change({ body, bodySize })}
              error={e("body")}
            />
            <NumberField
              label={say("kitchen.body-turned")}
              unit="°"
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
              <legend className="sr-only">{say("kitchen.stuck", { number: i + 1 })}</legend>
              <div className="grid items-end gap-3 sm:grid-cols-2">
                <PickField
                  label={say("kitchen.stuck-2")}
                  value={stuck.part}
                  options={reference.decor.parts.map((p) => ({ value: p.code, label: p.plural }))}
                  onChange={(part) => changeStuck(i, { part })}
                  error={e(`stuck[${i}].part`)}
                />
                <p>
                  <TextButton onClick={() => change({ stuck: figure.stuck.filter((_, j) => j !== i) })}>
                    {say("kitchen.remove-these")}
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
              {say("kitchen.add-dipped-part")}
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
              {say("kitchen.add-something-stick")}
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
              label={say("kitchen.as-built", { name: figure.name || "figure" })}
              className="bg-parchment aspect-square w-full rounded-lg p-2"
              move={move}
            />
            <p className="text-ink2 mt-1 text-[13px]">{say("kitchen.drag-part-its-place-or")}</p>
          </div>
        )}
      </div>
      <KeepButtons pending={keep.isPending} error={keep.error ?? remove.error} cancel={props.close}>
        {item && things.own.includes(item.code) && (
          <TextButton onClick={() => remove.mutate(item.code)}>
            {things.shipped.includes(item.code) ? say("kitchen.reset-default") : say("ui.remove-2")}
          </TextButton>
        )}
      </KeepButtons>
    </form>
  );
}

/** The shapes of a figure's parts as the server cuts them, with the places, names and colours of the form. */
function useDrawing(figure: OwnFigure, reference: Reference) {
  const shapes = figure.parts.map((p) => [p.centre, p.size, p.kept, p.cuts, p.onEdge, p.depth, p.spoil]);
  const query = useQuery({
    queryKey: ["figureDrawing", figure.body, figure.bodySize, shapes],
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
