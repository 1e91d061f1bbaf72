import { useEffect, useRef, useState, type KeyboardEvent } from "react";
import { dayByKey, plusMonths, weeksOf } from "./calendar";
import { noon } from "./localTime";
import { dates, longDayName } from "./units";
import { say } from "../wording/say";

/** A month of days, each a wafer; the keys go from day to day. */
export function Month(props: { day: string; today: string; pick: (day: string) => void }) {
  const [at, setAt] = useState(props.day);
  const grid = useRef<HTMLDivElement>(null);
  // The day has the focus, and keeps it under the keys; turning the month leaves it where it is.
  const [moved, setMoved] = useState(true);
  useEffect(() => {
    if (moved) grid.current?.querySelector<HTMLButtonElement>("[tabindex='0']")?.focus();
  }, [at, moved]);
  const weeks = weeksOf(at);
  const keys = (e: KeyboardEvent) => {
    const to = dayByKey(e.key, at);
    if (!to) return;
    e.preventDefault();
    setMoved(true);
    setAt(to);
  };
  const turn = (months: number) => {
    setMoved(false);
    setAt(plusMonths(at, months));
  };
  return (
    <>
      <div className="mb-1 flex items-center justify-between">
        <Turn label={say("ui.previous-month")} arrow="←" onClick={() => turn(-1)} />
        <b aria-live="polite">{monthName(at)}</b>
        <Turn label={say("ui.next-month")} arrow="→" onClick={() => turn(1)} />
      </div>
      <div ref={grid} role="grid" tabIndex={-1} aria-label={monthName(at)} onKeyDown={keys}>
        <div role="row" className="grid grid-cols-7 text-center">
          {weeks[0]?.map((day) => (
            <span key={day} role="columnheader" className="text-ink2 text-[12px]">
              {weekdayName(day)}
            </span>
          ))}
        </div>
        {weeks.map((week) => (
          <div key={week[0]} role="row" className="grid grid-cols-7">
            {week.map((day) => (
              <span key={day} role="gridcell" aria-selected={day === props.day}>
                <button
                  type="button"
                  tabIndex={day === at ? 0 : -1}
                  aria-label={longDayName(day)}
                  aria-current={day === props.today ? "date" : undefined}
                  className={`size-9 rounded-full ${dayLook(day, at, props)}`}
                  onClick={() => props.pick(day)}
                >
                  {Number(day.slice(8))}
                </button>
              </span>
            ))}
          </div>
        ))}
      </div>
    </>
  );
}

function Turn(props: { label: string; arrow: string; onClick: () => void }) {
  return (
    <button type="button" aria-label={props.label} className="text-act size-8 font-bold" onClick={props.onClick}>
      <span aria-hidden>{props.arrow}</span>
    </button>
  );
}

function dayLook(day: string, at: string, props: { day: string; today: string }): string {
  if (day === props.day) return "bg-act text-on-act font-bold";
  const today = day === props.today ? "underline decoration-2 underline-offset-4 font-bold" : "";
  const otherMonth = day.slice(0, 7) === at.slice(0, 7) ? "" : "text-ink2";
  return `hover:bg-parchment hover:text-parchment-ink ${today} ${otherMonth}`;
}

const months = dates({ month: "long", year: "numeric", timeZone: "UTC" });
const weekdays = dates({ weekday: "short", timeZone: "UTC" });
const monthName = (day: string) => months.format(noon(day));
const weekdayName = (day: string) => weekdays.format(noon(day)).slice(0, 2);
