import { useState } from "react";
import { answer, api, type KitchenThings, type OwnTint } from "../../api/client";
import { Dot } from "../../ui/Choice";
import { Labelled, NumberField, PickField, TextField } from "../../ui/fields";
import type { Room } from "./KitchenPage";
import { AddNew, Item, Removed } from "./parts";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { codeOf, useKeep } from "../../ui/useKeep";
import { say } from "../../wording/say";

type TintItem = KitchenThings["tints"][number];

/** What coating is coloured with, each known by a swatch in bright white. */
export function Tints({ things }: Room) {
  const [removed, setRemoved] = useState<OwnTint>();
  const keep = useKeep(
    (body: OwnTint) => answer(api.PUT("/api/kitchen/tints", { body })),
    () => setRemoved(undefined),
  );
  const codes = things.tints.map((item) => item.tint.code);
  const form = (item: TintItem | undefined, close: () => void) => (
    <TintForm item={item} taken={codes} close={close} onRemoved={setRemoved} />
  );
  return (
    <>
      <AddNew label={say("kitchen.add-my-own-colour")} form={(close) => form(undefined, close)} />
      <Removed name={removed?.name} putBack={() => removed && keep.mutate(removed)} />
      <p className="text-ink2 mb-3">{say("kitchen.stir-few-drops-into-100")}</p>
      <ul>
        {things.tints.map((item) => (
          <Item
            key={item.tint.code}
            name={
              <>
                <Dot srgb={item.tint.swatch} />
                {item.tint.name}
              </>
            }
            own={item.own}
            change={say("kitchen.change-3", { name: item.tint.name })}
            facts={say("kitchen.drops-100-g-bright-white", {
              carried: carried[item.tint.carrier],
              drops: item.tint.drops,
            })}
            form={(close) => form(item, close)}
          />
        ))}
      </ul>
    </>
  );
}

const carried: Record<OwnTint["carrier"], string> = {
  oil: say("kitchen.oil-based"),
  powder: say("kitchen.powder"),
  water: say("kitchen.water-based"),
};

function TintForm(props: {
  item: TintItem | undefined;
  taken: string[];
  close: () => void;
  onRemoved: (tint: OwnTint) => void;
}) {
  const { item } = props;
  const [tint, setTint] = useState<OwnTint>(
    item?.tint ?? { code: "", name: "", carrier: "oil", swatch: "#e08a9c", drops: 10 },
  );
  const keep = useKeep((body: OwnTint) => answer(api.PUT("/api/kitchen/tints", { body })), props.close);
  const remove = useKeep(
    (code: string) => answer(api.DELETE("/api/kitchen/tints/{code}", { params: { path: { code } } })),
    () => {
      if (!item?.shipped) props.onRemoved(tint);
      props.close();
    },
  );
  const change = (part: Partial<OwnTint>) => setTint((t) => ({ ...t, ...part }));
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate({ ...tint, code: tint.code || codeOf(tint.name, props.taken) });
      }}
    >
      <div className="grid gap-4 sm:grid-cols-4">
        <TextField
          label={say("ui.name")}
          value={tint.name}
          onChange={(name) => change({ name })}
          error={keep.errorOf("name")}
        />
        <PickField
          label={say("kitchen.carrier")}
          value={tint.carrier}
          options={[
            { value: "oil", label: say("kitchen.oil") },
            { value: "powder", label: say("kitchen.powder-pinches") },
            { value: "water", label: say("ui.water") },
          ]}
          onChange={(carrier) => change({ carrier })}
        />
        <NumberField
          label={say("kitchen.drops-100-g-bright-white-2")}
          value={tint.drops}
          onChange={(drops) => change({ drops: Math.round(drops ?? 0) })}
          error={keep.errorOf("drops")}
        />
        <Labelled label={say("kitchen.colour-when-set")} error={keep.errorOf("swatch")}>
          {(ids) => (
            <input
              {...ids}
              type="color"
              className="block h-9.5 w-20 cursor-pointer bg-transparent"
              value={tint.swatch}
              onChange={(e) => change({ swatch: e.target.value })}
            />
          )}
        </Labelled>
      </div>
      <KeepButtons pending={keep.isPending} error={keep.error ?? remove.error} cancel={props.close}>
        {item?.own && (
          <TextButton onClick={() => remove.mutate(tint.code)}>
            {item.shipped ? say("kitchen.reset-default") : say("ui.remove")}
          </TextButton>
        )}
      </KeepButtons>
    </form>
  );
}
