import { useState } from "react";
import { answer, api, type KitchenThings, type OwnTint } from "../../api/client";
import { Dot } from "../../ui/Choice";
import { Labelled, NumberField, PickField, TextField } from "../../ui/fields";
import type { Room } from "./KitchenPage";
import { AddNew, Item, Removed } from "./parts";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { codeOf, useKeep } from "../../ui/useKeep";

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
      <AddNew label="A colour of my own" form={(close) => form(undefined, close)} />
      <Removed name={removed?.name} putBack={() => removed && keep.mutate(removed)} />
      <p className="text-ink2 mb-3">
        Stir a few drops into 100 g of bright white, let a dab set, and pick its colour by eye: recipes are computed
        from that.
      </p>
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
            change={`Change ${item.tint.name}`}
            facts={`${carried[item.tint.carrier]}; ${item.tint.drops} drops in 100 g of bright white look so`}
            form={(close) => form(item, close)}
          />
        ))}
      </ul>
    </>
  );
}

const carried: Record<OwnTint["carrier"], string> = { oil: "oil-based", powder: "powder", water: "water-based" };

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
        <TextField label="Name" value={tint.name} onChange={(name) => change({ name })} error={keep.errorOf("name")} />
        <PickField
          label="Carried by"
          value={tint.carrier}
          options={[
            { value: "oil", label: "oil" },
            { value: "powder", label: "powder, in pinches" },
            { value: "water", label: "water" },
          ]}
          onChange={(carrier) => change({ carrier })}
        />
        <NumberField
          label="Drops in 100 g of bright white"
          value={tint.drops}
          onChange={(drops) => change({ drops: Math.round(drops ?? 0) })}
          error={keep.errorOf("drops")}
        />
        <Labelled label="Look so" error={keep.errorOf("swatch")}>
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
            {item.shipped ? "Back to how the trade has it" : "Remove"}
          </TextButton>
        )}
      </KeepButtons>
    </form>
  );
}
