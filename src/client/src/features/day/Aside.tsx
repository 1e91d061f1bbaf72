import { Link } from "wouter";
import type { Day, DayHours, DayTask, DayTray, Plan, TaskMark } from "../../api/client";
import { TextButton } from "../../ui/buttons";
import { clock, dayName } from "../../ui/units";
import { away, type Spell } from "./ArrangeSheet";
import { beginOf, fits, fromTo, fullestOf, inPlace, placeName } from "./times";
import { dayOf, minutesFrom, plusMinutes } from "../../ui/localTime";
import type { DayDesk } from "./useDay";
import { capital, say } from "../../wording/say";

// What may wait longer than that, in s, need not be watched for.
const soon = 7200;

// Shorter than that, a full place troubles nobody.
const worthSaying = 15;

// How late somebody is who says so, in minutes; said again, it is twice that.
const behind = 20;

// A tray as it stands in its place.
const onPlace =
  "bg-parchment text-parchment-ink border-board-edge grow basis-16 rounded-t border-2 border-b-0 px-1 " +
  "text-center text-[12px] leading-tight";

interface Of {
  desk: DayDesk;
  day: Day;
  plan: Plan;
  on: string;
  /** Opens what asks from when to when something is so. */
  arrange: (spell: Spell) => void;
}

/** What is to be minded on a day: places that are full, what cannot wait, and trays that must come out. */
export function mindedOn(plan: Plan, on: string) {
  const full = plan.places.flatMap((p) => {
    const today = p.full.filter((f) => dayOf(f.from) <= on && dayOf(f.to) >= on);
    const [first, last] = [today[0], today[today.length - 1]];
    const minutes = today.reduce((sum, f) => sum + minutesFrom(f.from, f.to), 0);
    if (!first || !last || minutes < worthSaying) return [];
    return [{ place: p.place, name: p.name, from: first.from, to: last.to, times: today.length }];
  });
  const waiting = plan.tasks.filter(
    (t) => dayOf(t.starts) === on && t.what.atMost !== null && t.what.atMost <= soon && t.what.stage !== "melt",
  );
  return { full, waiting, out: plan.trays.filter((t) => t.outBy !== null && dayOf(t.ends) === on) };
}

/** What cannot wait and what must come out, by the time at which it does. */
const soonFirst = (plan: Plan, waiting: DayTask[], out: DayTray[]) =>
  [
    ...waiting.map(({ what, starts }) => ({ key: what.code, task: what.code, says: what.title, at: starts })),
    ...out.map((t) => ({
      key: say("day.out", { task: t.task }),
      task: t.task,
      says: say("day.out-by", { title: t.title, placeName: placeName(plan, t.place) }),
      at: t.outBy ?? t.ends,
    })),
  ].sort((a, b) => a.at.localeCompare(b.at));

