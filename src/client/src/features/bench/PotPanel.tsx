import { Link } from "wouter";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { CurvePoint, DayMelt, DayTask, Device, Plan, PotNow, Reference } from "../../api/client";
import { answer, api } from "../../api/client";
import { devicesQuery, potQuery, vesselOf } from "../../api/queries";
import { Curve, type Point } from "../../ui/Curve";
import { minutesFrom } from "../../ui/localTime";
import { clock, useWording } from "../../ui/units";
import { meltingOf } from "../day/times";
import { potColour } from "../day/WeekStrip";
import { Bag, VesselView, widthOf } from "../order/VesselView";
import { isFromWarm, meltOf } from "./bench";
import { big } from "./big";
import { say } from "../../wording/say";

/** The pot as it stands: how warm it is to be, and what a probe and a scale tell of it. */
export function PotPanel({ step, plan, reference }: { step: DayTask; plan: Plan; reference: Reference }) {
  const melt = meltOf(plan, step);
  const devices = useQuery(devicesQuery).data ?? [];
  const code = melt && meltingOf(melt);
  const there = devices.filter((d) => d.pot === code);
  const pot = useQuery({ ...potQuery(code ?? ""), enabled: there.length > 0 }).data;
  if (!melt || !code) return null;
  return (
    <section aria-label={say("ui.pot")} className="bg-panel rounded-2xl p-5">
      {pot && there.length > 0 ? (
        <Watched pot={pot} />
      ) : (
        <Planned melt={melt} isWarm={isFromWarm(plan, step)} reference={reference} />
      )}
      <Places devices={devices} melt={code} />
      <Link
        className="text-act flex min-h-16 items-center font-semibold"
        to={`/logbook/new?melt=${encodeURIComponent(code)}`}
      >
        {say("ui.log-this-batch")}
      </Link>
    </section>
  );
}

function Planned({ melt, isWarm, reference }: { melt: DayMelt; isWarm: boolean; reference: Reference }) {
  const wording = useWording();
  const vessel = vesselOf(reference, melt.vessel);
  return (
    <div className="grid grid-cols-[9rem_1fr] items-end gap-5">
      {vessel && melt.level !== null ? (
        <VesselView
          bands={[{ kind: say("ui.dipping-depth"), from: 0, to: melt.level }]}
          vessel={vessel}
          widest={widthOf(vessel)}
          srgb={potColour(reference, melt.pot)}
        />
      ) : (
        <Bag srgb={potColour(reference, melt.pot)} loads={1} alone />
      )}
      <p className="text-[21px] leading-snug">
        <b className="block text-[26px]">{wording.mass(melt.toMelt)}</b>
        {melt.useFrom != null && melt.useTo != null && (
          <span className="text-go block">
            {say("bench.vessel-at-usefrom", {
              vessel: melt.vessel === null ? say("bench.draw") : say("ui.dip"),
              useFrom: wording.window(melt.useFrom, melt.useTo),
            })}
          </span>
        )}
        <span className="text-ink2 block">
          {isWarm ? say("ui.melted") : say("bench.ready", { ready: clock(melt.ready) })}
        </span>
      </p>
    </div>
  );
}

/** What a probe reads, over its window, and what the pot wants now. */
function Watched({ pot }: { pot: PotNow }) {
  const wording = useWording();
  const from = pot.curve.at(-1)?.at ?? pot.ahead[0]?.at;
  const points = (curve: readonly CurvePoint[]): Point[] =>
    curve.map((p) => ({ x: from ? minutesFrom(from, p.at) : 0, y: p.temperature }));
  const [first, end] = [points(pot.curve)[0]?.x ?? 0, points(pot.ahead).at(-1)?.x ?? 0];
  const mind = pot.advice.act === "cool" || pot.advice.act === "byEye";
  return (
    <>
      {pot.curve.length > 0 && (
        <Curve
          label={say("bench.temperature-pot-used", { from: wording.window(pot.from, pot.to) })}
          read={points(pot.curve)}
          ahead={points(pot.ahead)}
          window={[pot.from, pot.to]}
          limit={pot.limit}
          says={wording.degrees}
          marks={[
            { x: first, name: say("bench.min-ago", { first: Math.round(-first) }) },
            ...(end > 1
              ? [{ x: end, name: say("bench.min", { end: Math.round(end) }) }]
              : [{ x: 0, name: say("ui.now") }]),
          ]}
        />
      )}
      <p className="mt-3 text-[21px] leading-snug" aria-live="polite">
        {pot.at !== null && <b className="mr-3 text-[32px]">{wording.temperature(pot.at)}</b>}
        <span className={mind ? "text-mind font-bold" : ""}>{pot.advice.says}</span>
      </p>
      {pot.scale && <p className="text-ink2 mt-2 text-[21px] leading-snug">{pot.scale}</p>}
    </>
  );
}

/** Puts a probe into this pot, or takes it out. */
function Places({ devices, melt }: { devices: Device[]; melt: string }) {
  const queries = useQueryClient();
  const put = useMutation({
    mutationFn: ({ id, pot }: { id: string; pot: string | null }) =>
      answer(api.PUT("/api/devices/{id}/pot", { params: { path: { id } }, body: { pot } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: devicesQuery.queryKey }),
  });
  if (devices.length === 0) return null;
  return (
    <p role="group" aria-label={say("bench.probe-scale")} className="mt-4 flex flex-wrap gap-3">
      {devices.map((d) => (
        <button
          key={d.id}
          aria-pressed={d.pot === melt}
          className={`${big} px-5 text-[19px] ${d.pot === melt ? "border-cream" : ""}`}
          disabled={put.isPending}
          onClick={() => put.mutate({ id: d.id, pot: d.pot === melt ? null : melt })}
        >
          {d.pot === melt ? say("bench.this-pot", { name: d.name }) : say("bench.put-this-pot", { name: d.name })}
        </button>
      ))}
    </p>
  );
}
