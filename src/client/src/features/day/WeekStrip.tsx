import { colourOfPot } from "../../api/queries";
import type { Day, Plan, Reference } from "../../api/client";
import { span } from "../../ui/units";
import { dayOf, minutesFrom, noon, plusDays } from "../../ui/localTime";
import { dropDay } from "./useMoving";
import { say } from "../../wording/say";
import { dates } from "../../ui/units";

const name = dates({ weekday: "short", day: "numeric", timeZone: "UTC" });

/** The coming days, each as full as the hands are, with what is collected on it. */
export function WeekStrip(props: {
  day: Day;
  plan: Plan;
  reference: Reference;
  on: string;
  choose: (day: string) => void;
}) {
  const { plan, day } = props;
  const today = dayOf(day.now);
  const last = plan.orders.map((o) => dayOf(o.pickup)).sort();
  const count = Math.max(7, minutesFrom(`${today}T00:00:00`, `${last[last.length - 1] ?? today}T00:00:00`) / 1440 + 1);
  const days = Array.from({ length: Math.min(14, count) }, (_, i) => plusDays(today, i));
  return (
    <ol aria-label={say("day.days")} className="relative flex gap-1.5 overflow-x-auto pb-1 print:hidden">
      {days.map((date) => {
        const own = plan.hands.filter((h) => dayOf(h.hours.from) === date);
        const [open, busy] = [
          own.reduce((sum, h) => sum + minutesFrom(h.hours.from, h.hours.to) * 60, 0),
          own.reduce((sum, h) => sum + h.busy, 0),
        ];
        const pickups = plan.orders.filter((o) => dayOf(o.pickup) === date);
        const short = plan.shortages.some((s) => dayOf(s.from) <= date && dayOf(s.to) >= date);
        return (
          <li key={date} className="min-w-[5.5rem] grow basis-0">
            <button
              aria-pressed={date === props.on}
              {...{ [dropDay]: date }}
              className={`border-line size-full rounded-t-[10px] rounded-b-[22px] border px-2 pt-1 pb-2 text-left ${date === props.on ? "bg-parchment text-parchment-ink border-board-edge" : "bg-panel"}`}
              onClick={() => props.choose(date)}
            >
              <span className="flex items-baseline justify-between gap-1 font-serif text-[16px] whitespace-nowrap">
                {name.format(noon(date))}
              </span>
              <svg aria-hidden viewBox="0 0 100 7" preserveAspectRatio="none" className="mt-0.5 h-[7px] w-full">
                <rect width="100" height="7" rx="3" className="fill-line" />
                <rect
                  width={open ? Math.min(100, (100 * busy) / open) : 0}
                  height="7"
                  rx="3"
                  className={short ? "fill-mind" : "fill-board-edge"}
                />
              </svg>
              <span
                className={`block text-[13px] leading-5 ${date === props.on ? "text-parchment-ink2" : "text-ink2"}`}
              >
                {date === today && <b>{say("day.today")} </b>}
                {short ? (
                  <b className={date === props.on ? "text-parchment-mind" : "text-mind"}>{say("day.short")}</b>
                ) : busy > 0 ? (
                  span(busy)
                ) : open ? (
                  say("day.free")
                ) : (
                  say("ui.no-work")
                )}
              </span>
              <span className="mt-0.5 flex h-3 gap-1">
                {pickups.map((o) => (
                  <Pickup key={o.order} code={o.order} plan={plan} reference={props.reference} />
                ))}
              </span>
              {pickups.length > 0 && (
                <span className="sr-only">
                  {say("day.pickup", {
                    pickups: pickups.map((o) => day.orders.find((d) => d.code === o.order)?.name).join(", "),
                  })}
                </span>
              )}
            </button>
          </li>
        );
      })}
    </ol>
  );
}

/** A small box in the order's first colour. */
function Pickup({ code, plan, reference }: { code: string; plan: Plan; reference: Reference }) {
  const pot = plan.tasks.find((t) => t.what.order === code && t.what.pots.length > 0)?.what.pots[0];
  return (
    <svg aria-hidden viewBox="0 0 12 12" className="size-3">
      <rect
        x="0.5"
        y="3"
        width="11"
        height="8.5"
        rx="1.5"
        fill={potColour(reference, pot)}
        className="stroke-rim"
        strokeWidth="0.6"
      />
      <path d="M0 3.5h12M6 3.5v8" className="stroke-panel" strokeWidth="0.9" />
    </svg>
  );
}

export const potColour = (reference: Reference, pot: string | undefined) =>
  colourOfPot(reference, pot)?.srgb ?? "#b8a58c";
