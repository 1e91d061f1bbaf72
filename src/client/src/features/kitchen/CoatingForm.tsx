import { useState } from "react";
import { answer, api, type OwnCoating, type Reference } from "../../api/client";
import { Labelled, NumberField, TextField, Tick } from "../../ui/fields";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { codeOf, useKeep } from "../../ui/useKeep";
import { AllergenFields } from "../../ui/AllergenFields";
import { say } from "../../wording/say";

type Pack = OwnCoating["packs"][number];
type Colour = OwnCoating["colours"][number];

const fresh: OwnCoating = {
  code: "",
  name: "",
  couverture: false,
  fatPerServing: 9,
  serving: 30,
  meltAtMost: 43,
  dipFrom: 34,
  dipTo: 36,
  thinners: ["flakes"],
  allergens: ["milk", "soy"],
  packs: [{ mass: 340, price: 4, coupon: null, coupons: 0, paid: true }],
  colours: [{ code: "", name: say("kitchen.dark"), srgb: "#4a2616" }],
};

/** A coating as its label tells it. */
export function CoatingForm(props: {
  coating: OwnCoating | undefined;
  thinners: Reference["thinners"];
  allergens: string[];
  taken: string[];
  own: boolean;
  shipped: boolean;
  close: () => void;
  onRemoved: (coating: OwnCoating) => void;
}) {
  const [coating, setCoating] = useState(props.coating ?? fresh);
  const keep = useKeep((body: OwnCoating) => answer(api.PUT("/api/kitchen/coatings", { body })), props.close);
  const remove = useKeep(
    (code: string) => answer(api.DELETE("/api/kitchen/coatings/{code}", { params: { path: { code } } })),
    () => {
      if (!props.shipped) props.onRemoved(coating);
      props.close();
    },
  );
  const change = (part: Partial<OwnCoating>) => setCoating((c) => ({ ...c, ...part }));
  const changePack = (at: number, part: Partial<Pack>) =>
    change({ packs: coating.packs.map((p, i) => (i === at ? { ...p, ...part } : p)) });
  const changeColour = (at: number, part: Partial<Colour>) =>
    change({ colours: coating.colours.map((c, i) => (i === at ? { ...c, ...part } : c)) });
  const number = (
    field: "fatPerServing" | "serving" | "meltAtMost" | "dipFrom" | "dipTo",
    label: string,
    unit: string,
  ) => (
    <NumberField
      label={label}
      unit={unit}
      value={coating[field]}
      onChange={(value) => change({ [field]: value ?? 0 })}
      error={keep.errorOf(field)}
    />
  );

  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        const code = coating.code || codeOf(coating.name, props.taken);
        const colours = coating.colours.map((c, i) => ({
          ...c,
          code:
            c.code ||
            codeOf(
              c.name,
              coating.colours.filter((_, j) => j !== i).map((d) => d.code),
            ),
        }));
        keep.mutate({ ...coating, code, colours });
      }}
    >
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField
          label={say("ui.name")}
          value={coating.name}
          onChange={(name) => change({ name })}
          error={keep.errorOf("name") ?? keep.errorOf("code")}
        />
        {number("fatPerServing", say("kitchen.fat-serving"), "g")}
        {number("serving", say("kitchen.serving"), "g")}
        {number("meltAtMost", say("kitchen.melt-most"), "°C")}
        {number("dipFrom", say("kitchen.dip-from"), "°C")}
        {number("dipTo", say("kitchen.dip-up"), "°C")}
      </div>
      <div className="mt-3 flex flex-wrap gap-x-6">
        <Tick
          label={say("kitchen.needs-tempering")}
          checked={coating.couverture}
          onChange={(couverture) => change({ couverture })}
        />
        {props.thinners.map((thinner) => (
          <Tick
            key={thinner.code}
            label={say("kitchen.takes", { name: thinner.name })}
            checked={coating.thinners.includes(thinner.code)}
            onChange={(on) =>
              change({
                thinners: [...coating.thinners.filter((t) => t !== thinner.code), ...(on ? [thinner.code] : [])],
              })
            }
          />
        ))}
      </div>
      <h4 className="mt-4 font-bold">{say("kitchen.packs")}</h4>
      {coating.packs.map((pack, i) => (
        <fieldset key={i} className="border-line mt-2 grid items-end gap-3 border-l-2 pl-3 sm:grid-cols-5">
          <legend className="sr-only">{say("kitchen.pack", { number: i + 1 })}</legend>
          <NumberField
            label={say("kitchen.holds")}
            unit="g"
            value={pack.mass}
            onChange={(mass) => changePack(i, { mass: mass ?? 0 })}
            error={keep.errorOf(`packs[${i}].mass`)}
          />
          <NumberField
            label={say("kitchen.price")}
            unit="money"
            value={pack.price}
            onChange={(price) => changePack(i, { price: price ?? 0, paid: true })}
            error={keep.errorOf(`packs[${i}].price`)}
          />
          <NumberField
            label={say("kitchen.coupon-value")}
            unit="money"
            value={pack.coupon ?? null}
            onChange={(coupon) => changePack(i, { coupon })}
            error={keep.errorOf(`packs[${i}].coupon`)}
          />
          <NumberField
            label={say("kitchen.coupons-you-have")}
            value={pack.coupons}
            onChange={(coupons) => changePack(i, { coupons: Math.trunc(coupons ?? 0) })}
            error={keep.errorOf(`packs[${i}].coupons`)}
          />
          <TextButton onClick={() => change({ packs: coating.packs.filter((_, j) => j !== i) })}>
            {say("kitchen.remove-pack-size")}
          </TextButton>
        </fieldset>
      ))}
      <p className="mt-2">
        <TextButton
          onClick={() =>
            change({ packs: [...coating.packs, { mass: 1000, price: 0, coupon: null, coupons: 0, paid: false }] })
          }
        >
          {say("ui.add-pack-size")}
        </TextButton>
      </p>
      <h4 className="mt-4 font-bold">{say("ui.colours")}</h4>
      <div className="mt-1 grid gap-3 sm:grid-cols-3">
        {coating.colours.map((colour, i) => (
          <div key={i} className="flex items-end gap-2">
            <Labelled label={say("ui.colour")} error={keep.errorOf(`colours[${i}].srgb`)}>
              {(ids) => (
                <input
                  {...ids}
                  type="color"
                  className="h-9.5 w-12 cursor-pointer bg-transparent"
                  value={colour.srgb}
                  onChange={(e) => changeColour(i, { srgb: e.target.value })}
                />
              )}
            </Labelled>
            <TextField
              label={say("ui.colour")}
              className="min-w-0"
              value={colour.name}
              onChange={(name) => changeColour(i, { name })}
              error={keep.errorOf(`colours[${i}].name`) ?? keep.errorOf(`colours[${i}].code`)}
            />
            {coating.colours.length > 1 && (
              <TextButton
                label={say("ui.remove-3", { name: colour.name })}
                onClick={() => change({ colours: coating.colours.filter((_, j) => j !== i) })}
              >
                {say("ui.remove-2")}
              </TextButton>
            )}
          </div>
        ))}
      </div>
      <p className="mt-2">
        <TextButton onClick={() => change({ colours: [...coating.colours, { code: "", name: "", srgb: "#888888" }] })}>
          {say("kitchen.add-colour")}
        </TextButton>
        {keep.errorOf("colours") && <span className="text-mind ml-4 text-[15px]">{keep.errorOf("colours")}</span>}
      </p>
      <AllergenFields
        names={props.allergens}
        allergens={coating.allergens}
        mayContain={coating.mayContain}
        onChange={change}
        error={keep.errorOf("allergens") ?? keep.errorOf("mayContain")}
      />
      <KeepButtons pending={keep.isPending} error={keep.error ?? remove.error} cancel={props.close}>
        {props.own && (
          <TextButton onClick={() => remove.mutate(coating.code)}>
            {props.shipped ? say("kitchen.reset-default") : say("ui.remove-2")}
          </TextButton>
        )}
      </KeepButtons>
    </form>
  );
}
