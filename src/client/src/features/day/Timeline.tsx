import type { DayMelt, DayTask, DayTray, Plan, Reference } from "../../api/client";
import { inkOn } from "../../ui/colour";
import { clock, span, useWording } from "../../ui/units";
import { dayOf, lanesOf, minutesFrom, plusMinutes, type Scale } from "./times";
import { potColour } from "./WeekStrip";

const lane = 80;

interface Columns {
  plan: Plan;
  day: string;
  scale: Scale;
  reference: Reference;
  names: Map<string, string>;
  tap: (task: string) => void;
  tapTray: (tray: DayTray) => void;
}

/** A day down the page: hands first, then pots and places with the trays in them. */
export function Timeline(props: Columns & { now: string }) {
  const { plan, day, scale } = props;
  const tasks = plan.tasks.filter((t) => dayOf(t.starts) === day);
  const workers = [...new Set(tasks.map((t) => t.worker).filter((w) => w !== null))].sort((a, b) =>
    a === "me" ? -1 : b === "me" ? 1 : a.localeCompare(b),
  );
  const [from, to] = [`${day}T00:00:00`, `${day}T23:59:59`];
  const melts = plan.melts.filter((m) => m.starts < to && m.ends > from);
  const trays = plan.trays.filter((t) => t.starts < to && t.ends > from);
  const places = plan.places
    .map((p) => p.place)
    .filter((p) => p !== "pots" && trays.some((t) => t.place === p && scale.y(t.ends) - scale.y(t.starts) > 3));
  const pickups = plan.orders.filter((o) => dayOf(o.pickup) === day);
  return (
    <div className="overflow-x-auto print:overflow-visible">
      <div className="relative flex min-w-fit gap-2.5 pl-12">
        <Ruler {...props} pickups={pickups} />
        {workers.map((w) => (
          <Column
            height={scale.height + 14}
            key={w}
            name={w === "me" ? "Hands" : w === "nobody" ? "Nobody’s hands" : "Helper"}
            className="grow basis-60 sm:min-w-80"
          >
            <Work
              {...props}
              tasks={tasks.filter((t) => t.worker === w || (w === "me" && t.worker === null))}
              nobody={w === "nobody"}
            />
          </Column>
        ))}
        {melts.length > 0 && (
          <Column
            height={scale.height + 14}
            name="Pots"
            wide={
              lanesOf(
                melts,
                (m) => scale.y(m.starts),
                (m) => scale.y(m.ends),
              ).lanes * 60
            }
          >
            <Melts {...props} melts={melts} />
          </Column>
        )}
        {places.map((place) => {
          const own = trays.filter((t) => t.place === place);
          const lanes = lanesOf(
            own,
            (t) => scale.y(t.starts),
            (t) => scale.y(t.ends),
          ).lanes;
          return (
            <Column
              height={scale.height + 14}
              key={place}
              name={place.replace("-", " ")}
              wide={Math.max(lanes * lane, 84)}
            >
              <Trays {...props} trays={own} />
            </Column>
          );
        })}
      </div>
    </div>
  );
}

/** A column with its name, as high as the day. */
function Column(props: { name: string; height: number; wide?: number; className?: string; children: React.ReactNode }) {
  const ground = props.wide !== undefined;
  return (
    <section
      aria-label={props.name}
      style={ground ? { width: props.wide } : undefined}
      className={`relative shrink-0 ${ground ? "max-sm:hidden" : ""} ${props.className ?? ""}`}
    >
      <h3 className="h-8 font-serif text-[18px] first-letter:uppercase">{props.name}</h3>
      <div className={`relative ${ground ? "bg-parchment/25 rounded-[10px]" : ""}`} style={{ height: props.height }}>
        {props.children}
      </div>
    </section>
  );
}

