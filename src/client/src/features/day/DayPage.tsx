import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useSearchParams } from "wouter";
import type { Day, DayTray, Plan, Reference } from "../../api/client";
import { referenceQuery } from "../../api/queries";
import { Undoable } from "../../ui/buttons";
import { ErrorNote, Waiting } from "../../ui/notes";
import { clock, dayName, longDayName, span } from "../../ui/units";
import { CalendarCorner } from "./CalendarCorner";
import { ArrangeSheet, type Spell } from "./ArrangeSheet";
import { Aside, mindedOn } from "./Aside";
import { TaskSheet, TraySheet } from "./Sheets";
import { RunSheet } from "./RunSheet";
import { Timeline } from "./Timeline";
import { fits, whenSaid } from "./times";
import { dayOf, minutesFrom } from "../../ui/localTime";
import { TextButton } from "../../ui/buttons";
import { useDay, type DayDesk } from "./useDay";
import { WeekStrip } from "./WeekStrip";
import { say } from "../../wording/say";

/** What is done when, by whom, and where it stands: every open order of the coming eight days, a day at a time. */
export function DayPage() {
  const desk = useDay();
  const reference = useQuery(referenceQuery);
  useEffect(() => {
    document.title = say("day.day-kondiba");
  }, []);
  if (!desk.day.data || !reference.data) {
    const error = desk.day.error ?? reference.error;
    return error ? <ErrorNote error={error} retry={() => void desk.day.refetch()} /> : <Planning />;
  }
  const { plan, failed } = desk.day.data;
  if (!plan && failed) return <BrokenOff again={desk.planAgain} />;
  if (!plan) return <Planning />;
  return <Desk desk={desk} day={desk.day.data} plan={plan} reference={reference.data} />;
}

function Planning() {
  return (
    <>
      <p className="text-ink2 px-10 pt-8 font-serif text-[22px]">{say("day.planning")}</p>
      <Waiting />
    </>
  );
}

function Desk({ desk, day, plan, reference }: { desk: DayDesk; day: Day; plan: Plan; reference: Reference }) {
  const [search, setSearch] = useSearchParams();
  const [task, setTask] = useState<string>();
  const [tray, setTray] = useState<DayTray>();
  const [spell, setSpell] = useState<Spell>();
  const arrange = (asked: Spell) => {
    setTask(undefined);
    setTray(undefined);
    setSpell(asked);
  };
  const worked = [...new Set(plan.tasks.map((t) => dayOf(t.starts)))].sort();
  const busiest = worked.find((d) => d >= dayOf(day.now)) ?? dayOf(day.now);
  // The day that is looked at stays, also where a step that is ticked before its day moves to today.
  const [first, setFirst] = useState(busiest);
  if (first !== busiest && !worked.includes(first)) setFirst(busiest);
  const on = search.get("on") ?? first;
  const names = new Map(day.orders.map((o) => [o.code, o.name]));
  const own = plan.tasks.filter((t) => dayOf(t.starts) === on);
  const orders = [...new Set(own.map((t) => t.what.order).filter((o) => o !== null))];
  const shown = plan.tasks.find((t) => t.what.code === task);
  const busy = own.length > 0 || plan.orders.some((o) => dayOf(o.pickup) === on);
  const hours = search.get("view") === "hours";
  const handsOn = own.reduce((sum, t) => sum + (t.worker ? minutesFrom(t.starts, t.ends) * 60 : 0), 0);

  return (
    <div className="px-4 pt-2 sm:px-10">
      <WeekStrip
        day={day}
        plan={plan}
        reference={reference}
        on={on}
        choose={(date) => setSearch((s) => ({ ...Object.fromEntries(s), on: date }), { replace: true })}
      />
      <header className="mt-3 flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="font-serif text-[34px] leading-tight">{longDayName(on)}</h1>
        <p className="text-ink2">
          {own.length === 0
            ? say("day.nothing-scheduled")
            : say("day.order-hands", { count: orders.length, handsOn: span(handsOn) })}
        </p>
        <Verdict day={day} plan={plan} />
        {day.failed && <BrokenOff again={desk.planAgain} />}
        {busy && (
          <p className="ml-auto print:hidden">
            <TextButton onClick={() => setSearch(hours ? { on } : { on, view: "hours" }, { replace: true })}>
              {hours ? say("day.run-sheet") : say("day.hour-by-hour")}
            </TextButton>
          </p>
        )}
      </header>
      {desk.error && (
        <p role="alert" className="border-mind bg-mind-ground mt-3 border-l-4 px-4 py-2">
          {desk.error.message}
        </p>
      )}
      {desk.done && (
        <Undoable
          says={
            <>
              {desk.done} {desk.changes && <Changes {...desk.changes} names={names} />}
            </>
          }
          act={say("ui.undo")}
          undo={desk.undo}
        />
      )}
      {plan.problems.map((p) => (
        <p
          key={[p.field, p.code].join(" ")}
          role="note"
          className="border-mind bg-mind-ground mt-3 border-l-4 px-4 py-2"
        >
          {p.reason} {p.remedy}
        </p>
      ))}
      {day.orders.length === 0 ? (
        <p className="text-ink2 mt-6 max-w-xl text-lg">
          {say("day.no-orders-next-ten-days")}{" "}
          <Link className="text-act font-semibold" to="/">
            {say("ui.shelf")}
          </Link>
        </p>
      ) : (
        <div className="mt-3 grid gap-x-10 gap-y-8 xl:grid-cols-[minmax(0,1fr)_17rem] print:mt-1 print:grid-cols-1 print:gap-y-2">
          <section
            aria-label={say("day.plan")}
            aria-busy={desk.busy}
            className={`min-w-0 ${desk.busy ? "opacity-60" : ""}`}
          >
            {!busy && (
              <p className="text-ink2 py-6 text-lg">
                {say("day.nothing-scheduled-2")} {worked.length > 0 && say("day.days-with-work-filled-row")}
              </p>
            )}
            {busy && hours && (
              <Timeline
                plan={plan}
                day={on}
                above={aboveOnPaper(plan, on)}
                now={day.now}
                reference={reference}
                names={names}
                tap={setTask}
                tapTray={setTray}
                pin={(t, at) =>
                  desk.mark(
                    t.what.code,
                    say("day.pinned-5", { title: t.what.title, at: dayName(at), at2: clock(at) }),
                    { ...t.mark, at },
                  )
                }
              />
            )}
            {busy && !hours && (
              <RunSheet
                plan={plan}
                day={day}
                on={on}
                reference={reference}
                tap={setTask}
                tapTray={setTray}
                tick={(t) =>
                  t.mark?.done
                    ? desk.tell(t.what.code, say("ui.not-done-after-all", { title: t.what.title }), "undone")
                    : desk.tell(t.what.code, say("ui.done", { title: t.what.title }), "done")
                }
              />
            )}
            {day.later > 0 && (
              <p className="text-ink2 mt-3 text-[15px]">
                {say("day.not-planned-yet", {
                  later: day.later === 1 ? say("day.1-later-order") : say("day.later-orders", { later: day.later }),
                })}
              </p>
            )}
          </section>
          <aside
            aria-label={say("day.tight-spots-changes")}
            className="space-y-7 print:order-first print:grid print:grid-cols-2 print:gap-6 print:space-y-0 print:text-[14px]"
          >
            <Aside desk={desk} day={day} plan={plan} on={on} tap={setTask} arrange={arrange} />
            <CalendarCorner />
          </aside>
        </div>
      )}
      {shown && (
        <TaskSheet
          key={shown.what.code}
          task={shown}
          plan={plan}
          orders={day.orders}
          desk={desk}
          now={day.now}
          arrange={arrange}
          close={() => setTask(undefined)}
        />
      )}
      {tray && (
        <TraySheet
          tray={tray}
          plan={plan}
          desk={desk}
          day={day}
          on={on}
          arrange={arrange}
          close={() => setTray(undefined)}
        />
      )}
      {spell && <ArrangeSheet spell={spell} close={() => setSpell(undefined)} />}
    </div>
  );
}

