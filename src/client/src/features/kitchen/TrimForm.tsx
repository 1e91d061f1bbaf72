import { useState } from "react";
import { answer, api, type KitchenThings, type OwnWare, type Reference } from "../../api/client";
import { AllergenFields } from "../../ui/AllergenFields";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { NumberField, PickField, TextField } from "../../ui/fields";
import { codeOf, useKeep } from "../../ui/useKeep";
import { say } from "../../wording/say";

export type Topping = KitchenThings["toppings"][number];
export type Part = KitchenThings["parts"][number];
type Trim = Pick<Topping, "code" | "name" | "only" | "allergens" | "mayContain" | "words">;

export const holds = [
  { value: "", label: say("kitchen.wet-coat-or-glued") },
  { value: "wet", label: say("kitchen.wet-coat-only") },
  { value: "set", label: say("kitchen.glued-only") },
] as const;

/** What a form for something that goes onto a coat is given. */
export interface TrimFormProps<T> {
  item: T | undefined;
  things: KitchenThings;
  reference: Reference;
  close: () => void;
  onRemoved: (thing: T) => void;
}

/** A form for something that goes onto a coat: what every kind has, with its own fields between. */
export function TrimForm<T extends Trim>(
  props: TrimFormProps<T> & {
    thing: T;
    change: (part: Partial<Trim>) => void;
    /** Codes that are taken. */
    taken: string[];
    /** The ware it is bought as, without its code; what its pack holds is counted in. */
    ware: { kind: "sprinkle" | "part"; name: string; unit: OwnWare["unit"] };
    keep: (thing: T) => Promise<unknown>;
    remove: (code: string) => Promise<unknown>;
    nameLabel: string;
    fields: (errorOf: (field: string) => string | undefined) => React.ReactNode;
    below?: React.ReactNode;
  },
) {
  const { item, thing, things, change, ware } = props;
  const [holdsInPack, setHolds] = useState<number | null>(null);
  const [price, setPrice] = useState<number | null>(null);
  const keep = useKeep(async (body: T) => {
    await props.keep(body);
    if (!holdsInPack) return;
    const packs = [{ holds: holdsInPack, price: price ?? 0 }];
    const bought = { code: `${ware.kind}.${body.code}`, name: ware.name, unit: ware.unit, packs, low: 0 };
    await answer(api.PUT("/api/kitchen/wares", { body: bought }));
  }, props.close);
  const remove = useKeep(props.remove, () => {
    if (item && !things.shipped.includes(item.code)) props.onRemoved(item);
    props.close();
  });
  const e = keep.errorOf;
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate({ ...thing, code: thing.code || codeOf(thing.name, props.taken) });
      }}
    >
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField label={props.nameLabel} value={thing.name} onChange={(name) => change({ name })} error={e("name")} />
        <TextField
          label={say("kitchen.also-called-separate-with-commas")}
          value={(thing.words ?? []).join(", ")}
          onChange={(text) => change({ words: text ? text.split(",").map((word) => word.trimStart()) : [] })}
          error={e("words")}
        />
        <PickField
          label={say("kitchen.holds")}
          value={thing.only ?? ""}
          options={[...holds]}
          onChange={(only) => change({ only: only === "" ? null : only })}
        />
        {props.fields(e)}
        <NumberField
          label={say("kitchen.pack-holds-optional", { unit: ware.unit })}
          value={holdsInPack}
          onChange={setHolds}
        />
        <NumberField label={say("kitchen.price-pack")} unit="money" value={price} onChange={setPrice} />
      </div>
      {props.below}
      <AllergenFields
        names={props.reference.allergens}
        allergens={thing.allergens}
        mayContain={thing.mayContain}
        onChange={change}
        error={e("allergens") ?? e("mayContain")}
      />
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
