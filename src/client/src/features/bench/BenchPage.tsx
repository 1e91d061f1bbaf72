import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link } from "wouter";
import type { Day, DayTask, Plan, Reference } from "../../api/client";
import { clock as browserClock } from "../../api/clock";
import { colourOfPot, referenceQuery, vesselOf } from "../../api/queries";
import { dayOf, minutesFrom } from "../../ui/localTime";
import { ErrorNote, Waiting } from "../../ui/notes";
import { putBy } from "../../ui/putBy";
import { clock, longDayName, span } from "../../ui/units";
import { useShortcuts } from "../../ui/useShortcuts";
import { whenSaid } from "../day/times";
import { nowOf, useDay, type DayDesk } from "../day/useDay";
import { benchOf, isFromWarm, meltOf, timersOf, type Bench } from "./bench";
import { big } from "./big";
import { ColdClock } from "./ColdClock";
import { CountPanel, isCounted } from "./CountPanel";
import { PotPanel } from "./PotPanel";
import { Timers, timerSays } from "./Timers";
import { useAlarms, useAllowed, useAwake } from "./useAlarms";
import { canListen, useSpoken } from "./useSpoken";
import { WrongSheet } from "./WrongSheet";
import { say } from "../../wording/say";

// A second touch of the same button so soon is a slip of a wet hand.
const slip = 600;

/** One step of the day, huge, with what is waited for: to be read from across the counter and told with a knuckle. */
export function BenchPage() {
  const desk = useDay();
  const reference = useQuery(referenceQuery);
  useEffect(() => {
    document.title = say("bench.bench-kondiba");
  }, []);
  const day = desk.day.data;
  const plan = usePlan(day);
  if (!day || !reference.data) {
    const error = desk.day.error ?? reference.error;
    return error ? <ErrorNote error={error} retry={() => void desk.day.refetch()} /> : <Waiting />;
  }
  if (!plan) return <Waiting />;
  return <Counter desk={desk} day={day} plan={plan} reference={reference.data} />;
}

/** The plan; while one is made anew the one before, with what has been done since: nobody stands at an empty bench. */
function usePlan(day: Day | undefined): Plan | null {
  const [last, setLast] = useState<Plan | null>(null);
  if (day?.plan && day.plan !== last) setLast(day.plan);
  if (day?.plan || !last || !day) return day?.plan ?? null;
  return {
    ...last,
    tasks: last.tasks.map((t) => ({ ...t, mark: day.arranged.tasks[t.what.code] ?? t.mark })),
  };
}

/** The kitchen's clock, by the second. */
function useNow(day: Day & { heardAt: number }) {
  const [, pass] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => pass((n) => n + 1), 1000);
    return () => clearInterval(timer);
  }, []);
  return nowOf(day);
}

