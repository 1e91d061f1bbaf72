import { useState } from "react";
import { Link } from "react-router";
import type { Day, DayTask, DayTray, Plan } from "../../api/client";
import { TextButton } from "../../ui/buttons";
import { Labelled } from "../../ui/fields";
import { SourceTag } from "../../ui/SourceTag";
import { Sheet } from "../../ui/Sheet";
import { clock, dayName, span } from "../../ui/units";
import { away, type Spell } from "./ArrangeSheet";
import { beginOf, inPlace, placeName } from "./times";
import { minutesFrom, plusMinutes } from "../../ui/localTime";
import type { DayDesk } from "./useDay";

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
          In rounds of <b>{what.round}</b>: dip so many, decorate them while they are wet, then the next.
        </p>
      )}
      {tray && (
        <p className="mt-2">
          Then {inPlace(plan, tray.place)}
          {tray.set && ` until it is hard at ${clock(tray.set)}`}
          {tray.outBy && `, out by ${clock(tray.outBy)} or it sweats`}.
        </p>
      )}
      {what.atMost !== null && <p className="text-mind mt-2">What comes next follows within {span(what.atMost)}.</p>}
      <p className="mt-2 font-semibold">{slackWords(task)}</p>
      <section aria-label="Move it" className="border-line mt-5 border-t pt-4">
        {!melting && (
          <div className="mb-4 flex flex-wrap items-end gap-3">
            <Labelled label="At">
              {(ids) => (
                <input
                  {...ids}
                  type="datetime-local"
                  className="border-line bg-ground rounded-md border px-2 py-1.5"
                  value={at}
                  onChange={(e) => setAt(e.target.value)}
                />
              )}
            </Labelled>
            <button
              className="bg-act text-on-act rounded-full px-4 py-1.5 font-bold"
              onClick={() => set(`pinned at ${clock(at)}`, { at: `${at}:00` })}
            >
              Pin it there
            </button>
            <TextButton onClick={() => set(`not before ${clock(at)}`, { notBefore: `${at}:00` })}>
              not before
            </TextButton>
          </div>
        )}
        <p className="flex flex-wrap gap-x-5 gap-y-1">
          {!mark?.done && (
            <TextButton
              onClick={() => {
                desk.tell(what.code, `Done: ${what.title}.`, "done");
                close();
              }}
            >
              {washing ? "it is washed up" : melting ? "it is melted" : "it is done"}
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
                {m} min late
              </TextButton>
            ))}
          {mark && <TextButton onClick={() => set("free to move again", null)}>free to move</TextButton>}
          {melting && (
            <TextButton onClick={() => arrange(away(desk, "pots", "One pot fewer", -1, later(task.starts, now)))}>
              one pot fewer this day
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
        <dt className="text-ink2">on it</dt>
        <dd>
          {tray.pieces} pieces, {room(tray.trays, from?.what.stage === "pack")}
        </dd>
        <dt className="text-ink2">where</dt>
        <dd>
          {place?.name}, which takes {place?.has}
        </dd>
        <dt className="text-ink2">from</dt>
        <dd>
          {dayName(tray.starts)}, {clock(tray.starts)}
        </dd>
        <dt className="text-ink2">until</dt>
        <dd>
          {dayName(tray.ends)}, {clock(tray.ends)}
        </dd>
        {tray.set && (
          <>
            <dt className="text-ink2">hard</dt>
            <dd className="text-go font-bold">{clock(tray.set)}</dd>
          </>
        )}
        {tray.outBy && (
          <>
            <dt className="text-ink2">out by</dt>
            <dd className="text-mind font-bold">{clock(tray.outBy)}, or it sweats</dd>
          </>
        )}
      </dl>
      <p className="mt-4">
        <Link className="text-act font-semibold" to={`/orders/${order?.id ?? ""}`}>
          its trays, drawn
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
              put it {inPlace(plan, p.place)}
            </TextButton>
          ))}
        <TextButton
          onClick={() =>
            arrange(
              away(
                desk,
                tray.place,
                `Without the ${placeName(plan, tray.place)}`,
                -(place?.has ?? 1),
                beginOf(on, day.now),
              ),
            )
          }
        >
          the {placeName(plan, tray.place)} is away this day
        </TextButton>
      </p>
    </Sheet>
  );
}

const quarters = ["", "¼", "½", "¾"];

/** Room that pieces take: on sheets, which two colours share, in quarters of a tray; stacked boxes in hundredths of one. */
const room = (trays: number, packed: boolean) => {
  if (packed) return `in boxes, ${Math.round(trays * 100)} % of a tray’s room`;
  const whole = Math.floor(trays);
  return `${whole || ""}${quarters[Math.round((trays - whole) * 4)]} ${trays > 1 ? "trays" : whole ? "tray" : "of a tray"}`;
};

const later = (a: string, b: string) => (a > b ? a : b.slice(0, 19));

/** Until when it could be put off. */
const slackWords = (task: DayTask) =>
  task.slack < 60
    ? "cannot be later"
    : `could be ${span(task.slack)} later, at ${clock(plusMinutes(task.starts, task.slack / 60))}`;

const lasts = (task: DayTask) => minutesFrom(task.starts, task.ends) * 60;
