import { useState } from "react";
import { answer, api, type OwnMould, type Reference } from "../../api/client";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { NumberField, PickField, TextField, Tick } from "../../ui/fields";
import { useWording } from "../../ui/units";
import { codeOf, useKeep } from "../../ui/useKeep";
import type { Room } from "./KitchenPage";
import { MeasureFields } from "./MeasureFields";
import { AddNew, Item, Removed } from "./parts";
import { say } from "../../wording/say";

/** What pieces are moulded in: cavities, and how many there are. */
export function Moulds({ things, reference }: Room) {
  const wording = useWording();
  const [removed, setRemoved] = useState<OwnMould>();
  const keep = useKeep(
    (body: OwnMould) => answer(api.PUT("/api/kitchen/moulds", { body })),
    () => setRemoved(undefined),
  );
  const form = (mould: OwnMould | undefined, close: () => void) => (
    <MouldForm
      mould={mould}
      kinds={reference.cavityKinds}
      taken={things.moulds.map((m) => m.code)}
      own={!!mould && things.own.includes(mould.code)}
      shipped={!!mould && things.shipped.includes(mould.code)}
      close={close}
      onRemoved={setRemoved}
    />
  );
  return (
    <>
      <AddNew label={say("kitchen.add-my-own-mould")} form={(close) => form(undefined, close)} />
      <Removed name={removed?.name} putBack={() => removed && keep.mutate(removed)} />
      <ul>
        {things.moulds.map((mould) => {
          const known = reference.moulds.find((m) => m.code === mould.code);
          return (
            <Item
              key={mould.code}
              name={mould.name}
              own={things.own.includes(mould.code)}
              picture={known && <Cavity mould={known} />}
              change={say("kitchen.change-3", { name: mould.name })}
              facts={
                <p>
                  {say("kitchen.mould-2", { trays: mould.trays, cavities: mould.cavities })}{" "}
                  {known &&
                    say("kitchen.cavity-holds-deep", {
                      holds: wording.value(known.holds, "mL"),
                      deep: wording.value(known.deep, "mm"),
                    })}
                  {!mould.flush && say("kitchen.filled-just-over-its-insert")}
                </p>
              }
              form={(close) => form(mould, close)}
            />
          );
        })}
      </ul>
    </>
  );
}

/** A cavity cut open, at the scale of the others. */
function Cavity({ mould }: { mould: Reference["moulds"][number] }) {
  const [wide, deep] = [mould.long, mould.deep];
  return (
    <svg aria-hidden viewBox="-40 -6 80 48" className="h-12 w-20 shrink-0 self-center">
      <path
        d={`M-40 0H${-wide / 2}V${deep - 3}q0 3 3 3H${wide / 2 - 3}q3 0 3 -3V0H40`}
        className="stroke-board-edge fill-none"
        strokeWidth="2"
      />
    </svg>
  );
}

function MouldForm(props: {
  mould: OwnMould | undefined;
  kinds: Reference["cavityKinds"];
  taken: string[];
  own: boolean;
  shipped: boolean;
  close: () => void;
  onRemoved: (mould: OwnMould) => void;
}) {
  const [mould, setMould] = useState<OwnMould>(
    props.mould ?? {
      code: "",
      name: "",
      kind: "round",
      measures: { across: 55, deep: 16 },
      flush: true,
      cavities: 6,
      trays: 1,
    },
  );
  const keep = useKeep((body: OwnMould) => answer(api.PUT("/api/kitchen/moulds", { body })), props.close);
  const remove = useKeep(
    (code: string) => answer(api.DELETE("/api/kitchen/moulds/{code}", { params: { path: { code } } })),
    () => {
      if (!props.shipped) props.onRemoved(mould);
      props.close();
    },
  );
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate({ ...mould, code: mould.code || codeOf(mould.name, props.taken) });
      }}
    >
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField
          label={say("ui.name")}
          value={mould.name}
          onChange={(name) => setMould({ ...mould, name })}
          error={keep.errorOf("name")}
        />
        <PickField<OwnMould["kind"]>
          label={say("kitchen.shape-its-cavity")}
          value={mould.kind}
          options={props.kinds.map((k) => ({ value: k.code as OwnMould["kind"], label: k.name }))}
          onChange={(kind) => setMould({ ...mould, kind })}
        />
        <MeasureFields
          measures={props.kinds.find((k) => k.code === mould.kind)?.measures ?? []}
          values={mould.measures}
          onChange={(measures) => setMould({ ...mould, measures })}
          errorOf={(code) => keep.errorOf(`measures.${code}`)}
        />
        <NumberField
          label={say("kitchen.cavities-per-mould")}
          value={mould.cavities}
          onChange={(cavities) => setMould({ ...mould, cavities: Math.round(cavities ?? 0) })}
          error={keep.errorOf("cavities")}
        />
        <NumberField
          label={say("kitchen.how-many-these-moulds")}
          value={mould.trays}
          onChange={(trays) => setMould({ ...mould, trays: Math.round(trays ?? 0) })}
          error={keep.errorOf("trays")}
        />
        <Tick
          label={say("kitchen.filled-brim-scraped-flush")}
          checked={mould.flush}
          onChange={(flush) => setMould({ ...mould, flush })}
        />
      </div>
      <KeepButtons pending={keep.isPending} error={keep.error ?? remove.error} cancel={props.close}>
        {props.own && (
          <TextButton onClick={() => remove.mutate(mould.code)}>
            {props.shipped ? say("kitchen.reset-default") : say("ui.remove-2")}
          </TextButton>
        )}
      </KeepButtons>
    </form>
  );
}
