import { dayOf } from "../../ui/localTime";
import type { DayMelt, DayTask, DayTray, Plan } from "../../api/client";
import { clock, span } from "../../ui/units";
import { Melts, percent, Trays, Work, type Drawn } from "./Columns";
import { lanesOf, onPaper, onScreen, scaleOf, type Lanes, type Scale } from "./times";
import { usePrinting } from "./usePrinting";
import { potColour } from "./WeekStrip";
import { capital, say } from "../../wording/say";

// Least and wished widths, in px: of a worker's column, a pot's and a tray's lane.
const narrowest = { hands: 248, pots: 50, trays: 52 };
const wished: typeof narrowest = { hands: 300, pots: 60, trays: 84 };

// Px of a sheet of paper below the heading, and so many at least for the hours.
const sheet = 880;
const least = 300;

/** A column of the page: what it is called, how many lanes wide it is, and what is in it. */
type Column = { key: string; name: string; lanes: number } & (
  | { kind: "hands"; tasks: DayTask[] }
  | { kind: "pots"; melts: Lanes<DayMelt> }
  | { kind: "trays"; trays: Lanes<DayTray> }
);

/** A day down the page: hands first, then pots and places with the trays in them; on paper as low as one sheet. */
export function Timeline({ above, ...given }: Omit<Drawn, "scale"> & { now: string; above: number }) {
  const printing = usePrinting();
  const { plan, day } = given;
  const scale = scaleOf(plan, day, printing ? onPaper : onScreen);
  const props = { ...given, scale };
  const columns = columnsOf(plan, day, scale);
  const whole = across(columns, wished);
  const laid = columns.map((column, i) => ({
    column,
    from: across(columns.slice(0, i), wished) / whole,
    wide: across([column], wished) / whole,
  }));
  const workers = columns.filter((c) => c.kind === "hands");
  return (
    <div
      className="relative overflow-x-auto pl-12 [print-color-adjust:exact] print:overflow-visible"
      style={{ zoom: printing ? Math.min(1, Math.max(least, sheet - above) / scale.height) : undefined }}
    >
      <div
        className="relative sm:min-w-(--least)"
        style={
          {
            height: scale.height + 46,
            "--least": `${across(columns, narrowest)}px`,
          } as React.CSSProperties
        }
      >
        {laid
          .filter((l) => l.column.kind !== "hands")
          .map(({ column, from, wide }) => (
            <div
              key={column.key}
              aria-hidden
              className={`absolute top-8 rounded-[10px] border-r-10 border-transparent bg-clip-padding max-sm:hidden ${ground(column.key)}`}
              style={{ left: percent(from), width: percent(wide), height: scale.height + 14 }}
            />
          ))}
        <Ruler {...props} pickups={plan.orders.filter((o) => dayOf(o.pickup) === day)} />
        <Ribbons {...props} laid={laid} />
        {laid.map(({ column, from, wide }) => {
          const worker = workers.findIndex((w) => w.key === column.key);
          return (
            <section
              key={column.key}
              aria-label={column.name}
              className={`absolute inset-y-0 left-(--at) w-(--wide) pr-2.5 ${worker < 0 ? "max-sm:hidden" : "max-sm:left-(--narrow-at) max-sm:w-(--narrow-wide)"}`}
              style={
                {
                  "--at": percent(from),
                  "--wide": percent(wide),
                  "--narrow-at": percent(worker / workers.length),
                  "--narrow-wide": percent(1 / workers.length),
                } as React.CSSProperties
              }
            >
              <h3 className="h-8 truncate font-serif text-[18px]">{capital(column.name)}</h3>
              <div className="relative" style={{ height: scale.height + 14 }}>
                {column.kind === "hands" && (
                  <Work {...props} tasks={column.tasks} nobody={column.key === "hands.nobody"} />
                )}
                {column.kind === "pots" && <Melts {...props} melts={column.melts} />}
                {column.kind === "trays" && <Trays {...props} trays={column.trays} />}
              </div>
            </section>
          );
        })}
      </div>
    </div>
  );
}

const across = (columns: Column[], width: typeof narrowest) =>
  columns.reduce((sum, c) => sum + c.lanes * width[c.kind], 0);

