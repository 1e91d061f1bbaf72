import { dayOf } from "../../ui/localTime";
import type { DayMelt, DayTask, DayTray, Plan, Reference } from "../../api/client";
import { colourOfPot } from "../../api/queries";
import { inkOn } from "../../ui/colour";
import { clock, useWording } from "../../ui/units";
import { meltingOf, placeName, whenSaid, type Lanes, type Scale } from "./times";
import { useMoving } from "./useMoving";
import { potColour } from "./WeekStrip";
import { say } from "../../wording/say";

/** What every column of a day is drawn from. */
export interface Drawn {
  plan: Plan;
  day: string;
  scale: Scale;
  reference: Reference;
  names: Map<string, string>;
  tap: (task: string) => void;
  tapTray: (tray: DayTray) => void;
  pin: (task: DayTask, at: string) => void;
}

export const percent = (share: number) => `${share * 100}%`;

/** Work of one pair of hands, each as high as it takes. */
export function Work({
  tasks,
  scale,
  reference,
  names,
  tap,
  plan,
  pin,
  nobody,
}: Drawn & { tasks: DayTask[]; nobody: boolean }) {
  return (
    <ol>
      {tasks.map((task) => {
        const { what } = task;
        if (task.worker === null && !task.mark?.done)
          return (
            <li key={what.code} className="absolute right-1 z-[2]" style={{ top: scale.y(task.starts) - 9 }}>
              <button
                className="bg-panel border-board-edge max-w-36 truncate rounded-full border px-2 text-[12px] leading-[17px]"
                onClick={() => tap(what.code)}
              >
                {clock(task.starts)} {what.title.toLowerCase()}
              </button>
            </li>
          );
        return <WorkItem key={what.code} {...{ task, scale, reference, names, tap, plan, pin, nobody }} />;
      })}
    </ol>
  );
}

/** A step of work, which can be moved. */
function WorkItem(props: Omit<Drawn, "day" | "tapTray"> & { task: DayTask; nobody: boolean }) {
  const { task, scale, reference, names, tap, plan, pin, nobody } = props;
  const { what } = task;
  const movable = what.stage !== "melt" && !task.mark?.done;
  const moving = useMoving(task, scale, pin);
  const colour = what.pots.length > 0 ? potColour(reference, what.pots[0]) : undefined;
  const [top, height] = [scale.y(task.starts), scale.y(task.ends) - scale.y(task.starts)];
  const shift = moving.to && dayOf(moving.to) === dayOf(task.starts) ? scale.y(moving.to) - top : 0;
  const mark = task.mark?.done
    ? say("day.done-3")
    : task.mark?.at
      ? say("day.pinned-4")
      : task.mark?.notBefore
        ? say("day.not-before-3")
        : null;
  const stands = plan.trays.find((t) => t.task === what.code);
  return (
    <li
      className={`absolute inset-x-0 ${moving.to ? "z-[3]" : ""}`}
      style={{ top: top + shift, height: Math.max(scale.row, height) - 2 }}
    >
      <button
        className={[
          "flex size-full items-start gap-2 overflow-hidden rounded-[7px] px-2.5 pt-[3px] text-left text-[14px]",
          "leading-[19px] print:items-center print:pt-0 print:text-[12px] print:leading-[14px]",
          colour ? "border-rim/70 border" : "bg-parchment text-parchment-ink",
          task.mark?.done ? "opacity-45" : "",
          nobody ? "outline-mind outline-2 outline-offset-1 outline-dashed" : "",
        ].join(" ")}
        style={colour ? { background: colour, color: inkOn(colour) } : undefined}
        {...(movable ? moving.props : {})}
        title={movable ? say("day.move-with-arrow-keys-or") : undefined}
        onClick={() => {
          if (!moving.isDragged()) tap(what.code);
        }}
      >
        <span className="shrink-0 text-[12px] tabular-nums">{clock(moving.to ?? task.starts)}</span>
        <span className="min-w-0">
          <span className={height > 60 ? "line-clamp-2" : "block truncate"}>
            {moving.to && (
              <b role="status">{say("day.press-enter-pin-here", { to: whenSaid(moving.to, task.starts) })} </b>
            )}
            <b>{what.title}</b>
            {mark && <b> ({mark})</b>}
            {what.order && ` · ${names.get(what.order) ?? ""}`}
          </span>
          {height > 44 && what.round && (
            <span className="block truncate text-[13px]">
              {say("day.rounds-decorated-wet", { pieces: Math.ceil(what.pieces / what.round), round: what.round })}
            </span>
          )}
          {height > 44 && stands && (
            <span className="block truncate text-[13px] sm:hidden">
              {say("day.then-2", { placeName: placeName(plan, stands.place) })}
              {stands.set && say("day.hard", { set: clock(stands.set) })}
            </span>
          )}
        </span>
      </button>
    </li>
  );
}

