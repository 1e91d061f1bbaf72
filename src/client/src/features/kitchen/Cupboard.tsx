import { useState } from "react";
import { answer, api, type OwnLot } from "../../api/client";
import { colourOf } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { Labelled, NumberField, PickField } from "../../ui/fields";
import { dayName, useWording } from "../../ui/units";
import type { Room } from "./KitchenPage";
import { AddNew, KeepButtons, Removed, TextButton } from "./parts";
import { codeOf, useKeep } from "./useKeep";

/** Coating at hand: pots use it up, the earliest date first, before anything is bought. */
export function Cupboard({ things, reference }: Room) {
  const wording = useWording();
  const [removed, setRemoved] = useState<OwnLot>();
  const keep = useKeep(
    (body: OwnLot) => answer(api.PUT("/api/kitchen/lots", { body })),
    () => setRemoved(undefined),
  );
  const remove = useKeep((lot: OwnLot) =>
    answer(api.DELETE("/api/kitchen/lots/{code}", { params: { path: { code: lot.code } } })).then(() =>
      setRemoved(lot),
    ),
  );
  const nameOf = (lot: OwnLot) => colourOf(reference, lot.coating, lot.colour)?.name ?? lot.colour;
  return (
    <>
      <AddNew
        label="Put coating in"
        form={(close) => <LotForm things={things} reference={reference} close={close} />}
      />
      <Removed name={removed && nameOf(removed)} putBack={() => removed && keep.mutate(removed)} />
      {things.lots.length === 0 && (
        <p className="text-ink2">
          The cupboard is empty. Put in what is left of open bags, and pots will use that up first.
        </p>
      )}
      <ul>
        {things.lots.map((lot) => (
          <li
            key={lot.code}
            className="border-line grid grid-cols-[1fr_auto_auto] gap-x-6 border-t border-dashed py-2.5"
          >
            <span>
              <Dot srgb={colourOf(reference, lot.coating, lot.colour)?.srgb} />
              <b>{nameOf(lot)}</b>{" "}
              <span className="text-ink2">
                {reference.coatings.find((c) => c.code === lot.coating)?.name}
                {lot.bestBefore && `, best before ${dayName(lot.bestBefore)} ${lot.bestBefore.slice(0, 4)}`}
              </span>
            </span>
            <b>{wording.mass(lot.mass)}</b>
            <TextButton onClick={() => remove.mutate(lot)} label={`Take out ${nameOf(lot)}`}>
              Take out
            </TextButton>
          </li>
        ))}
      </ul>
    </>
  );
}

function LotForm({ things, reference, close }: Room & { close: () => void }) {
  const [lot, setLot] = useState<OwnLot>({
    code: "",
    coating: reference.usualCoating,
    colour: reference.colours.find((c) => c.coating === reference.usualCoating)?.code ?? "",
    mass: 340,
    bestBefore: null,
  });
  const keep = useKeep((body: OwnLot) => answer(api.PUT("/api/kitchen/lots", { body })), close);
  const colours = (coating: string) => reference.colours.filter((c) => c.coating === coating);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate({
          ...lot,
          code: codeOf(
            lot.colour,
            things.lots.map((l) => l.code),
          ),
        });
      }}
    >
      <div className="grid gap-4 sm:grid-cols-4">
        <PickField
          label="Coating"
          value={lot.coating}
          options={reference.coatings.map((c) => ({ value: c.code, label: c.name }))}
          onChange={(coating) => setLot({ ...lot, coating, colour: colours(coating)[0]?.code ?? "" })}
          error={keep.errorOf("coating")}
        />
        <PickField
          label="Colour"
          value={lot.colour}
          options={colours(lot.coating).map((c) => ({ value: c.code, label: c.name }))}
          onChange={(colour) => setLot({ ...lot, colour })}
          error={keep.errorOf("colour")}
        />
        <NumberField
          label="How much"
          unit="g"
          value={lot.mass}
          onChange={(mass) => setLot({ ...lot, mass: mass ?? 0 })}
          error={keep.errorOf("mass")}
        />
        <Labelled label="Best before">
          {(ids) => (
            <input
              {...ids}
              type="date"
              className="border-line bg-ground focus:border-act w-full rounded-md border px-2.5 py-1.5"
              value={lot.bestBefore ?? ""}
              onChange={(e) => setLot({ ...lot, bestBefore: e.target.value || null })}
            />
          )}
        </Labelled>
      </div>
      <KeepButtons pending={keep.isPending} error={keep.error} cancel={close} />
    </form>
  );
}
