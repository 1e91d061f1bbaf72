import type { Day, DayMelt, DayOrder, DayTask, DayTray, Plan, Reference } from "../../api/client";
import { colourOfPot, vesselOf } from "../../api/queries";
import { clock, span, useWording } from "../../ui/units";
import { Bag, VesselView, widthOf } from "../order/VesselView";
import { placeName, roundsOf, whenSaid, type Round } from "./times";
import { minutesFrom } from "../../ui/localTime";
import { potColour } from "./WeekStrip";
import { capital, say } from "../../wording/say";

interface Of {
  plan: Plan;
  day: Day;
  on: string;
  reference: Reference;
  tap: (task: string) => void;
  tapTray: (tray: DayTray) => void;
  tick: (task: DayTask) => void;
}

/** A day as the maker's own list: rounds around their pots, what the hands do, the trays that leave each round, and who comes for what. */
export function RunSheet(props: Of) {
  const rounds = roundsOf(props.plan, props.on);
  const vessels = rounds.flatMap((r) => r.melts.map((m) => vesselOf(props.reference, m.vessel)));
  const largest = Math.max(1, ...vessels.map((v) => (v ? widthOf(v) : 0)));
  return (
    <ol className="border-ink border-t-2">
      {rounds.map((round, i) => (
        <li key={round.from} className="break-inside-avoid-page">
          {i > 0 && <Breathing round={round} before={rounds[i - 1]} />}
          <RoundView {...props} round={round} largest={largest} />
        </li>
      ))}
    </ol>
  );
}

/** Time to oneself, when it is worth having. */
function Breathing({ round, before }: { round: Round; before: Round | undefined }) {
  const minutes = before ? minutesFrom(before.to, round.from) : 0;
  return (
    <p className={`border-ink border-b-2 pb-2 pl-20 sm:pl-32 ${minutes >= 10 ? "pt-2" : ""}`}>
      {minutes >= 10 && <em className="text-ink2">{say("day.free-2", { minutes: span(minutes * 60) })}</em>}
    </p>
  );
}