/** Hours across all columns, where a long pause was cut out, now, and what is collected. */
function Ruler({ scale, names, pickups, now, day }: Columns & { now: string; pickups: Plan["orders"] }) {
  return (
    <div aria-hidden className="pointer-events-none absolute inset-x-0 top-8">
      <div>
        {scale.hours.map((h) => (
          <div key={h} className="absolute inset-x-0 flex items-center" style={{ top: scale.y(h) - 9 }}>
            <span className="text-ink2 w-11 text-right text-[13px] tabular-nums">{clock(h)}</span>
            <span className="border-line ml-1.5 grow border-t" />
          </div>
        ))}
        {scale.pauses.map((p) => (
          <div key={p.y} className="text-ink2 absolute left-12 text-[13px] italic" style={{ top: p.y - 9 }}>
            {span(p.minutes * 60)} free
          </div>
        ))}
        {dayOf(now) === day && scale.y(now) > 10 && scale.y(now) < scale.height - 16 && (
          <div className="border-act absolute inset-x-0 border-t-2 border-dotted" style={{ top: scale.y(now) }}>
            <span className="bg-act text-on-act rounded-sm px-1 text-[12px] font-bold">now</span>
          </div>
        )}
        {pickups.map((o) => (
          <div key={o.order} className="border-act absolute inset-x-0 border-t-2" style={{ top: scale.y(o.pickup) }}>
            <span className="bg-ground text-act absolute -top-[11px] left-12 px-1.5 text-[13px] font-bold">
              {clock(o.pickup)} {names.get(o.order)} is collected
            </span>
          </div>
        ))}
      </div>
    </div>
  );
}

