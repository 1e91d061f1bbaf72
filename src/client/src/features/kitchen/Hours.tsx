import { useState } from "react";
import { answer, api, type OwnPlace, type Working } from "../../api/client";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { NumberField, TextField, Tick, TimeField } from "../../ui/fields";
import { useWording } from "../../ui/units";
import { codeOf, useKeep, useKeptForm } from "../../ui/useKeep";
import type { Room } from "./KitchenPage";
import { AddNew, Item, Removed } from "./parts";
import { say } from "../../wording/say";
import { locale } from "../../wording/reader";

const weekdays = [
  say("kitchen.monday"),
  say("kitchen.tuesday"),
  say("kitchen.wednesday"),
  say("kitchen.thursday"),
  say("kitchen.friday"),
  say("kitchen.saturday"),
  say("kitchen.sunday"),
];

// Numbered from Monday, shown from the day that a week begins with where the kitchen is.
const firstDay = locale.firstDay === "sunday" ? 6 : 0;
const week = weekdays.map((_, i) => (i + firstDay) % 7);
const beside = "flex items-center gap-2";
const stages = {
  prep: say("kitchen.preparing"),
  dip: say("kitchen.dipping"),
  decorate: say("kitchen.decorating"),
  pack: say("kitchen.packing"),
};

/** When the hands work and how fast, what is kept warm, and where trays set. */
export function Hours(room: Room) {
  return (
    <>
      <WorkingForm {...room} />
      <h2 className="mt-9 mb-3 font-serif text-[22px]">{say("kitchen.places-set")}</h2>
      <Places {...room} />
    </>
  );
}

function WorkingForm({ things }: Room) {
  const {
    form: working,
    change,
    keep,
    kept,
  } = useKeptForm<Working>(things.working, (body) => answer(api.PUT("/api/kitchen/working", { body })), ["day"]);
  const setDay = (i: number, hours: Working["days"][number]["hours"]) =>
    change({ days: working.days.map((d, n) => (n === i ? { hours } : d)) });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(working);
      }}
    >
      <h2 className="mb-2 font-serif text-[22px]">{say("kitchen.working-hours")}</h2>
      <ul className="max-w-xl">
        {week.map((i) => {
          const name = weekdays[i] ?? "";
          const hours = working.days[i]?.hours;
          return (
            <li
              key={name}
              className="border-line flex min-h-12 flex-wrap items-center gap-x-4 gap-y-1 border-t border-dashed py-1"
            >
              <span className="w-full sm:w-36">
                <Tick
                  label={name}
                  checked={!!hours}
                  onChange={(on) => setDay(i, on ? { from: "08:00:00", to: "21:00:00" } : null)}
                />
              </span>
              {hours ? (
                <>
                  <TimeField
                    label={say("ui.from")}
                    says={say("kitchen.from", { name })}
                    className={beside}
                    value={hours.from}
                    onChange={(from) => setDay(i, { ...hours, from })}
                  />
                  <TimeField
                    label={say("kitchen.to")}
                    says={say("kitchen.name-to", { name })}
                    className={beside}
                    value={hours.to}
                    onChange={(to) => setDay(i, { ...hours, to })}
                    error={keep.errorOf(`days[${i}]`)}
                  />
                </>
              ) : (
                <span className="text-ink2">{say("ui.no-work")}</span>
              )}
            </li>
          );
        })}
      </ul>
      <div className="mt-5 grid max-w-3xl gap-4 sm:grid-cols-3">
        <NumberField
          label={say("kitchen.colours-kept-warm-once")}
          value={working.pots}
          onChange={(pots) => change({ pots: Math.round(pots ?? 0) })}
          error={keep.errorOf("pots")}
        />
        <NumberField
          label={say("kitchen.small-warm-wells")}
          value={working.wells}
          onChange={(wells) => change({ wells: Math.round(wells ?? 0) })}
          error={keep.errorOf("wells")}
        />
      </div>
      <h3 className="mt-5 mb-1 font-semibold">{say("kitchen.your-speed-against-standard-times")}</h3>
      <div className="grid max-w-3xl gap-4 sm:grid-cols-4">
        {Object.entries(stages).map(([stage, name]) => (
          <NumberField
            key={stage}
            label={`${name}, %`}
            value={Math.round((working.pace?.[stage] ?? 1) * 100)}
            onChange={(percent) => change({ pace: { ...working.pace, [stage]: (percent ?? 100) / 100 } })}
            error={keep.errorOf(`pace.${stage}`)}
          />
        ))}
      </div>
      <KeepButtons pending={keep.isPending} error={keep.error} cancel={() => change(things.working)} kept={kept} />
    </form>
  );
}