function RoundView({ round, largest, ...props }: Of & { round: Round; largest: number }) {
  const { plan, reference, tapTray } = props;
  const wording = useWording();
  return (
    <section className="grid grid-cols-[4rem_minmax(0,1fr)] gap-x-4 py-4 sm:grid-cols-[6.5rem_minmax(0,1fr)_15rem] sm:gap-x-6">
      <div className="space-y-3">
        {round.melts.map((m) => (
          <PotPicture key={`${m.pot}.${m.number}`} melt={m} reference={reference} largest={largest} />
        ))}
      </div>
      <div className="min-w-0">
        {round.melts.length > 0 && (
          <h3 className="mb-1 flex flex-wrap items-baseline gap-x-3">
            {round.melts.map((m) => (
              <span key={`${m.pot}.${m.number}`} className="flex flex-wrap items-baseline gap-x-2">
                <span className="font-serif text-[22px]">{capital(colourOfPot(reference, m.pot)?.name ?? "")}</span>
                <span className="text-ink2 text-[15px]">
                  {wording.mass(m.toMelt)}
                  {`, ${vesselOf(reference, m.vessel)?.name ?? say("ui.bag")}`}
                </span>
              </span>
            ))}
          </h3>
        )}
        <ol>
          {round.entries.map((entry) =>
            "what" in entry ? (
              <Step key={entry.what.code} {...props} task={entry} />
            ) : (
              <Pickup key={entry.order} {...props} planned={entry} />
            ),
          )}
        </ol>
      </div>
      <ul aria-label={say("ui.trays-2")} className="space-y-2 max-sm:col-start-2 max-sm:mt-3">
        {round.trays.map((tray) => (
          <li key={tray.task}>
            <TrayCard tray={tray} plan={plan} reference={reference} tap={tapTray} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A step: when, what, how; ticked off where it stands. */
function Step({ task, day, tap, tick }: Of & { task: DayTask }) {
  const { what, mark } = task;
  const done = mark?.done != null;
  const crossed = done ? "line-through decoration-1" : "";
  const order = day.orders.find((o) => o.code === what.order);
  return (
    <li className="flex gap-3 py-1 leading-snug">
      <button
        aria-pressed={done}
        aria-label={`${what.title}: ${done ? say("day.done-3") : say("day.mark-done")}`}
        className={[
          "border-board-edge mt-0.5 grid size-6 shrink-0 place-items-center",
          "rounded-full border-2 text-[13px] font-bold max-sm:size-8",
          done ? "bg-go text-panel border-go" : "bg-panel",
        ].join(" ")}
        onClick={() => tick(task)}
      >
        {done && "✓"}
      </button>
      <span className={`text-ink2 w-11 shrink-0 pt-0.5 tabular-nums ${crossed}`}>{clock(task.starts)}</span>
      <button className={`min-w-0 text-left ${crossed}`} onClick={() => tap(what.code)}>
        <b>{what.title}</b>
        <span className="text-ink2">
          {`, ${span(minutesFrom(task.starts, task.ends) * 60)}`}
          {order && ` · ${order.name}`}
          {task.worker?.startsWith("helper") && say("day.helper-4")}
          {task.worker === "nobody" && say("day.nobody-free")}
          {mark?.at && !done && say("day.pinned-3")}
          {mark?.notBefore && !done && say("day.not-before-4", { notBefore: clock(mark.notBefore) })}
        </span>
        <span className="text-ink2 block text-[14px]">{what.text}</span>
      </button>
    </li>
  );
}

function Pickup({ planned, plan, day, reference }: Of & { planned: DayOrder }) {
  const about = day.orders.find((o) => o.code === planned.order);
  const late = minutesFrom(planned.pickup, planned.ready);
  const colour = potColour(
    reference,
    plan.tasks.find((t) => t.what.order === planned.order && t.what.pots.length > 0)?.what.pots[0],
  );
  return (
    <li className="border-act my-3 flex items-center gap-x-3 border-y-2 py-2">
      <svg aria-hidden viewBox="0 0 24 30" className="h-8 w-6">
        <rect x="3" y="1" width="18" height="4" rx="1.5" className="fill-board stroke-rim" />
        <path d="M4 6h16l1 4v15q0 4-4 4H7q-4 0-4-4V10Z" fill={colour} className="stroke-rim" />
      </svg>
      <b className="text-act text-[19px] tabular-nums">{clock(planned.pickup)}</b>
      <span>
        {about?.handover === "delivery" ? "deliver " : ""}
        <b>{about?.name}</b>
        {about?.place && `, ${about.place}`}
        <span className={late > 0 ? "text-mind font-bold" : "text-ink2"}>
          {late > 0
            ? say("day.ready-late", { late: span(late * 60) })
            : say("day.packed-by", { ready: whenSaid(planned.ready, planned.pickup) })}
        </span>
      </span>
    </li>
  );
}

/** A tray with what lies on it, when it is dry or hard, and by when it must be gone. */
function TrayCard(props: { tray: DayTray; plan: Plan; reference: Reference; tap: (tray: DayTray) => void }) {
  const { tray, plan, reference, tap } = props;
  const colour = tray.pots.length > 0 ? potColour(reference, tray.pots[0]) : "#c8843c";
  const shown = Math.min(tray.pieces, 48);
  const cold = /fridge|freezer|cool/.test(tray.place);
  return (
    <button
      className={[
        "w-full rounded-md border-2 px-2.5 py-1.5 text-left text-[14px] leading-snug",
        cold ? "bg-cool border-cold text-ink" : "bg-parchment border-board-edge text-parchment-ink",
      ].join(" ")}
      onClick={() => tap(tray)}
    >
      <b>{capital(tray.title)}</b> · {placeName(plan, tray.place)}
      {tray.pots.length > 0 && (
        <svg aria-hidden viewBox={`0 0 192 ${Math.ceil(shown / 16) * 12}`} className="mt-1 w-full">
          {Array.from({ length: shown }, (_, i) => (
            <circle
              key={i}
              cx={6 + (i % 16) * 12}
              cy={6 + Math.floor(i / 16) * 12}
              r="4.6"
              fill={colour}
              className="stroke-rim"
              strokeWidth="0.7"
            />
          ))}
        </svg>
      )}
      <span className={`block ${cold ? "text-ink2" : "text-parchment-ink2"}`}>
        {[
          tray.set && say("day.ready", { set: clock(tray.set) }),
          tray.outBy && say("day.take-out-by", { outBy: clock(tray.outBy) }),
          tray.useBy && say("day.use-by", { useBy: whenSaid(tray.useBy, tray.starts) }),
          !tray.set && !tray.useBy && say("day.until-2", { ends: whenSaid(tray.ends, tray.starts) }),
        ]
          .filter(Boolean)
          .join(" · ")}
      </span>
    </button>
  );
}

/** A pot as it stands when it is melted: its vessel to scale with the others of the day, filled as high as it is. */
function PotPicture({ melt, reference, largest }: { melt: DayMelt; reference: Reference; largest: number }) {
  const colour = potColour(reference, melt.pot);
  if (melt.level === null) return <Bag srgb={colour} loads={1} alone />;
  return (
    <VesselView
      bands={[{ kind: say("ui.dipping-depth"), from: 0, to: melt.level }]}
      vessel={vesselOf(reference, melt.vessel)}
      widest={largest}
      srgb={colour}
    />
  );
}
