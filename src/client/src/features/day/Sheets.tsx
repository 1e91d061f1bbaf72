import { useState } from "react";
import { Link } from "wouter";
import type { Day, DayTask, DayTray, Plan } from "../../api/client";
import { TextButton } from "../../ui/buttons";
import { DateField, TimeField } from "../../ui/fields";
import { SourceTag } from "../../ui/SourceTag";
import { Sheet } from "../../ui/Sheet";
import { clock, dayName, span } from "../../ui/units";
import { away, type Spell } from "./ArrangeSheet";
import { beginOf, inPlace, placeName } from "./times";
import { minutesFrom, plusMinutes } from "../../ui/localTime";
import type { DayDesk } from "./useDay";
import { say } from "../../wording/say";

interface Of {
  plan: Plan;
  orders: Day["orders"];
  desk: DayDesk;
  /** Opens what asks from when to when something is so. */
  arrange: (spell: Spell) => void;
  close: () => void;
}

/** A task: what to do and why, when, and how it can be moved. */
export function TaskSheet({ task, plan, orders, desk, now, arrange, close }: Of & { task: DayTask; now: string }) {
  const { what, mark } = task;
  const [at, setAt] = useState(task.starts.slice(0, 16));
  const melting = what.stage === "melt";
  const washing = what.code.startsWith("wash.");
  const order = orders.find((o) => o.code === what.order);
  const set = (says: string, to: Parameters<DayDesk["mark"]>[2]) => {
    desk.mark(what.code, `${what.title}: ${says}.`, to);
    close();
  };
  const tray = plan.trays.find((t) => t.task === what.code);
  return (
    <Sheet open close={close} title={what.title}>
      <p className="text-ink2 mt-1">
        {dayName(task.starts)}, {clock(task.starts)}
        {lasts(task) > 0 && `–${clock(task.ends)}, ${span(lasts(task))}`}
        {order && (
          <>
            {" "}
            ·{" "}
            <Link className="text-act font-semibold" to={`/orders/${order.id}`}>
              {order.name}
            </Link>
          </>
        )}
      </p>
      <p className="mt-3">{what.text}</p>
      {what.why && (
        <p className="text-ink2 mt-1 text-[15px]">
          {what.why} <SourceTag source={what.source} />
        </p>
      )}
      {what.round && (
        <p className="mt-2">
          {say("day.rounds")} <b>{what.round}</b>
          {say("day.dip-this-many-decorate-them")}
        </p>
      )}
      {tray && (
        <p className="mt-2">
          {say("day.then", { inPlace: inPlace(plan, tray.place) })}
          {tray.set && say("day.until-hard", { set: clock(tray.set) })}
          {tray.outBy && say("day.out-by-or-sweats", { outBy: clock(tray.outBy) })}.
        </p>
      )}
      {what.atMost !== null && (
        <p className="text-mind mt-2">{say("ui.next-step-must-follow-within", { atMost: span(what.atMost) })}</p>
      )}
      <p className="mt-2 font-semibold">{slackWords(task)}</p>
      <section aria-label={say("day.move")} className="border-line mt-5 border-t pt-4">
        {!melting && (
          <div className="mb-4 flex flex-wrap items-end gap-3">
            <DateField
              label={say("day.day")}
              value={at.slice(0, 10)}
              onChange={(day) => day && setAt(`${day}${at.slice(10)}`)}
            />
            <TimeField
              label={say("day.at")}
              value={at.slice(11)}
              onChange={(time) => setAt(`${at.slice(0, 11)}${time.slice(0, 5)}`)}
            />
            <button
              className="bg-act text-on-act rounded-full px-4 py-1.5 font-bold"
              onClick={() => set(say("day.pinned-2", { at: clock(at) }), { at: `${at}:00` })}
            >
              {say("day.pin-here")}
            </button>
            <TextButton onClick={() => set(say("day.not-before-2", { at: clock(at) }), { notBefore: `${at}:00` })}>
              {say("day.not-before-3")}
            </TextButton>
          </div>
        )}
        <p className="flex flex-wrap gap-x-5 gap-y-1">
          {!mark?.done && (
            <TextButton
              onClick={() => {
                desk.tell(what.code, say("ui.done", { title: what.title }), "done");
                close();
              }}
            >
              {washing ? say("day.washed-up") : melting ? say("day.melted") : say("day.done-2")}
            </TextButton>
          )}
          {!washing &&
            !mark?.done &&
            [15, 30, 60].map((m) => (
              <TextButton
                key={m}
                onClick={() => {
                  desk.late(task, m, now);
                  close();
                }}
              >
                {say("day.min-late", { m })}
              </TextButton>
            ))}
          {mark && <TextButton onClick={() => set(say("day.unpinned"), null)}>{say("day.unpin")}</TextButton>}
          {melting && (
            <TextButton
              onClick={() => arrange(away(desk, "pots", say("day.one-pot-fewer"), -1, later(task.starts, now)))}
            >
              {say("day.use-one-pot-fewer-this")}
            </TextButton>
          )}
        </p>
      </section>
    </Sheet>
  );
}

