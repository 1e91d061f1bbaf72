import { useState } from "react";
import { answer, api, type Kind, type OwnCentre } from "../../api/client";
import { NumberField, PickField, TextField, Tick } from "../../ui/fields";
import { MeasureFields } from "./MeasureFields";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { codeOf, useKeep } from "../../ui/useKeep";
import { AllergenFields } from "../../ui/AllergenFields";
import { say } from "../../wording/say";

type Size = OwnCentre["sizes"][number];

const noSize: Size = { code: "one", name: "", mass: 20, measures: { diameter: 30, bareCap: 0 } };

const fresh: OwnCentre = {
  code: "",
  name: "",
  plural: "",
  shape: "ball",
  holding: "fork",
  upright: false,
  usualDepth: 1,
  spoil: 0.05,
  pack: null,
  allergens: null,
  mayContain: null,
  prep: [],
  sizes: [noSize],
};

/** Measures and habits of a centre. */
export function CentreForm(props: {
  centre: OwnCentre | undefined;
  shapes: Kind[];
  allergens: string[];
  taken: string[];
  own: boolean;
  shipped: boolean;
  close: () => void;
  onRemoved: (centre: OwnCentre) => void;
}) {
  const [centre, setCentre] = useState(props.centre ?? fresh);
  const keep = useKeep((body: OwnCentre) => answer(api.PUT("/api/kitchen/centres", { body })), props.close);
  const remove = useKeep(
    (code: string) => answer(api.DELETE("/api/kitchen/centres/{code}", { params: { path: { code } } })),
    () => {
      if (!props.shipped) props.onRemoved(centre);
      props.close();
    },
  );
  const change = (part: Partial<OwnCentre>) => setCentre((c) => ({ ...c, ...part }));
  const changeSize = (at: number, part: Partial<Size>) =>
    change({ sizes: centre.sizes.map((s, i) => (i === at ? { ...s, ...part } : s)) });
  const measures = props.shapes.find((s) => s.code === centre.shape)?.measures ?? [];
  const e = keep.errorOf;

  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        const code = centre.code || codeOf(centre.name, props.taken);
        const sizes = centre.sizes.map((s, i) => ({
          ...s,
          code:
            s.code ||
            codeOf(
              s.name,
              centre.sizes.slice(0, i).map((t) => t.code),
            ),
        }));
        keep.mutate({ ...centre, code, plural: centre.plural || `${centre.name}s`, sizes });
      }}
    >
      <div className="grid gap-4 sm:grid-cols-4">
        <TextField
          label={say("kitchen.name-one")}
          value={centre.name}
          onChange={(name) => change({ name })}
          error={e("name")}
        />
        <TextField
          label={say("kitchen.plural")}
          value={centre.plural}
          onChange={(plural) => change({ plural })}
          error={e("plural")}
        />
        <PickField
          label={say("kitchen.shape")}
          value={centre.shape}
          options={props.shapes.map((s) => ({ value: s.code, label: s.name }))}
          onChange={(shape) => change({ shape })}
          error={e("shape")}
        />
        <PickField
          label={say("kitchen.how-held")}
          value={centre.holding}
          options={[
            { value: "by hand", label: say("kitchen.by-its-end") },
            { value: "stick", label: say("kitchen.stick") },
            { value: "fork", label: say("kitchen.fork") },
            { value: "mould", label: say("kitchen.mould") },
          ]}
          onChange={(holding) => change({ holding })}
        />
        <NumberField
          label={say("kitchen.usually-dipped")}
          unit="%"
          value={Math.round(centre.usualDepth * 1000) / 10}
          onChange={(percent) => change({ usualDepth: (percent ?? 0) / 100 })}
          error={e("usualDepth")}
        />
        <NumberField
          label={say("kitchen.rejects")}
          unit="%"
          value={Math.round(centre.spoil * 1000) / 10}
          onChange={(percent) => change({ spoil: (percent ?? 0) / 100 })}
          error={e("spoil")}
        />
        <NumberField
          label={say("kitchen.pieces-pack")}
          value={centre.pack}
          onChange={(pack) => change({ pack })}
          error={e("pack")}
        />
        <div className="self-end">
          <Tick
            label={say("kitchen.sets-standing-up")}
            checked={centre.upright}
            onChange={(upright) => change({ upright })}
          />
        </div>
      </div>
      <h4 className="mt-5 font-bold">{say("kitchen.sizes-measured")}</h4>
      {centre.sizes.map((size, i) => (
        <fieldset key={i} className="border-line mt-2 grid items-end gap-3 border-l-2 pl-3 sm:grid-cols-6">
          <legend className="sr-only">{say("kitchen.size", { number: i + 1 })}</legend>
          <TextField
            label={say("ui.size")}
            value={size.name}
            onChange={(name) => changeSize(i, { name })}
            error={e(`sizes[${i}].code`)}
          />
          <NumberField
            label={say("kitchen.one-weighs")}
            unit="g"
            value={size.mass}
            onChange={(mass) => changeSize(i, { mass: mass ?? 0 })}
            error={e(`sizes[${i}].mass`)}
          />
          <MeasureFields
            measures={measures}
            values={size.measures}
            onChange={(measures) => changeSize(i, { measures })}
            errorOf={(code) => e(`sizes[${i}].measures.${code}`)}
          />
          {centre.sizes.length > 1 && (
            <TextButton onClick={() => change({ sizes: centre.sizes.filter((_, j) => j !== i) })}>
              {say("kitchen.remove-size")}
            </TextButton>
          )}
          {e(`sizes[${i}].measures`) && (
            <p role="alert" className="text-mind text-[13px] sm:col-span-6">
              {e(`sizes[${i}].measures`)}
            </p>
          )}
        </fieldset>
      ))}
      <p className="mt-2">
        <TextButton
          onClick={() =>
            change({ sizes: [...centre.sizes, { ...(centre.sizes.at(-1) ?? noSize), code: "", name: "" }] })
          }
        >
          {say("kitchen.add-size")}
        </TextButton>
        {e("sizes") && <span className="text-mind ml-4 text-[15px]">{e("sizes")}</span>}
      </p>
      <TextField
        className="mt-4"
        label={say("kitchen.steps-before-dipping-one-per")}
        lines={3}
        value={centre.prep.join("\n")}
        onChange={(text) => change({ prep: text ? text.split("\n") : [] })}
      />
      <AllergenFields
        names={props.allergens}
        allergens={centre.allergens}
        mayContain={centre.mayContain}
        onChange={change}
        error={e("allergens") ?? e("mayContain")}
      />
      <KeepButtons pending={keep.isPending} error={keep.error ?? remove.error} cancel={props.close}>
        {props.own && (
          <TextButton onClick={() => remove.mutate(centre.code)}>
            {props.shipped ? say("kitchen.reset-default") : say("ui.remove-2")}
          </TextButton>
        )}
      </KeepButtons>
    </form>
  );
}