/** What is tight, what would help, what cannot wait, and what the maker arranged. */
export function Aside(props: Of & { tap: (task: string) => void }) {
  const { plan, day, desk, on, arrange } = props;
  const { full, waiting, out } = mindedOn(plan, on);
  const short = !fits(plan);
  const fullest = fullestOf(plan, on);
  return (
    <>
      {fullest && (
        <section aria-labelledby="stands">
          <Head id="stands">{say("day.where-trays")}</Head>
          <p className="text-ink2 -mt-1 text-[14px]">
            {say("day.when-they-fullest", { moment: clock(fullest.moment) })}
          </p>
          <ul>
            {plan.places
              .filter((p) => p.place !== "pots" && p.has > 0)
              .map((p) => (
                <li key={p.place} className="grid grid-cols-[4.5rem_1fr] items-end gap-x-3 pt-2">
                  <TextButton
                    label={say("day.full-or-not-available", { name: p.name })}
                    onClick={() =>
                      arrange(away(desk, p.place, say("day.without", { name: p.name }), -p.has, beginOf(on, day.now)))
                    }
                  >
                    <span className="block text-left">{capital(p.name)}</span>
                  </TextButton>
                  <span className="border-board flex min-h-7 flex-wrap gap-0.5 border-b-4">
                    {fullest.trays
                      .filter((t) => t.place === p.place)
                      .map((t) => (
                        <span key={t.task} className={onPlace}>
                          {t.title}
                        </span>
                      ))}
                  </span>
                </li>
              ))}
          </ul>
        </section>
      )}
      {(short || full.length > 0) && (
        <section aria-labelledby="tight">
          <Head id="tight">{say("day.tight-spots")}</Head>
          {plan.shortages.map((s) => (
            <p key={s.what} className="border-mind bg-mind-ground mb-2 border-l-4 px-3 py-1.5">
              {s.what}
            </p>
          ))}
          {!short &&
            full.map((f) => (
              <p key={f.place + f.from} className="border-mind bg-mind-ground mb-2 border-l-4 px-3 py-1.5">
                <b className="block">
                  {f.place === "pots" ? say("day.every-pot-use") : capital(say("day.full", { name: f.name }))}{" "}
                  {clock(f.from)}–{dayOf(f.to) === on ? clock(f.to) : dayName(f.to)}
                </b>
                {f.times > 1 && say("day.off")}
              </p>
            ))}
        </section>
      )}
      {short && (
        <section aria-labelledby="helps">
          <Head id="helps">{say("day.what-would-help")}</Head>
          {day.remedies.length === 0 && (
            <p className="text-ink2">
              {day.searching ? say("day.changes-being-tried-one-by") : say("day.no-single-change-makes-fit")}
            </p>
          )}
          <ul>
            {day.remedies.map((r) => (
              <li key={r.what} className="border-line border-t border-dashed">
                <button
                  className="text-act w-full py-1.5 text-left font-semibold"
                  disabled={desk.busy}
                  onClick={() => desk.take(r)}
                >
                  {r.what}
                </button>
              </li>
            ))}
          </ul>
          {day.remedies.length > 0 && <p className="text-ink2 text-[13px]">{say("day.each-these-was-tried-makes")}</p>}
        </section>
      )}
      {(waiting.length > 0 || out.length > 0) && !short && (
        <section aria-labelledby="waits">
          <Head id="waits">{say("day.cant-wait")}</Head>
          <ul>
            {soonFirst(plan, waiting, out).map(({ key, task, says, at }) => (
              <li key={key} className="border-line flex justify-between gap-3 border-t border-dashed py-1.5">
                <button className="text-left" onClick={() => props.tap(task)}>
                  {says}
                </button>
                <b className="text-act tabular-nums">{clock(at)}</b>
              </li>
            ))}
          </ul>
        </section>
      )}
      <Arranged {...props} />
    </>
  );
}

function Head({ id, children }: { id: string; children: React.ReactNode }) {
  return (
    <h2 id={id} className="mb-1 font-serif text-[20px]">
      {children}
    </h2>
  );
}

// What orders share is melted and washed up anew; only a step of an order can be gone.
const isOfOrder = (code: string) => code.includes("/");

/** What the maker said of a step. */
function markSaid(plan: Plan, mark: TaskMark) {
  if (mark.done) return say("day.done", { done: clock(mark.done) });
  if (mark.at) return say("day.pinned", { at: clock(mark.at) });
  if (mark.notBefore) return say("day.not-before", { notBefore: clock(mark.notBefore) });
  return inPlace(plan, mark.place ?? "");
}