/** A tray: what lies on it, where, how long, and what to do when that place is away. */
export function TraySheet({
  tray,
  plan,
  desk,
  day,
  on,
  arrange,
  close,
}: Omit<Of, "orders"> & { tray: DayTray; day: Day; on: string }) {
  const place = plan.places.find((p) => p.place === tray.place);
  const from = plan.tasks.find((t) => t.what.code === tray.task);
  const order = day.orders.find((o) => o.code === tray.order);
  return (
    <Sheet open close={close} title={tray.title}>
      <p className="text-ink2 mt-1">{order?.name}</p>
      <dl className="mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1">
        <dt className="text-ink2">{say("day.on-it")}</dt>
        <dd>{say("day.pieces", { pieces: tray.pieces, room: room(tray.trays, from?.what.stage === "pack") })}</dd>
        <dt className="text-ink2">{say("ui.where")}</dt>
        <dd>
          {place?.name}
          {say("day.which-takes")} {place?.has}
        </dd>
        <dt className="text-ink2">{say("ui.from")}</dt>
        <dd>
          {dayName(tray.starts)}, {clock(tray.starts)}
        </dd>
        <dt className="text-ink2">{say("day.until")}</dt>
        <dd>
          {dayName(tray.ends)}, {clock(tray.ends)}
        </dd>
        {tray.set && (
          <>
            <dt className="text-ink2">{say("ui.hard")}</dt>
            <dd className="text-go font-bold">{clock(tray.set)}</dd>
          </>
        )}
        {tray.outBy && (
          <>
            <dt className="text-ink2">{say("day.out-by-2")}</dt>
            <dd className="text-mind font-bold">{say("day.or-sweats", { outBy: clock(tray.outBy) })}</dd>
          </>
        )}
      </dl>
      <p className="mt-4">
        <Link className="text-act font-semibold" to={`/orders/${order?.id ?? ""}`}>
          {say("day.show-its-trays")}
        </Link>
      </p>
      <p className="border-line mt-5 flex flex-wrap gap-x-5 gap-y-1 border-t pt-4">
        {plan.places
          .filter((p) => p.place !== "pots" && p.has > 0 && p.place !== tray.place)
          .map((p) => (
            <TextButton
              key={p.place}
              onClick={() => {
                desk.mark(tray.task, `${tray.title}: ${p.name}.`, { ...from?.mark, place: p.place });
                close();
              }}
            >
              {say("day.move-2", { inPlace: inPlace(plan, p.place) })}
            </TextButton>
          ))}
        <TextButton
          onClick={() =>
            arrange(
              away(
                desk,
                tray.place,
                say("day.without-2", { placeName: placeName(plan, tray.place) }),
                -(place?.has ?? 1),
                beginOf(on, day.now),
              ),
            )
          }
        >
          {say("day.isnt-available-this-day", { placeName: placeName(plan, tray.place) })}
        </TextButton>
      </p>
    </Sheet>
  );
}

const quarters = ["", "¼", "½", "¾"];

/** Room that pieces take: on sheets, which two colours share, in quarters of a tray; stacked boxes in hundredths of one. */
const room = (trays: number, packed: boolean) => {
  if (packed) return say("day.boxes-trays-space", { trays: Math.round(trays * 100) });
  const whole = Math.floor(trays);
  const taken = `${whole || ""}${quarters[Math.round((trays - whole) * 4)]}`;
  if (trays > 1) return say("day.trays", { taken });
  return whole ? say("day.one-tray", { taken }) : say("day.part-of-tray", { taken });
};

const later = (a: string, b: string) => (a > b ? a : b.slice(0, 19));

/** Until when it could be put off. */
const slackWords = (task: DayTask) =>
  task.slack < 60
    ? say("day.no-slack")
    : say("day.up-later", { slack: span(task.slack), plusMinutes: clock(plusMinutes(task.starts, task.slack / 60)) });

const lasts = (task: DayTask) => minutesFrom(task.starts, task.ends) * 60;