function columnsOf(plan: Plan, day: string, scale: Scale): Column[] {
  const tasks = plan.tasks.filter((t) => dayOf(t.starts) === day);
  const workers = [...new Set(tasks.map((t) => t.worker).filter((w) => w !== null))].sort((a, b) =>
    a === "me" ? -1 : b === "me" ? 1 : a.localeCompare(b),
  );
  const [from, to] = [`${day}T00:00:00`, `${day}T23:59:59`];
  const there = <T extends { starts: string; ends: string }>(things: T[]) =>
    lanesOf(
      things.filter((t) => t.starts < to && t.ends > from),
      (t) => scale.y(t.starts),
      (t) => scale.y(t.ends),
    );
  const melts = there(plan.melts);
  return [
    ...workers.map((w) => ({
      key: `hands.${w}`,
      name: w === "me" ? say("day.you") : w === "nobody" ? say("day.unassigned") : say("day.helper-5"),
      lanes: 1,
      kind: "hands" as const,
      tasks: tasks.filter((t) => t.worker === w || (w === "me" && t.worker === null)),
    })),
    ...(melts.placed.length > 0
      ? [{ key: "pots", name: say("ui.pots"), lanes: melts.lanes, kind: "pots" as const, melts }]
      : []),
    ...plan.places.flatMap(({ place, name }) => {
      const trays = there(plan.trays.filter((t) => t.place === place && scale.y(t.ends) - scale.y(t.starts) > 3));
      return trays.placed.length === 0 ? [] : [{ key: place, name, lanes: trays.lanes, kind: "trays" as const, trays }];
    }),
  ];
}

const ground = (place: string) =>
  place.includes("freezer") ? "bg-cold" : /fridge|cool/.test(place) ? "bg-cool" : "bg-warm";

/** A ribbon from the hands to each tray that they put down. */
function Ribbons({
  laid,
  plan,
  day,
  scale,
  reference,
}: Drawn & { laid: { column: Column; from: number; wide: number }[] }) {
  const tasks = new Map(plan.tasks.filter((t) => dayOf(t.starts) === day).map((t) => [t.what.code, t]));
  return (
    <svg
      aria-hidden
      viewBox={`0 0 1000 ${scale.height + 14}`}
      preserveAspectRatio="none"
      className="absolute inset-x-0 top-8 w-full max-sm:hidden"
      style={{ height: scale.height + 14 }}
    >
      {laid.map(({ column, from, wide }) =>
        column.kind !== "trays"
          ? null
          : column.trays.placed.map(({ thing: tray, lane }) => {
              const task = tasks.get(tray.task);
              const hands = laid.find((l) => l.column.key === `hands.${task?.worker ?? "me"}`);
              if (!task || !hands || tray.starts !== task.ends) return null;
              const [x, to] = [(hands.from + hands.wide) * 1000 - 12, (from + (wide * lane) / column.lanes) * 1000 + 2];
              const high = Math.min(12, Math.max(22, scale.y(task.ends) - scale.y(task.starts)) - 8);
              const [y, end] = [
                Math.max(scale.y(task.starts) + 22, scale.y(task.ends)) - high - 6,
                scale.y(tray.starts) + 6,
              ];
              const middle = x + (to - x) * 0.5;
              return (
                <path
                  key={tray.task + column.key}
                  d={`M${x} ${y}C${middle} ${y} ${middle} ${end} ${to} ${end}V${end + high}C${middle} ${end + high} ${middle} ${y + high} ${x} ${y + high}Z`}
                  fill={tray.pots.length > 0 ? potColour(reference, tray.pots[0]) : undefined}
                  className={`opacity-40 ${tray.pots.length > 0 ? "" : "fill-board"}`}
                />
              );
            }),
      )}
    </svg>
  );
}

/** Hours across all columns, where a long pause was cut out, now, and what is collected. */
function Ruler({ scale, names, pickups, now, day }: Drawn & { now: string; pickups: Plan["orders"] }) {
  return (
    <div aria-hidden className="pointer-events-none absolute top-8 right-0 -left-12">
      <div>
        {scale.hours.map((h) => (
          <div key={h} className="absolute inset-x-0 flex items-center" style={{ top: scale.y(h) - 9 }}>
            <span className="text-ink2 w-11 text-right text-[13px] tabular-nums">{clock(h)}</span>
            <span className="border-line ml-1.5 grow border-t" />
          </div>
        ))}
        {scale.pauses.map((p) => (
          <div key={p.y} className="text-ink2 absolute left-12 text-[13px] italic" style={{ top: p.y - 9 }}>
            {say("day.free-2", { minutes: span(p.minutes * 60) })}
          </div>
        ))}
        {dayOf(now) === day && scale.y(now) > 10 && scale.y(now) < scale.height - 16 && (
          <div className="border-act absolute inset-x-0 border-t-2 border-dotted" style={{ top: scale.y(now) }}>
            <span className="bg-act text-on-act rounded-sm px-1 text-[12px] font-bold">{say("ui.now")}</span>
          </div>
        )}
        {pickups.map((o) => (
          <div key={o.order} className="border-act absolute inset-x-0 border-t-2" style={{ top: scale.y(o.pickup) }}>
            <span className="bg-ground text-act absolute -top-[11px] left-12 px-1.5 text-[13px] font-bold">
              {clock(o.pickup)} {names.get(o.order)} {say("ui.pickup")}
            </span>
          </div>
        ))}
      </div>
    </div>
  );
}