function Counter(props: { desk: DayDesk; day: Day & { heardAt: number }; plan: Plan; reference: Reference }) {
  const { desk, day, plan, reference } = props;
  const now = useNow(day);
  const [who, setWho] = useState(() => (putBy.read("bench.who") as string | undefined) ?? "me");
  const [onHold, setOnHold] = useState(() => (putBy.read("bench.held") as string[] | undefined) ?? []);
  const [wrong, setWrong] = useState(false);
  const [allowed, allow] = useAllowed();
  const told = useRef(0);
  const hands = [...new Set(plan.hands.filter((h) => dayOf(h.hours.from) === dayOf(now)).map((h) => h.worker))];
  const bench = benchOf(plan, now, hands.includes(who) ? who : "me", onHold);
  const timers = timersOf(plan, now, day.progress);
  useAlarms(timers, now, allowed, (t) => timerSays(plan, t));
  useAwake(allowed.awake);

  const hold = (codes: string[]) => {
    putBy.write("bench.held", codes);
    setOnHold(codes);
  };
  const { step } = bench;
  const done = () => {
    if (!step || browserClock.now() - told.current < slip) return;
    told.current = browserClock.now();
    desk.tell(step.what.code, say("ui.done", { title: step.what.title }), "done");
    hold(onHold.filter((code) => code !== step.what.code));
  };
  const putOff = () => {
    if (step) hold([...onHold.filter((code) => code !== step.what.code), step.what.code]);
  };
  const count = (act: "made" | "spoilt", pieces: number) => {
    if (step) desk.count(step.what.code, act, pieces);
  };
  useShortcuts({
    " ": done,
    h: putOff,
    w: () => setWrong(true),
    "+": () => count("made", 1),
    "-": () => count("made", -1),
  });

  useSpoken(allowed.spoken, (word) => {
    if (word === "done") done();
    else if (word === "hold") putOff();
    else if (word === "one") count("made", 1);
    else setWrong(true);
  });

  const beside = step && (isCounted(step) || meltOf(plan, step)) ? step : undefined;
  return (
    <div className="mx-auto flex min-h-screen max-w-[96rem] flex-col gap-5 px-4 py-4 sm:px-9">
      <Head day={day} plan={plan} bench={bench} now={now} />
      {hands.length > 1 && (
        <p role="group" aria-label={say("bench.whose-steps")} className="flex flex-wrap gap-3">
          {hands.map((h) => (
            <button
              key={h}
              aria-pressed={h === who}
              className={`${big} px-6 ${h === who ? "border-cream" : "border-line"}`}
              onClick={() => {
                putBy.write("bench.who", h);
                setWho(h);
              }}
            >
              {h === "me" ? say("bench.my-steps") : h.replace(".", " ")}
            </button>
          ))}
        </p>
      )}
      {desk.error && (
        <p role="alert" className="border-mind bg-mind-ground border-l-4 px-4 py-3 text-[21px]">
          {desk.error.message}
        </p>
      )}
      {desk.done && (
        <p role="status" className="bg-panel flex flex-wrap items-center gap-x-6 rounded-2xl px-5 text-[21px]">
          {desk.done}
          <button className="text-act min-h-16 font-bold" onClick={desk.undo}>
            {say("ui.undo")}
          </button>
        </p>
      )}
      <div className={`grid gap-x-9 gap-y-5 ${beside ? "lg:grid-cols-[minmax(0,1fr)_25.5rem]" : ""}`}>
        {step ? (
          <section aria-label={say("bench.step")} className="flex min-w-0 flex-col">
            <StepView step={step} plan={plan} reference={reference} now={now} />
            <Cold step={step} />
            <div className="mt-6 grid grid-cols-2 gap-4 sm:grid-cols-[1.7fr_1fr_1.1fr]">
              <button
                className="bg-go text-ground min-h-26 rounded-3xl text-[30px] font-bold max-sm:col-span-2"
                onClick={done}
              >
                {say("bench.done")}
              </button>
              <button className={`${big} min-h-26 text-[28px]`} onClick={putOff}>
                {say("bench.hold")}
              </button>
              <button className={`${big} text-act min-h-26 text-[28px]`} onClick={() => setWrong(true)}>
                {say("bench.went-wrong-2")}
              </button>
            </div>
          </section>
        ) : (
          <NothingLeft later={bench.later} now={now} />
        )}
        {beside && (
          <aside aria-label={say("bench.pot-count")} className="flex flex-col gap-5">
            {isCounted(beside) && <CountPanel step={beside} progress={day.progress[beside.what.code]} count={count} />}
            <PotPanel step={beside} plan={plan} reference={reference} />
          </aside>
        )}
      </div>
      <Timers timers={timers} plan={plan} now={now} notYet={(task, minutes) => desk.count(task, "notYet", minutes)} />
      <footer className="mt-auto flex flex-wrap items-center gap-x-6 gap-y-2 pt-1 text-[21px]">
        <ThenLine bench={bench} now={now} takeUp={(code) => hold(onHold.filter((c) => c !== code))} />
        <Settings allowed={allowed} allow={allow} />
      </footer>
      {wrong && step && <WrongSheet step={step} plan={plan} desk={desk} now={now} close={() => setWrong(false)} />}
    </div>
  );
}

function Head({ day, plan, bench, now }: { day: Day; plan: Plan; bench: Bench; now: string }) {
  const { step } = bench;
  const order = day.orders.find((o) => o.code === step?.what.order);
  const planned = plan.orders.filter((o) => (order ? o.order === order.code : o.pickup > now));
  const spare = Math.min(...planned.map((o) => minutesFrom(o.ready, o.pickup)));
  const behind = step ? minutesFrom(step.ends, now) : 0;
  return (
    <header className="flex flex-wrap items-baseline gap-x-6 gap-y-1 text-[19px]">
      <Link to="/day" className="font-serif text-[24px]">
        {say("ui.bench")}
      </Link>
      <span className="text-ink2">
        {[order?.name, step && say("bench.step-2", { number: bench.number, text: bench.of })]
          .filter(Boolean)
          .join(" · ")}
      </span>
      <Link to="/practice" className="text-ink2 ml-auto">
        {say("bench.practice-pot")}
      </Link>
      <span className="flex flex-wrap items-baseline gap-x-6">
        {Number.isFinite(spare) && (
          <span className={spare < 0 || behind > 0 ? "text-mind font-bold" : "text-ink2"}>
            {behind > 0 && say("bench.behind", { behind: span(behind * 60) })}
            {spare < 0
              ? say("bench.ready-late", { spare: span(-spare * 60) })
              : say("bench.spare", { spare: span(spare * 60) })}
          </span>
        )}
        <time className="text-[24px] font-bold">{clock(now)}</time>
      </span>
    </header>
  );
}

