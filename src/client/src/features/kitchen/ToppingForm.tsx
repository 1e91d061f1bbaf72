import { useState } from "react";
import { answer, api, type Reference } from "../../api/client";
import { TextButton } from "../../ui/buttons";
import { Labelled, NumberField, PickField, Tick } from "../../ui/fields";
import { TrimForm, type Topping, type TrimFormProps } from "./TrimForm";
import { say } from "../../wording/say";

const sides = [
  { value: "front", label: say("kitchen.one-side") },
  { value: "both", label: say("ui.all-round") },
  { value: "tip", label: say("kitchen.tip") },
] as const;

export const keepTopping = (body: Topping) => answer(api.PUT("/api/kitchen/toppings", { body }));
const removeTopping = (code: string) =>
  answer(api.DELETE("/api/kitchen/toppings/{code}", { params: { path: { code } } }));

/** What a new topping starts with; most are tried on cookies first. */
function usualWeighing(reference: Reference): NonNullable<Topping["weighed"]> {
  const centre = reference.centres.find((c) => c.code === "sandwich-cookie") ?? reference.centres[0];
  return {
    ...{ centre: centre?.code ?? "", size: centre?.sizes[0]?.code ?? "" },
    ...{ pieces: 20, grams: 45, side: "front", cover: 0.6 },
  };
}

/** Something that is sprinkled on: how much of it, how it looks and what is in it. */
export function ToppingForm(props: TrimFormProps<Topping>) {
  const { reference } = props;
  const [topping, setTopping] = useState<Topping>(
    props.item ?? {
      ...{ code: "", name: "", perArea: null, weighed: usualWeighing(reference), grain: 3, form: "bead" },
      srgb: ["#d8a860"],
      ...{ heavy: false, only: null, allergens: null, mayContain: null, words: [] },
    },
  );
  const change = (part: Partial<Topping>) => setTopping((t) => ({ ...t, ...part }));
  const { weighed } = topping;
  const centre = reference.centres.find((c) => c.code === weighed?.centre);
  return (
    <TrimForm
      {...props}
      thing={topping}
      change={change}
      taken={props.things.toppings.map((t) => t.code)}
      ware={{ kind: "sprinkle", name: topping.name, unit: "g" }}
      keep={keepTopping}
      remove={removeTopping}
      nameLabel={say("ui.name")}
      fields={(e) => (
        <>
          <PickField
            label={say("ui.how-much")}
            value={weighed ? "weighed" : "area"}
            options={[
              { value: "weighed", label: say("kitchen.what-some-pieces-took") },
              { value: "area", label: say("kitchen.grams-square-centimetre") },
            ]}
            onChange={(how) =>
              change(
                how === "area"
                  ? { weighed: null, perArea: topping.perArea ?? 0.2 }
                  : { perArea: null, weighed: usualWeighing(reference) },
              )
            }
          />
          {weighed ? (
            <>
              <NumberField
                label={say("ui.pieces")}
                value={weighed.pieces}
                onChange={(pieces) => change({ weighed: { ...weighed, pieces: Math.round(pieces ?? 0) } })}
                error={e("weighed.pieces")}
              />
              <NumberField
                label={say("kitchen.took")}
                unit="g"
                value={weighed.grams}
                onChange={(grams) => change({ weighed: { ...weighed, grams: grams ?? 0 } })}
                error={e("weighed.grams")}
              />
              <PickField
                label={say("kitchen.weighed")}
                value={weighed.centre}
                options={reference.centres.filter((c) => !c.figure).map((c) => ({ value: c.code, label: c.plural }))}
                onChange={(code) => {
                  const sizes = reference.centres.find((c) => c.code === code)?.sizes ?? [];
                  change({ weighed: { ...weighed, centre: code, size: sizes[0]?.code ?? "" } });
                }}
                error={e("weighed.centre")}
              />
              {centre && centre.sizes.length > 1 && (
                <PickField
                  label={say("kitchen.their-size")}
                  value={weighed.size}
                  options={centre.sizes.map((s) => ({ value: s.code, label: s.name }))}
                  onChange={(size) => change({ weighed: { ...weighed, size } })}
                />
              )}
              <PickField
                label={say("kitchen.where-went")}
                value={weighed.side}
                options={[...sides]}
                onChange={(side) => change({ weighed: { ...weighed, side } })}
              />
              <NumberField
                label={say("kitchen.covered")}
                unit="%"
                value={Math.round(weighed.cover * 100)}
                onChange={(share) => change({ weighed: { ...weighed, cover: (share ?? 0) / 100 } })}
                error={e("weighed.cover")}
              />
            </>
          ) : (
            <NumberField
              label={say("kitchen.square-centimetre-g")}
              value={topping.perArea}
              onChange={(perArea) => change({ perArea: perArea ?? 0 })}
              error={e("perArea")}
            />
          )}
          <NumberField
            label={say("kitchen.grain-mm")}
            unit="fineMm"
            value={topping.grain}
            onChange={(grain) => change({ grain: grain ?? 0 })}
            error={e("grain")}
          />
          <PickField
            label={say("kitchen.its-grains")}
            value={topping.form}
            options={[
              { value: "bead", label: say("kitchen.beads") },
              { value: "rod", label: say("kitchen.short-rods") },
              { value: "crystal", label: say("kitchen.crystals") },
              { value: "flake", label: say("kitchen.flakes-or-crumbs") },
            ]}
            onChange={(form) => change({ form })}
          />
          <Colours srgb={topping.srgb} onChange={(srgb) => change({ srgb })} error={e("srgb")} />
        </>
      )}
      below={
        <Tick
          label={say("kitchen.slides-off-wet-coat-wait")}
          checked={topping.heavy}
          onChange={(heavy) => change({ heavy })}
        />
      }
    />
  );
}

function Colours(props: { srgb: string[]; onChange: (srgb: string[]) => void; error: string | undefined }) {
  const { srgb, onChange } = props;
  return (
    <Labelled label={say("ui.colours")} error={props.error}>
      {(ids) => (
        <span className="flex items-center gap-1">
          {srgb.map((colour, i) => (
            <input
              key={i}
              {...(i === 0 ? ids : { "aria-label": say("kitchen.colour", { number: i + 1 }) })}
              type="color"
              className="block h-9.5 w-9 cursor-pointer bg-transparent"
              value={colour}
              onChange={(e) => onChange(srgb.map((c, j) => (i === j ? e.target.value : c)))}
            />
          ))}
          <TextButton onClick={() => onChange([...srgb, srgb.at(-1) ?? "#d8a860"])} label={say("kitchen.add-colour")}>
            +
          </TextButton>
          {srgb.length > 1 && (
            <TextButton onClick={() => onChange(srgb.slice(0, -1))} label={say("kitchen.remove-colour")}>
              −
            </TextButton>
          )}
        </span>
      )}
    </Labelled>
  );
}
