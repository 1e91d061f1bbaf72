import { useState } from "react";
import { answer, api, type Fillings, type OwnFilling, type RecipeRead, type Reference } from "../../api/client";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { NumberField, PickField, TextField } from "../../ui/fields";
import { codeOf, useKeep } from "../../ui/useKeep";
import { put } from "../looks/designed";
import { say } from "../../wording/say";

const own = "";
const unknown = "?";
const places = ["counter", "sink", "hob", "fridge", "freezer"];

/** A recipe of the maker's own, or one that was read from a file, to be put right and kept. */
export function FillingForm(props: {
  read: RecipeRead;
  fillings: Fillings;
  reference: Reference;
  close: (kept?: string) => void;
  onRemoved: (filling: OwnFilling) => void;
}) {
  const { reference, fillings } = props;
  const [filling, setFilling] = useState<OwnFilling>(() => ({
    ...props.read.filling,
    makes: props.read.filling.makes || "truffle-ball",
  }));
  const change = (part: Partial<OwnFilling>) => setFilling((f) => ({ ...f, ...part }));
  const codes = fillings.fillings.map((f) => f.code);
  const keep = useKeep(
    (body: OwnFilling) => answer(api.PUT("/api/kitchen/fillings", { body })),
    () => props.close(filling.code || codeOf(filling.name, codes)),
  );
  const there = fillings.fillings.find((f) => f.code === filling.code);
  const remove = useKeep(
    (code: string) => answer(api.DELETE("/api/kitchen/fillings/{code}", { params: { path: { code } } })),
    () => {
      props.onRemoved(filling);
      props.close();
    },
  );
  const errorOf = (field: string) =>
    keep.errorOf(field) ??
    (keep.isError
      ? undefined
      : props.read.problems
          .filter((p) => p.field === field)
          .map((p) => `${p.reason} ${p.remedy}`)
          .join(" ") || undefined);
  const makes = [
    ...reference.centres
      .filter((c) => !c.figure && c.holding !== "mould")
      .map((c) => ({ value: c.code, label: c.plural })),
    ...reference.decor.parts.map((p) => ({ value: `part.${p.code}`, label: p.plural })),
  ];
  return (
    <form
      aria-label={say("fillings.add-my-own-recipe")}
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate({ ...filling, code: filling.code || codeOf(filling.name, codes) });
      }}
    >
      {errorOf("pieces") && (
        <p role="note" className="border-mind bg-mind-ground mb-4 border-l-4 px-4 py-2">
          {errorOf("pieces")}
        </p>
      )}
      <div className="grid gap-4 sm:grid-cols-[1fr_14rem]">
        <TextField
          label={say("ui.name")}
          value={filling.name}
          onChange={(name) => change({ name })}
          error={errorOf("name")}
        />
        <PickField
          label={say("fillings.makes")}
          value={filling.makes}
          options={makes}
          onChange={(m) => change({ makes: m })}
          error={errorOf("makes")}
        />
        <TextField
          label={say("ui.notes")}
          value={filling.note}
          onChange={(note) => change({ note })}
          error={errorOf("note")}
          className="sm:col-span-2"
        />
      </div>
      <h3 className="mt-6 font-serif text-xl">{say("ui.ingredients")}</h3>
      <p className="text-ink2 text-[15px]">{say("fillings.any-batch-size-works-only")}</p>
      {filling.mix.map((mix, i) => {
        const set = (part: Partial<typeof mix>) => change({ mix: put(filling.mix, i, { ...mix, ...part }) });
        return (
          <div key={i} className="mt-2 grid items-end gap-4 sm:grid-cols-[12rem_1fr_8rem_auto]">
            <PickField
              label={say("fillings.ingredient", { number: i + 1 })}
              value={mix.ingredient ?? own}
              options={[
                { value: own, label: say("fillings.my-own-ingredient") },
                ...fillings.ingredients.map((f) => ({ value: f.code, label: f.name })),
              ]}
              onChange={(code) => set({ ingredient: code === own ? null : code, name: code === own ? mix.name : "" })}
              error={errorOf(`mix[${i}].ingredient`)}
            />
            {mix.ingredient === null ? (
              <div className="grid gap-4 sm:grid-cols-2">
                <TextField
                  label={say("ui.name")}
                  value={mix.name}
                  onChange={(name) => set({ name })}
                  error={errorOf(`mix[${i}].name`)}
                />
                <PickField
                  label={say("fillings.contains-allergen")}
                  value={mix.allergens === null ? unknown : (mix.allergens?.[0] ?? own)}
                  options={[
                    { value: unknown, label: say("ui.not-known-yet") },
                    { value: own, label: say("ui.none") },
                    ...reference.allergens.map((a) => ({ value: a, label: a })),
                  ]}
                  onChange={(a) => set({ allergens: a === unknown ? null : a === own ? [] : [a] })}
                  error={errorOf(`mix[${i}].allergens`)}
                />
              </div>
            ) : (
              <span />
            )}
            <NumberField
              label={say("fillings.amount")}
              unit="g"
              value={mix.grams}
              onChange={(grams) => set({ grams: grams ?? 0 })}
              error={errorOf(`mix[${i}].grams`)}
            />
            <TextButton
              label={say("fillings.remove-ingredient", { number: i + 1 })}
              onClick={() => change({ mix: put(filling.mix, i, undefined) })}
            >
              {say("ui.remove-2")}
            </TextButton>
          </div>
        );
      })}
      <p className="mt-2 flex gap-6">
        <TextButton
          onClick={() => change({ mix: [...filling.mix, { ingredient: null, name: "", grams: 0, allergens: null }] })}
        >
          {say("fillings.add-ingredient")}
        </TextButton>
      </p>
      <div className="mt-5 grid gap-4 sm:grid-cols-3">
        <NumberField
          label={say("fillings.portion-per-piece")}
          unit="g"
          value={filling.portion}
          onChange={(portion) => change({ portion: portion ?? 0 })}
          error={errorOf("portion")}
        />
        <NumberField
          label={say("fillings.left-tools")}
          unit="%"
          value={Math.round(filling.loss * 1000) / 10}
          onChange={(percent) => change({ loss: (percent ?? 0) / 100 })}
          error={errorOf("loss")}
        />
      </div>
      <h3 className="mt-6 font-serif text-xl">{say("fillings.method")}</h3>
      <ol>
        {filling.steps.map((step, i) => {
          const set = (part: Partial<typeof step>) => change({ steps: put(filling.steps, i, { ...step, ...part }) });
          return (
            <li
              key={i}
              className="border-line mt-2 grid items-end gap-x-4 gap-y-2 border-t border-dashed pt-2 sm:grid-cols-[1fr_7rem_7rem_7rem_auto]"
            >
              <TextField
                label={say("fillings.step", { number: i + 1 })}
                value={step.text}
                lines={2}
                onChange={(text) => set({ text })}
                error={errorOf(`steps[${i}].text`)}
              />
              <NumberField
                label={say("fillings.hands-min")}
                unit="min"
                value={step.hands}
                onChange={(hands) => set({ hands: hands ?? 0 })}
                error={errorOf(`steps[${i}].hands`)}
              />
              <NumberField
                label={say("fillings.then-waits-min")}
                unit="min"
                value={step.wait}
                onChange={(wait) => set({ wait: wait ?? 0 })}
              />
              <PickField
                label={say("fillings.where")}
                value={step.place}
                options={places.map((p) => ({ value: p, label: p }))}
                onChange={(place) => set({ place })}
                error={errorOf(`steps[${i}].place`)}
              />
              <TextButton
                label={say("fillings.remove-step", { number: i + 1 })}
                onClick={() => change({ steps: put(filling.steps, i, undefined) })}
              >
                {say("ui.remove-2")}
              </TextButton>
            </li>
          );
        })}
      </ol>
      <p className="mt-2">
        <TextButton
          onClick={() =>
            change({
              steps: [...filling.steps, { text: "", why: "", place: "counter", hands: 5, wait: 0, seconds: 0 }],
            })
          }
        >
          {say("fillings.add-step")}
        </TextButton>
      </p>
      <KeepButtons pending={keep.isPending} error={keep.error ?? remove.error} cancel={() => props.close()}>
        {there?.own && <TextButton onClick={() => remove.mutate(filling.code)}>{say("ui.remove-2")}</TextButton>}
      </KeepButtons>
    </form>
  );
}