function StepView({ step, plan, reference, now }: { step: DayTask; plan: Plan; reference: Reference; now: string }) {
  const melt = meltOf(plan, step);
  const pot = melt && colourOfPot(reference, melt.pot)?.name;
  const waits = isFromWarm(plan, step) ? 0 : minutesFrom(now, step.starts);
  return (
    <div aria-live="polite">
      <p className="text-mind text-[21px] font-bold">
        {waits > 5 ? say("bench.next-free", { starts: whenSaid(step.starts, now), waits: span(waits * 60) }) : "NOW"}
        {pot && say("bench.pot", { pot, name: vesselOf(reference, melt.vessel)?.name ?? say("ui.bag") })}
      </p>
      <h1 className="mt-1 font-serif text-[40px] leading-[1.08] font-bold text-balance [font-synthesis:none] sm:text-[56px] lg:text-[64px]">
        {step.what.title}
      </h1>
      <p className="mt-4 max-w-[34em] text-[26px] leading-snug">{step.what.text}</p>
      {step.what.why && <p className="text-mind mt-3 max-w-[40em] text-[21px] leading-snug">{step.what.why}</p>}
      {step.what.safety?.map((note) => (
        <p key={note.code} role="note" className="mt-3 max-w-[40em] text-[19px] leading-snug">
          <b>{say("ui.watch-out")}</b> {note.text}
        </p>
      ))}
      {step.what.atMost !== null && (
        <p className="text-mind mt-2 text-[21px] font-bold">
          {say("ui.next-step-must-follow-within", { atMost: span(step.what.atMost) })}
        </p>
      )}
    </div>
  );
}

/** How long what spoils has been out, at steps that it is out for. */
function Cold({ step }: { step: DayTask }) {
  const note = step.what.safety?.find((n) => n.atMost !== null);
  return note && step.what.order ? <ColdClock key={step.what.order} order={step.what.order} note={note} /> : null;
}

function NothingLeft({ later, now }: { later: DayTask | undefined; now: string }) {
  return (
    <section aria-label={say("bench.step")} className="py-10">
      <h1 className="font-serif text-[56px] leading-tight">{say("bench.nothing-left-today")}</h1>
      <p className="text-ink2 mt-4 text-[26px]">
        {later
          ? `${longDayName(later.starts)}, ${clock(later.starts)}: ${later.what.title}.`
          : say("bench.your-steps-appear-here-as")}
      </p>
      <p className="text-ink2 mt-2 text-[21px]">
        {later && say("bench.free", { minutesFrom: span(minutesFrom(now, later.starts) * 60) })}
        <Link className="text-act font-bold" to="/day">
          {say("ui.day")}
        </Link>
      </p>
    </section>
  );
}

function ThenLine({ bench, now, takeUp }: { bench: Bench; now: string; takeUp: (task: string) => void }) {
  const [next, after] = bench.then;
  return (
    <>
      {next && (
        <p className="text-ink2 min-w-0">
          {say("ui.then")} <b className="text-ink">{next.what.title}</b>
          {minutesFrom(now, next.starts) > 5 && say("bench.at-starts", { starts: clock(next.starts) })}
          {after && (
            <>
              {say("bench.then")} <b className="text-ink">{after.what.title}</b>{" "}
              {say("bench.at-starts-2", { starts: clock(after.starts) })}
            </>
          )}
        </p>
      )}
      {bench.held.map((t) => (
        <button key={t.what.code} className="text-act min-h-16 font-bold" onClick={() => takeUp(t.what.code)}>
          {say("bench.hold-2", { title: t.what.title })}
        </button>
      ))}
    </>
  );
}

function Settings(props: { allowed: ReturnType<typeof useAllowed>[0]; allow: ReturnType<typeof useAllowed>[1] }) {
  const { allowed, allow } = props;
  const choices = [
    { name: say("bench.sound"), on: allowed.sound, set: () => allow({ sound: !allowed.sound }) },
    { name: say("bench.keep-screen"), on: allowed.awake, set: () => allow({ awake: !allowed.awake }) },
    ...(canListen()
      ? [{ name: say("bench.read-aloud"), on: allowed.spoken, set: () => allow({ spoken: !allowed.spoken }) }]
      : []),
    {
      name: say("bench.notifications"),
      on: allowed.notices,
      set: () => {
        if (allowed.notices || !("Notification" in window)) allow({ notices: false });
        else void Notification.requestPermission().then((said) => allow({ notices: said === "granted" }));
      },
    },
  ];
  return (
    <p role="group" aria-label={say("bench.when-tray-ready")} className="ml-auto flex flex-wrap gap-2">
      {choices.map(({ name, on, set }) => (
        <button
          key={name}
          aria-pressed={on}
          className={`min-h-16 rounded-2xl px-4 ${on ? "text-ink font-bold" : "text-ink2"}`}
          onClick={set}
        >
          <span aria-hidden className="mr-2 inline-block w-4">
            {on ? "✓" : "–"}
          </span>
          {name}
        </button>
      ))}
    </p>
  );
}