/** Warm colours: a vessel as tall as it is kept warm. */
export function Melts({ melts: { placed, lanes }, scale, reference, tap, day }: Drawn & { melts: Lanes<DayMelt> }) {
  const wording = useWording();
  return (
    <ul>
      {placed.map(({ thing: melt, lane: at }) => {
        const colour = potColour(reference, melt.pot);
        const [top, height] = [scale.y(melt.starts), Math.max(24, scale.y(melt.ends) - scale.y(melt.starts) - 2)];
        return (
          <li
            key={`${melt.pot}.${melt.number}`}
            className="absolute px-1"
            style={{ top, height, left: percent(at / lanes), width: percent(1 / lanes) }}
          >
            <button
              className="relative size-full text-[12px] font-bold whitespace-nowrap"
              style={{ color: inkOn(colour) }}
              onClick={() => tap(meltingOf(melt))}
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
                  <span className="block text-[12px]">{say("ui.2nd-melt")}</span>
                )}
                {wording.mass(melt.toMelt)}
                <span className="sr-only">
                  {" "}
                  {say("ui.of")} {colourOfPot(reference, melt.pot)?.name}
                  {say("day.warm-from", { starts: clock(melt.starts), ends: clock(melt.ends) })}
                </span>
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** Trays in a place, with what lies on them. */
export function Trays({ trays: { placed, lanes }, scale, reference, tapTray, day }: Drawn & { trays: Lanes<DayTray> }) {
  return (
    <ul>
      {placed.map(({ thing: tray, lane: at }) => {
        const [top, height] = [scale.y(tray.starts), Math.max(20, scale.y(tray.ends) - scale.y(tray.starts) - 2)];
        const colour = tray.pots.length > 0 ? potColour(reference, tray.pots[0]) : "#8a6a4a";
        const overnight = dayOf(tray.ends) !== day && dayOf(tray.starts) === day;
        const foot =
          height > 64 &&
          (overnight
            ? say("day.overnight")
            : tray.set && dayOf(tray.set) === day && say("day.hard-2", { set: clock(tray.set) }));
        const rows = Math.max(0, Math.floor((height - (foot ? 54 : 40)) / 10));
        const dots = Math.min(tray.pieces, rows * 8);
        return (
          <li
            key={tray.task}
            className="absolute px-[2px]"
            style={{ top, height, left: percent(at / lanes), width: percent(1 / lanes) }}
          >
            <button
              className="bg-parchment text-parchment-ink border-rim flex size-full flex-col overflow-hidden rounded-[7px] border-2 px-1.5 py-0.5 text-left text-[12px] leading-tight font-semibold"
              onClick={() => tapTray(tray)}
            >
              <span className={height < 38 ? "truncate" : "line-clamp-2 wrap-anywhere hyphens-auto"}>{tray.title}</span>
              {dots > 0 && (
                <svg aria-hidden viewBox={`0 0 80 ${Math.ceil(dots / 8) * 10}`} className="mt-1 w-full shrink-0">
                  {Array.from({ length: dots }, (_, i) => (
                    <circle
                      key={i}
                      cx={5 + (i % 8) * 10}
                      cy={5 + Math.floor(i / 8) * 10}
                      r="3.8"
                      fill={colour}
                      className="stroke-rim"
                    />
                  ))}
                </svg>
              )}
              {foot && <span className="mt-auto font-normal whitespace-nowrap">{foot}</span>}
            </button>
          </li>
        );
      })}
    </ul>
  );
}