/** Everything the maker said, each to be taken back. */
function Arranged({ desk, day, plan, on, arrange }: Of) {
  const { arranged } = day;
  const title = (code: string) => plan.tasks.find((t) => t.what.code === code)?.what.title;
  const marks = Object.entries(arranged.tasks).flatMap(([code, mark]) => {
    const there = title(code);
    const says = there ?? (isOfOrder(code) ? mark.title : null);
    return says ? [{ code, mark, says, gone: there === undefined }] : [];
  });
  const mine = plan.hands.find((h) => h.worker === "me" && dayOf(h.hours.from) === on)?.hours;
  const usual = mine && { from: mine.from.slice(11, 19), to: mine.to.slice(11, 19) };
  const hoursOn = (says: string, hours: DayHours | null) =>
    desk.change(says, (a) => ({ ...a, hours: [...a.hours.filter((h) => h.day !== on), { day: on, hours }] }));
  const item = (key: string, says: string, drop: () => void) => (
    <li key={key} className="border-line flex justify-between gap-3 border-t border-dashed py-1.5">
      <span>{says}</span>
      <TextButton label={say("day.undo", { says })} onClick={drop}>
        <span aria-hidden>×</span>
      </TextButton>
    </li>
  );
  return (
    <section aria-labelledby="arranged" className="print:hidden">
      <Head id="arranged">{say("day.changes-you-made")}</Head>
      <ul>
        {marks.map(({ code, mark, says, gone }) =>
          item(code, `${says}: ${markSaid(plan, mark)}${gone ? say("day.no-longer-its-order") : ""}`, () =>
            desk.mark(code, say("day.undone", { says }), null),
          ),
        )}
        {arranged.hours.map((h, i) =>
          item(`h${i}`, `${dayName(h.day)}: ${h.hours ? fromTo(h.hours) : say("ui.no-work")}`, () =>
            desk.change(say("day.usual-hours-again"), (a) => ({ ...a, hours: a.hours.filter((_, n) => n !== i) })),
          ),
        )}
        {arranged.helpers.map((h, i) =>
          item(`w${i}`, say("day.helper", { day: dayName(h.day), hours: fromTo(h.hours) }), () =>
            desk.change(say("day.no-helper"), (a) => ({ ...a, helpers: a.helpers.filter((_, n) => n !== i) })),
          ),
        )}
        {arranged.places.map((p, i) =>
          item(
            `p${i}`,
            `${placeName(plan, p.place)} ${p.change > 0 ? `+${p.change}` : p.change}, ${dayName(p.from)}`,
            () =>
              desk.change(say("day.usual-number-again"), (a) => ({ ...a, places: a.places.filter((_, n) => n !== i) })),
          ),
        )}
      </ul>
      <p className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
        <TextButton
          onClick={() =>
            arrange({
              title: say("day.helper-2", { on: dayName(on) }),
              note: say("day.plan-gives-them-any-hands"),
              act: say("ui.save"),
              from: "14:00:00",
              to: "18:00:00",
              take: (from, to) =>
                desk.change(say("day.helper-from", { on: dayName(on), from: clock(from), to: clock(to) }), (a) => ({
                  ...a,
                  helpers: [...a.helpers, { day: on, hours: { from, to } }],
                })),
            })
          }
        >
          {say("day.add-helper")}
        </TextButton>
        <TextButton
          onClick={() =>
            arrange({
              title: say("day.other-hours", { on: dayName(on) }),
              note: say("day.this-day-only-your-usual"),
              act: say("ui.save"),
              from: usual?.from ?? "10:00:00",
              to: usual?.to ?? "18:00:00",
              take: (from, to) => hoursOn(`${dayName(on)}: ${fromTo({ from, to })}.`, { from, to }),
            })
          }
        >
          {say("day.change-hours")}
        </TextButton>
        {dayOf(day.now) === on && usual && (
          <TextButton
            onClick={() => {
              const begins = `${on}T${usual.from}`;
              const from = plusMinutes(begins > day.now ? begins : day.now.slice(0, 19), behind);
              hoursOn(say("day.min-late-nothing-starts-before", { behind, from: clock(from) }), {
                from: from.slice(11, 19),
                to: usual.to,
              });
            }}
          >
            {say("day.im-min-late", { behind })}
          </TextButton>
        )}
        <TextButton onClick={() => hoursOn(say("day.no-work", { on: dayName(on) }), null)}>
          {say("day.no-work-this-day")}
        </TextButton>
        <TextButton onClick={desk.planAgain}>{say("day.replan")}</TextButton>
        <Link className="text-act font-semibold" to="/kitchen/hours">
          {say("day.usual-hours-places")}
        </Link>
      </p>
    </section>
  );
}
