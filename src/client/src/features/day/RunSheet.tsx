import { useId } from "react";
import type { Day, DayMelt, DayTask, DayTray, Plan, Reference, Vessel } from "../../api/client";
import { colourOf } from "../../api/queries";
import { clock, dayName, span, useWording } from "../../ui/units";
import { dayOf, minutesFrom, placeName, roundsOf, type Round } from "./times";
import { potColour } from "./WeekStrip";

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
  const largest = Math.max(1, ...rounds.flatMap((r) => r.melts.map((m) => widest(vesselOf(props.reference, m)))));
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
    <p className={`border-ink border-b-2 pb-2 pl-[5.6rem] sm:pl-[9.2rem] ${minutes >= 10 ? "pt-2" : ""}`}>
      {minutes >= 10 && <em className="text-ink2">{span(minutes * 60)} to yourself</em>}
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
                <span className="font-serif text-[22px] first-letter:uppercase">{nameOf(reference, m.pot)}</span>
                <span className="text-ink2 text-[15px]">
                  {wording.mass(m.toMelt)}
                  {`, ${vesselOf(reference, m)?.name ?? "in a bag"}`}
                </span>
              </span>
            ))}
          </h3>
        )}
        <ol>
          {round.tasks.map((task) => (
            <Step key={task.what.code} {...props} task={task} />
          ))}
        </ol>
        {round.pickups.map((order) => (
          <Pickup key={order} {...props} order={order} />
        ))}
      </div>
      <ul aria-label="Trays" className="space-y-2 max-sm:col-start-2 max-sm:mt-3">
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
  const order = day.orders.find((o) => o.code === what.order);
  return (
    <li className={`flex gap-3 py-1 leading-snug ${done ? "line-through decoration-1" : ""}`}>
      <button
        aria-pressed={done}
        aria-label={`${what.title}: ${done ? "done" : "mark done"}`}
        className={`border-board-edge mt-0.5 grid size-6 shrink-0 place-items-center rounded-full border-2 text-[13px] font-bold max-sm:size-8 ${done ? "bg-go text-panel border-go" : "bg-panel"}`}
        onClick={() => tick(task)}
      >
        {done && "✓"}
      </button>
      <span className="text-ink2 w-11 shrink-0 pt-0.5 tabular-nums">{clock(task.starts)}</span>
      <button className="min-w-0 text-left" onClick={() => tap(what.code)}>
        <b>{what.title}</b>
        <span className="text-ink2">
          {`, ${span(minutesFrom(task.starts, task.ends) * 60)}`}
          {order && ` · ${order.name}`}
          {task.worker?.startsWith("helper") && " · helper"}
          {task.worker === "nobody" && " · nobody free"}
          {mark?.at && !done && " · pinned"}
          {mark?.notBefore && !done && ` · not before ${clock(mark.notBefore)}`}
        </span>
        <span className="text-ink2 line-clamp-2 text-[14px] print:line-clamp-none">{what.text}</span>
      </button>
    </li>
  );
}

function Pickup({ order, plan, day, reference }: Of & { order: string }) {
  const [about, planned] = [day.orders.find((o) => o.code === order), plan.orders.find((o) => o.order === order)];
  if (!planned) return null;
  const late = minutesFrom(planned.pickup, planned.ready);
  const colour = potColour(
    reference,
    plan.tasks.find((t) => t.what.order === order && t.what.pots.length > 0)?.what.pots[0],
  );
  return (
    <p className="border-act mt-3 flex flex-wrap items-center gap-x-3 border-t-2 pt-2">
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
          {late > 0 ? ` · ready ${span(late * 60)} late` : ` · packed by ${whenSaid(planned.ready, planned.pickup)}`}
        </span>
      </span>
    </p>
  );
}

const whenSaid = (at: string, near: string) => (dayOf(at) === dayOf(near) ? clock(at) : `${dayName(at)}, ${clock(at)}`);