function Places({ things }: Room) {
  const wording = useWording();
  const [removed, setRemoved] = useState<OwnPlace>();
  const keep = useKeep(
    (body: OwnPlace) => answer(api.PUT("/api/kitchen/places", { body })),
    () => setRemoved(undefined),
    ["day"],
  );
  const form = (place: OwnPlace | undefined, close: () => void) => (
    <PlaceForm
      place={place}
      taken={things.places.map((p) => p.code)}
      own={!!place && things.own.includes(place.code)}
      shipped={!!place && things.shipped.includes(place.code)}
      close={close}
      onRemoved={setRemoved}
    />
  );
  return (
    <>
      <AddNew label={say("kitchen.add-my-own-place")} form={(close) => form(undefined, close)} />
      <Removed name={removed?.name} putBack={() => removed && keep.mutate(removed)} />
      <ul>
        {things.places.map((place) => (
          <Item
            key={place.code}
            name={place.name}
            own={things.own.includes(place.code)}
            change={say("kitchen.change-3", { name: place.name })}
            facts={
              <p>
                {say("kitchen.humidity", {
                  trays:
                    place.trays === 0
                      ? say("kitchen.you-have-none")
                      : say("kitchen.tray-count", { count: place.trays }),
                  air: wording.temperature(place.air),
                  humidity: Math.round(place.humidity * 100),
                })}
              </p>
            }
            form={(close) => form(place, close)}
          />
        ))}
      </ul>
    </>
  );
}

function PlaceForm(props: {
  place: OwnPlace | undefined;
  taken: string[];
  own: boolean;
  shipped: boolean;
  close: () => void;
  onRemoved: (place: OwnPlace) => void;
}) {
  const [place, setPlace] = useState<OwnPlace>(props.place ?? { code: "", name: "", air: 14, humidity: 0.6, trays: 2 });
  const keep = useKeep((body: OwnPlace) => answer(api.PUT("/api/kitchen/places", { body })), props.close, ["day"]);
  const remove = useKeep(
    (code: string) => answer(api.DELETE("/api/kitchen/places/{code}", { params: { path: { code } } })),
    () => {
      if (!props.shipped) props.onRemoved(place);
      props.close();
    },
    ["day"],
  );
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate({ ...place, code: place.code || codeOf(place.name, props.taken) });
      }}
    >
      <div className="grid gap-4 sm:grid-cols-4">
        <TextField
          label={say("ui.name")}
          value={place.name}
          onChange={(name) => setPlace({ ...place, name })}
          error={keep.errorOf("name")}
        />
        <NumberField
          label={say("kitchen.air-temperature")}
          unit="°C"
          value={place.air}
          onChange={(air) => setPlace({ ...place, air: air ?? 0 })}
          error={keep.errorOf("air")}
        />
        <NumberField
          label={say("ui.humidity")}
          unit="%"
          value={Math.round(place.humidity * 100)}
          onChange={(percent) => setPlace({ ...place, humidity: (percent ?? 0) / 100 })}
          error={keep.errorOf("humidity")}
        />
        <NumberField
          label={say("kitchen.trays-holds")}
          value={place.trays}
          onChange={(trays) => setPlace({ ...place, trays: Math.round(trays ?? 0) })}
          error={keep.errorOf("trays")}
        />
      </div>
      <KeepButtons pending={keep.isPending} error={keep.error ?? remove.error} cancel={props.close}>
        {props.own && (
          <TextButton onClick={() => remove.mutate(place.code)}>
            {props.shipped ? say("kitchen.reset-default") : say("ui.remove-2")}
          </TextButton>
        )}
      </KeepButtons>
    </form>
  );
}
