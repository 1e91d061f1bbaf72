import { BoxFields, someBox, type OwnBox } from "./BoxFields";
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from "@headlessui/react";
import { useState } from "react";
import { answer, api, type Lot, type Pantry, type Receipt, type Ware } from "../../api/client";
import { useOwner } from "../../api/queries";
import { DateField, Labelled, NumberField, PickField, TextField, Tick } from "../../ui/fields";
import { Sheet } from "../../ui/Sheet";
import { amountIn, useWording } from "../../ui/units";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { codeOf, useKeep } from "../../ui/useKeep";
import { hasAll } from "../../ui/hasAll";
import { newId } from "../../api/newId";
import { fieldBox } from "../../ui/fieldBox";
import { say } from "../../wording/say";

const shownAtMost = 40;

/** Something comes into the pantry. */
export function PutIn(props: { pantry: Pantry; close: () => void; done: (lot: Lot, name: string) => void }) {
  const { pantry } = props;
  const owner = useOwner();
  const wording = useWording();
  const [typed, setTyped] = useState("");
  const [lacking, setLacking] = useState("");
  const [ware, setWare] = useState<Ware | null>(null);
  const [receipt, setReceipt] = useState<Omit<Receipt, "ware">>({
    id: newId(),
    amount: 0,
    pack: null,
    price: null,
    bestBefore: null,
    place: "",
  });
  const [packs, setPacks] = useState(1);
  const keep = useKeep(
    async (r: Receipt) => {
      const lot = await answer(api.POST("/api/pantry/lots", { body: r }));
      props.done(lot, ware?.name ?? say("pantry.it"));
    },
    props.close,
    ["pantry"],
  );
  const choose = (chosen: Ware | null) => {
    setWare(chosen);
    const pack = chosen?.packs[0];
    setReceipt((r) => ({
      ...r,
      amount: pack?.holds ?? 0,
      pack: pack?.holds ?? null,
      price: (owner && pack?.price) || null,
    }));
    setPacks(1);
  };
  const called = (text: string) => {
    const sought = hasAll(text);
    return pantry.wares.filter((w) => sought(w.name));
  };
  const found = called(typed).slice(0, shownAtMost);

  return (
    <Sheet open close={props.close} title={say("ui.add-pantry")}>
      <form
        className="mt-4 grid gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          keep.mutate({ ...receipt, ware: ware?.code ?? "" });
        }}
      >
        <Labelled label={say("pantry.what")} error={keep.errorOf("ware")}>
          {(ids) => (
            <Combobox immediate value={ware} onChange={choose} onClose={() => setTyped("")} by="code">
              <ComboboxInput
                {...ids}
                data-autofocus
                autoComplete="off"
                placeholder={say("pantry.midnight-wafers-cups-ribbon")}
                displayValue={(w: Ware | null) => w?.name ?? ""}
                className={`${fieldBox} placeholder:text-ink2`}
                onChange={(e) => {
                  setTyped(e.target.value);
                  setLacking(called(e.target.value).length === 0 ? e.target.value : "");
                }}
              />
              <ComboboxOptions
                anchor={{ to: "bottom start", gap: 4 }}
                className="border-line bg-panel z-40 max-h-72! w-(--input-width) overflow-y-auto rounded-lg border py-1 shadow-xl"
              >
                {found.map((w) => (
                  <ComboboxOption
                    key={w.code}
                    value={w}
                    className="data-focus:bg-parchment data-focus:text-parchment-ink cursor-pointer px-3 py-1"
                  >
                    {w.name}
                  </ComboboxOption>
                ))}
                {found.length === 0 && (
                  <p className="text-mind px-3 py-1">{say("pantry.nothing-found-add-below-as", { typed })}</p>
                )}
              </ComboboxOptions>
            </Combobox>
          )}
        </Labelled>
        {ware && (
          <>
            {ware.packs.length > 0 && (
              <div className="flex flex-wrap gap-x-5 gap-y-1">
                {ware.packs.map((pack) => (
                  <TextButton
                    key={pack.holds}
                    onClick={() => {
                      const count = receipt.pack === pack.holds ? packs + 1 : 1;
                      setPacks(count);
                      setReceipt({
                        ...receipt,
                        pack: pack.holds,
                        amount: pack.holds * count,
                        price: owner ? Math.round(pack.price * count * 100) / 100 : null,
                      });
                    }}
                  >
                    {receipt.pack === pack.holds ? `${packs} × ` : say("pantry.pack")}
                    {amountIn(wording, pack.holds, ware.unit)}
                    {receipt.pack === pack.holds && say("pantry.one-more")}
                  </TextButton>
                ))}
              </div>
            )}
            <div className="grid gap-4 sm:grid-cols-2">
              <NumberField
                label={say("ui.how-much")}
                unit={ware.unit === "pieces" ? "" : ware.unit}
                value={receipt.amount}
                onChange={(amount) => setReceipt({ ...receipt, amount: amount ?? 0 })}
                error={keep.errorOf("amount")}
              />
              {owner && (
                <NumberField
                  label={say("pantry.price-paid")}
                  unit="money"
                  value={receipt.price ?? null}
                  onChange={(price) => setReceipt({ ...receipt, price })}
                  error={keep.errorOf("price")}
                />
              )}
              <DateField
                label={say("pantry.best-before")}
                value={receipt.bestBefore ?? null}
                onChange={(bestBefore) => setReceipt({ ...receipt, bestBefore })}
              />
              <TextField
                label={say("ui.place")}
                value={receipt.place ?? ""}
                onChange={(place) => setReceipt({ ...receipt, place })}
                error={keep.errorOf("place")}
              />
            </div>
            <KeepButtons pending={keep.isPending} error={keep.error} cancel={props.close} />
          </>
        )}
      </form>
      {!ware && owner && <OwnSupply pantry={pantry} name={lacking} added={() => setLacking("")} />}
    </Sheet>
  );
}