function Work({ tasks, scale, reference, names, tap, plan, nobody }: Columns & { tasks: DayTask[]; nobody: boolean }) {
  return (
    <ol>
      {tasks.map((task) => {
        const { what } = task;
        const colour = what.pots.length > 0 ? potColour(reference, what.pots[0]) : undefined;
        const [top, height] = [scale.y(task.starts), scale.y(task.ends) - scale.y(task.starts)];
        const mark = task.mark?.done ? "done" : task.mark?.at ? "pinned" : task.mark?.notBefore ? "not before" : null;
        const stands = plan.trays.find((t) => t.task === what.code);
        if (task.worker === null && !task.mark?.done)
          return (
            <li key={what.code} className="absolute right-1 z-[2]" style={{ top: top - 9 }}>
              <button
                className="bg-panel border-board-edge max-w-44 truncate rounded-full border px-2 text-[12px] leading-[17px]"
                onClick={() => tap(what.code)}
              >
                {clock(task.starts)} {what.title.toLowerCase()}
              </button>
            </li>
          );
        return (
          <li key={what.code} className="absolute inset-x-0" style={{ top, height: Math.max(25, height - 2) }}>
            <button
              className={`flex size-full items-start gap-2 overflow-hidden rounded-[7px] px-2.5 pt-[3px] text-left text-[14px] leading-[19px] ${colour ? "" : "bg-parchment text-parchment-ink"} ${task.mark?.done ? "opacity-45" : ""} ${nobody ? "outline-mind outline-2 outline-offset-1 outline-dashed" : ""}`}
              style={colour ? { background: colour, color: inkOn(colour) } : undefined}
              onClick={() => tap(what.code)}
            >
              <span className="shrink-0 text-[12px] tabular-nums">{clock(task.starts)}</span>
              <span className="min-w-0">
                <span className={height > 60 ? "line-clamp-2" : "block truncate"}>
                  <b>{what.title}</b>
                  {mark && <b> ({mark})</b>}
                  {what.order && ` · ${names.get(what.order) ?? ""}`}
                </span>
                {height > 44 && what.round && (
                  <span className="block truncate text-[13px]">
                    {Math.ceil(what.pieces / what.round)} rounds of {what.round}, decorated wet
                  </span>
                )}
                {height > 44 && stands && (
                  <span className="block truncate text-[13px] sm:hidden">
                    then {stands.place.replace("-", " ")}
                    {stands.set && `, hard ${clock(stands.set)}`}
                  </span>
                )}
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}

/** Warm colours: a vessel as tall as it is kept warm. */
function Melts({ melts, scale, reference, tap, day }: Columns & { melts: DayMelt[] }) {
  const wording = useWording();
  const { placed } = lanesOf(
    melts,
    (m) => scale.y(m.starts),
    (m) => scale.y(m.ends),
  );
  return (
    <ul>
      {placed.map(({ thing: melt, lane: at }) => {
        const colour = potColour(reference, melt.pot);
        const [top, height] = [scale.y(melt.starts), Math.max(24, scale.y(melt.ends) - scale.y(melt.starts) - 2)];
        return (
          <li
            key={`${melt.pot}.${melt.number}`}
            className="absolute"
            style={{ top, height, left: at * 60 + 4, width: 52 }}
          >
            <button
              className="relative size-full text-[13px] font-bold"
              style={{ color: inkOn(colour) }}
              onClick={() => tap(`melt.${melt.pot}.${melt.number}`)}
            >
              <svg aria-hidden viewBox="0 0 52 100" preserveAspectRatio="none" className="absolute inset-0 size-full">
                <path
                  d="M0 0H52L47 94q-0.500 6-4 6H9q-3.500 0-4-6Z"
                  fill={colour}
                  className="stroke-rim"
                  vectorEffect="non-scaling-stroke"
                />
              </svg>
              <span className="absolute inset-x-0 top-1">
                {melt.number > 1 && dayOf(melt.starts) === day && height > 46 && (
                  <span className="block text-[12px]">again</span>
                )}
                {wording.mass(melt.toMelt)}
                <span className="sr-only">
                  {" "}
                  of {melt.pot.slice(melt.pot.indexOf(".") + 1)}, warm from {clock(melt.starts)} to {clock(melt.ends)}
                </span>
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

function Trays({ trays, scale, reference, tapTray, day }: Columns & { trays: DayTray[] }) {
  const { placed } = lanesOf(
    trays,
    (t) => scale.y(t.starts),
    (t) => scale.y(t.ends),
  );
  return (
    <ul>
      {placed.map(({ thing: tray, lane: at }) => {
        const [top, height] = [scale.y(tray.starts), Math.max(20, scale.y(tray.ends) - scale.y(tray.starts) - 2)];
        const colour = tray.pots.length > 0 ? potColour(reference, tray.pots[0]) : "#8a6a4a";
        const rows = Math.max(0, Math.floor((height - 26) / 10));
        const dots = Math.min(tray.pieces, rows * 8);
        const overnight = dayOf(tray.ends) !== day && dayOf(tray.starts) === day;
        return (
          <li key={tray.task} className="absolute" style={{ top, height, left: at * lane + 2, width: lane - 4 }}>
            <button
              className="bg-parchment text-parchment-ink border-rim flex size-full flex-col overflow-hidden rounded-[7px] border-2 px-1.5 py-0.5 text-left text-[12px] leading-tight font-semibold"
              onClick={() => tapTray(tray)}
            >
              <span className="line-clamp-2">{short(tray)}</span>
              {dots > 0 && (
                <svg aria-hidden viewBox={`0 0 80 ${Math.ceil(dots / 8) * 10}`} className="mt-1 w-full shrink-0">
                  {Array.from({ length: dots }, (_, i) => (
                    <circle key={i} cx={5 + (i % 8) * 10} cy={5 + Math.floor(i / 8) * 10} r="3.8" fill={colour} />
                  ))}
                </svg>
              )}
              {overnight && height > 40 && <span className="mt-auto font-normal">overnight</span>}
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** What lies on a tray, without what was last done to it. */
const short = (tray: DayTray) => tray.title.replace(/^[^0-9]*(?=\d)/, "").replace(/, part .*$/, "");

/** How long something takes, and until when it could be put off. */
export const slackWords = (task: DayTask) =>
  task.slack < 60
    ? "cannot be later"
    : `could be ${span(task.slack)} later, at ${clock(plusMinutes(task.starts, task.slack / 60))}`;

export const lasts = (task: DayTask) => minutesFrom(task.starts, task.ends) * 60;