/** A tray with what lies on it, when it is dry or hard, and by when it must be gone. */
function TrayCard(props: { tray: DayTray; plan: Plan; reference: Reference; tap: (tray: DayTray) => void }) {
  const { tray, plan, reference, tap } = props;
  const colour = tray.pots.length > 0 ? potColour(reference, tray.pots[0]) : "#c8843c";
  const shown = Math.min(tray.pieces, 48);
  const cold = /fridge|freezer|cool/.test(tray.place);
  return (
    <button
      className={`w-full rounded-md border-2 px-2.5 py-1.5 text-left text-[14px] leading-snug ${cold ? "bg-cool border-cold" : "bg-parchment border-board-edge"} text-parchment-ink`}
      onClick={() => tap(tray)}
    >
      <b className="first-letter:uppercase">{tray.title}</b> · {placeName(plan, tray.place)}
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
      <span className="text-parchment-ink2 block">
        {[
          tray.set && `ready ${clock(tray.set)}`,
          tray.outBy && `take out by ${clock(tray.outBy)}`,
          tray.useBy && `use by ${whenSaid(tray.useBy, tray.starts)}`,
          !tray.set && !tray.useBy && `until ${whenSaid(tray.ends, tray.starts)}`,
        ]
          .filter(Boolean)
          .join(" · ")}
      </span>
    </button>
  );
}

const nameOf = (reference: Reference, pot: string) => {
  const dot = pot.indexOf(".");
  return colourOf(reference, pot.slice(0, dot), pot.slice(dot + 1))?.name ?? pot;
};

const vesselOf = (reference: Reference, melt: DayMelt) => reference.vessels.find((v) => v.code === melt.vessel);

const widest = (vessel: Vessel | undefined) =>
  vessel ? Math.max(...vessel.outline.map((c) => c.x)) - Math.min(...vessel.outline.map((c) => c.x)) : 0;

/** A pot as it stands when it is melted: its vessel to scale with the others of the day, filled as high as it is. */
function PotPicture({ melt, reference, largest }: { melt: DayMelt; reference: Reference; largest: number }) {
  const id = useId();
  const wording = useWording();
  const vessel = vesselOf(reference, melt);
  const colour = potColour(reference, melt.pot);
  if (!vessel)
    return (
      <svg
        role="img"
        aria-label={`bag of ${nameOf(reference, melt.pot)}`}
        viewBox="-30 0 60 70"
        className="mx-auto w-12"
      >
        <path d="M-18 4H18L3 60q-3 6-6 0Z" fill={colour} className="stroke-rim" />
      </svg>
    );
  const height = Math.max(...vessel.outline.map((c) => c.y));
  const level = levelOf(vessel, melt.volume);
  const path = `M${vessel.outline.map((c) => `${c.x} ${-c.y}`).join("L")}`;
  return (
    <svg
      role="img"
      aria-label={`${wording.mass(melt.toMelt)} of ${nameOf(reference, melt.pot)} in the ${vessel.name}`}
      viewBox={`${-largest / 2 - 4} ${-height - 6} ${largest + 8} ${height + 10}`}
      className="w-full"
    >
      <defs>
        <clipPath id={id}>
          <path d={`${path}Z`} />
        </clipPath>
      </defs>
      <path d={`${path}Z`} className="fill-glass" />
      <rect x={-largest / 2} width={largest} y={-level} height={level} fill={colour} clipPath={`url(#${id})`} />
      <path d={path} fill="none" className="stroke-rim" strokeWidth="2.5" strokeLinejoin="round" />
    </svg>
  );
}

/** How high so many mL stand in a vessel, in mm: slice by slice, each as round as it is wide. */
function levelOf(vessel: Vessel, millilitres: number) {
  const right = vessel.outline.filter((c) => c.x > 0).sort((a, b) => a.y - b.y);
  const height = Math.max(...vessel.outline.map((c) => c.y));
  const at = (y: number) => {
    const above = right.findIndex((c) => c.y >= y);
    const [a, b] = [right[Math.max(0, above - 1)], right[above < 0 ? right.length - 1 : above]];
    if (!a || !b) return 0;
    return b.y === a.y ? b.x : a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y);
  };
  let [level, held] = [0, 0];
  while (held < millilitres * 1000 && level < height) {
    held += Math.PI * at(level) ** 2;
    level += 1;
  }
  return level;
}