/** Something to use that the product does not know. */
function OwnSupply({ pantry, name: asked, added }: { pantry: Pantry; name: string; added: () => void }) {
  const [own, setName] = useState("");
  const name = own || asked;
  const [unit, setUnit] = useState<Ware["unit"]>("pieces");
  const [box, setBox] = useState<OwnBox | null>(null);
  const keep = useKeep(
    () =>
      answer(
        api.PUT("/api/kitchen/wares", {
          body: {
            code: `supply.${codeOf(
              name,
              pantry.wares.map((w) => w.code.replace("supply.", "")),
            )}`,
            name,
            unit,
            packs: null,
            low: 0,
            box: unit === "pieces" ? box : null,
          },
        }),
      ),
    () => {
      setName("");
      added();
    },
    ["pantry"],
  );
  return (
    <form
      className="border-line mt-8 border-t border-dashed pt-4"
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate(undefined);
      }}
    >
      <h3 className="font-serif text-xl">{say("pantry.add-my-own-supply")}</h3>
      <div className="mt-2 grid grid-cols-[1fr_8rem] gap-4">
        <TextField label={say("pantry.name-plural")} value={name} onChange={setName} error={keep.errorOf("name")} />
        <PickField<Ware["unit"]>
          label={say("pantry.measured")}
          value={unit}
          options={[
            { value: "pieces", label: say("ui.pieces-2") },
            { value: "g", label: say("ui.grams") },
            { value: "m", label: say("pantry.metres") },
          ]}
          onChange={setUnit}
        />
      </div>
      {unit === "pieces" && (
        <div className="mt-2">
          <Tick
            label={say("pantry.box-pieces")}
            checked={box !== null}
            onChange={(is) => setBox(is ? someBox : null)}
          />
          {box && <BoxFields box={box} change={setBox} errorOf={keep.errorOf} />}
        </div>
      )}
      <KeepButtons pending={keep.isPending} error={keep.error} cancel={() => setName("")} />
    </form>
  );
}