// So many steps that moved are named; of more it is told how many.
const named = 3;

/** What else an arrangement moved. */
function Changes({ moved, late, names }: NonNullable<DayDesk["changes"]> & { names: Map<string, string> }) {
  const more = moved.length - named;
  return (
    <>
      {moved.length === 0 && late.length === 0 && say("day.nothing-else-moves")}
      {moved.length > 0 &&
        say("day.also-moves", {
          moved: moved
            .slice(0, named)
            .map((m) => say("day.from-2", { title: m.title, from: clock(m.from), to: whenSaid(m.to, m.from) }))
            .join("; "),
          more: more > 0 ? say("day.more", { more }) : "",
        })}
      {late.length > 0 && (
        <b className="text-mind"> {say("day.late-now", { late: late.map((o) => names.get(o) ?? o).join(", ") })}</b>
      )}
    </>
  );
}

/** The search ended before its time, which nobody here can mend: it can be begun anew. */
function BrokenOff({ again }: { again: () => void }) {
  return (
    <p role="alert" className="text-mind font-semibold">
      {say("day.planning-stopped-before-was-done")} <TextButton onClick={again}>{say("day.replan")}</TextButton>
    </p>
  );
}

/** Px that what is to be minded may take on paper, above the hours. */
function aboveOnPaper(plan: Plan, on: string) {
  const { full, waiting, out } = mindedOn(plan, on);
  return 48 + 52 * Math.max(full.length, waiting.length + out.length);
}

/** Whether it fits, how much there is to spare, and how near to the best it is proven to be. */
function Verdict({ day, plan }: { day: Day; plan: Plan }) {
  if (!fits(plan))
    return (
      <p role="status" className="text-mind font-bold">
        {plan.outcome === "impossible" ? say("day.doesnt-all-fit") : say("day.no-plan-time-found-yet")}
        {day.searching ? say("day.still-looking") : ""}
      </p>
    );
  if (plan.tasks.length === 0) return null;
  const spare = Math.min(...plan.orders.map((o) => minutesFrom(o.ready, o.pickup)));
  const near = Math.ceil(plan.gap * 100);
  return (
    <p role="status">
      <b className="text-go">
        {say("day.everything-fits-spare", { spare: spare > 0 ? span(spare * 60) : say("ui.nothing") })}
      </b>
      <span className="text-ink2">
        {" "}
        ·{" "}
        {day.searching
          ? say("day.still-improving")
          : near <= 5
            ? say("day.best-plan-found")
            : say("day.good-plan-found")}
      </span>
    </p>
  );
}
