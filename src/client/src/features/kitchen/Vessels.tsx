import { useState, type ReactNode } from "react";
import { answer, api, type OwnVessel, type Reference } from "../../api/client";
import { vesselOf } from "../../api/queries";
import { PickField, TextField, Tick } from "../../ui/fields";
import { useWording } from "../../ui/units";
import { EmptyVessel, widthOf } from "../order/VesselView";
import type { Room } from "./KitchenPage";
import { MeasureFields } from "./MeasureFields";
import { AddNew, Removed } from "./parts";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { codeOf, useKeep } from "../../ui/useKeep";
import { say } from "../../wording/say";

/** What coating stands in here. A vessel that is not here is not offered. */
export function Vessels(room: Room) {
  const { things, reference } = room;
  const wording = useWording();
  const [changing, setChanging] = useState<OwnVessel>();
  const [removed, setRemoved] = useState<OwnVessel>();
  const ways = useKeep((body: Room["things"]["ways"]) => answer(api.PUT("/api/kitchen/ways", { body })));
  const keep = useKeep(
    (body: OwnVessel) => answer(api.PUT("/api/kitchen/vessels", { body })),
    () => setRemoved(undefined),
  );
  const without = things.ways.withoutVessels ?? [];
  const taken = [...things.shippedVessels.map((v) => v.code), ...things.vessels.map((v) => v.code)];
  const measures = (vessel: OwnVessel) =>
    reference.vesselKinds
      .find((k) => k.code === vessel.kind)
      ?.measures.map((m) => `${m.name} ${wording.value(vessel.measures[m.code] ?? 0, m.unit)}`)
      .join(", ");
  const form = (vessel: OwnVessel | undefined, close: () => void) => (
    <VesselForm vessel={vessel} kinds={reference.vesselKinds} taken={taken} close={close} onRemoved={setRemoved} />
  );
  return (
    <>
      {changing ? (
        <div className="bg-panel mb-5 rounded-lg p-5">{form(changing, () => setChanging(undefined))}</div>
      ) : (
        <AddNew label={say("kitchen.add-my-own-vessel")} form={(close) => form(undefined, close)} />
      )}
      <Removed name={removed?.name} putBack={() => removed && keep.mutate(removed)} />
      <ul className="grid grid-cols-2 gap-y-7 sm:grid-cols-3 lg:grid-cols-5">
        {things.vessels.map((vessel) => (
          <Standing key={vessel.code} code={vessel.code} room={room} measures={measures(vessel)}>
            <p>
              {vessel.name} <span className="text-go text-[13px] font-semibold">{say("ui.yours")}</span>
            </p>
            <TextButton onClick={() => setChanging(vessel)} label={say("kitchen.change-3", { name: vessel.name })}>
              {say("kitchen.change")}
            </TextButton>
          </Standing>
        ))}
        {things.shippedVessels.map((vessel) => (
          <Standing
            key={vessel.code}
            code={vessel.code}
            room={room}
            measures={measures(vessel)}
            away={without.includes(vessel.code)}
          >
            <Tick
              label={vessel.name}
              checked={!without.includes(vessel.code)}
              onChange={(here) =>
                ways.mutate({
                  ...things.ways,
                  withoutVessels: [...without.filter((c) => c !== vessel.code), ...(here ? [] : [vessel.code])],
                })
              }
            />
          </Standing>
        ))}
      </ul>
      <p className="text-ink2 mt-3">{say("kitchen.untick-what-you-dont-have")}</p>
    </>
  );
}

/** A vessel on its shelf, all at one scale, with what it is called and measures under it. */
function Standing(props: {
  code: string;
  room: Room;
  measures: string | undefined;
  away?: boolean;
  children: ReactNode;
}) {
  const { reference } = props.room;
  const widest = Math.max(...reference.vessels.map(widthOf)) * 1.1;
  const vessel = vesselOf(reference, props.code);
  return (
    <li className="flex flex-col justify-end">
      <div className={`px-2 ${props.away ? "opacity-40" : ""}`}>
        {vessel && <EmptyVessel vessel={vessel} mm={widest} />}
      </div>
      <div className="bg-board border-board-edge h-2 border-b-[3px]" />
      <div className="mt-1.5 h-24 px-1 leading-snug">
        {props.children}
        <p className="text-ink2 text-[13px]">{props.measures}</p>
      </div>
    </li>
  );
}

function VesselForm(props: {
  vessel: OwnVessel | undefined;
  kinds: Reference["vesselKinds"];
  taken: string[];
  close: () => void;
  onRemoved: (vessel: OwnVessel) => void;
}) {
  const [vessel, setVessel] = useState<OwnVessel>(
    props.vessel ?? { code: "", name: "", kind: "round", measures: { bottom: 80, top: 80, height: 120 } },
  );
  const keep = useKeep((body: OwnVessel) => answer(api.PUT("/api/kitchen/vessels", { body })), props.close);
  const remove = useKeep(
    (code: string) => answer(api.DELETE("/api/kitchen/vessels/{code}", { params: { path: { code } } })),
    () => {
      props.onRemoved(vessel);
      props.close();
    },
  );
  const measures = props.kinds.find((k) => k.code === vessel.kind)?.measures ?? [];
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate({ ...vessel, code: vessel.code || codeOf(vessel.name, props.taken) });
      }}
    >
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField
          label={say("ui.name")}
          value={vessel.name}
          onChange={(name) => setVessel({ ...vessel, name })}
          error={keep.errorOf("name")}
        />
        <PickField
          label={say("ui.kind")}
          value={vessel.kind}
          options={props.kinds.map((k) => ({ value: k.code, label: k.name }))}
          onChange={(kind) => setVessel({ ...vessel, kind })}
          error={keep.errorOf("kind")}
        />
        <MeasureFields
          measures={measures}
          values={vessel.measures}
          onChange={(measures) => setVessel({ ...vessel, measures })}
          errorOf={(code) => keep.errorOf(`measures.${code}`)}
        />
      </div>
      <KeepButtons pending={keep.isPending} error={keep.error ?? remove.error} cancel={props.close}>
        {props.vessel && <TextButton onClick={() => remove.mutate(vessel.code)}>{say("ui.remove-2")}</TextButton>}
      </KeepButtons>
    </form>
  );
}
