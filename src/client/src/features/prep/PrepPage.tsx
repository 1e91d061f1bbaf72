import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams } from "wouter";
import type { Order, PrepList, PrepStep } from "../../api/client";
import { orderQuery, useKitchen } from "../../api/queries";
import { How, HowOrder } from "../../ui/How";
import { ErrorNote, Waiting } from "../../ui/notes";
import { SafetyNotes } from "../../ui/SafetyNotes";
import { SourceTag } from "../../ui/SourceTag";
import { clock, longDayName, span, useWording } from "../../ui/units";
import { useUndoKeys } from "../../ui/useUndoKeys";
import { Words } from "../../ui/Words";
import { KeepingNote } from "../order/KeepingNote";
import { useDraft } from "../order/useDraft";
import { BoxRows } from "./BoxRows";
import { usePrep } from "./usePrep";
import { capital, say } from "../../wording/say";

/** What an order wants done, from the shopping bag to the door: one list, as late as it goes with one pair of hands. */
export function PrepPage() {
  const { id = "" } = useParams();
  const order = useQuery(orderQuery(id, "prep"));
  if (order.error) return <ErrorNote error={order.error} retry={() => void order.refetch()} />;
  if (!order.data) return <Waiting />;
  return <PrepDesk key={id} order={order.data} />;
}

function PrepDesk({ order }: { order: Order }) {
  const desk = useDraft(order);
  const { draft, edit } = desk;
  const now = useKitchen().data?.now;
  const prep = usePrep(draft);
  useUndoKeys(desk.undo, desk.redo);
  useEffect(() => {
    document.title = say("prep.prep-kondiba", { name: draft.name ?? say("ui.order") });
  }, [draft.name]);
  if (prep.error) return <ErrorNote error={prep.error} retry={() => void prep.refetch()} />;
  if (!prep.data) return <Waiting />;
  const list = prep.data;
  const days = [...new Set(list.steps.map((s) => s.starts.slice(0, 10)))];

  return (
    <HowOrder value={draft}>
      <div className="mx-auto max-w-6xl px-4 pt-3 sm:px-10">
        <p className="print:hidden">
          <Link to={`/orders/${order.id}`} className="text-act font-semibold">
            ← {draft.name || say("ui.order-4")}
          </Link>
        </p>
        <h1 className="mt-1 font-serif text-[34px] leading-tight">
          {draft.name}
          {say("prep.prep-step-by-step")}
        </h1>
        {list.steps.length === 0 ? (
          <p className="text-ink2 mt-4 text-lg">
            {draft.lines.length === 0
              ? say("prep.nothing-order-yet-add-what")
              : say("prep.choose-pickup-day-order-give")}
          </p>
        ) : (
          <p className="text-ink2 mt-1">
            {say("prep.steps-hands-ready-hour-before", {
              count: list.steps.length,
              hands: span(list.hands),
              pickup: clock(draft.pickup ?? ""),
              pickup2: longDayName(draft.pickup ?? ""),
            })}
          </p>
        )}
        {list.problems.map((p) => (
          <p
            key={[p.field, p.code].join(" ")}
            role="note"
            className="border-mind bg-mind-ground mt-3 border-l-4 px-4 py-2"
          >
            {p.reason} {p.remedy}
          </p>
        ))}
        <div className="mt-4 grid gap-x-12 gap-y-8 lg:grid-cols-[1fr_19rem]">
          <section aria-label={say("ui.steps")} className="min-w-0">
            {days.map((day) => (
              <section key={day} aria-labelledby={day}>
                <h2
                  id={day}
                  className="bg-ground sticky top-14 z-[5] pt-6 pb-1.5 font-serif text-[22px] max-lg:top-[5.6rem] print:static"
                >
                  {longDayName(day)}
                  {now?.startsWith(day) && <span className="text-act"> {say("prep.today")}</span>}
                </h2>
                <ol>
                  {list.steps
                    .filter((s) => s.starts.startsWith(day))
                    .map((step, i, all) => (
                      <Step key={step.code} step={step} list={list} again={all[i - 1]?.for === step.for} />
                    ))}
                </ol>
              </section>
            ))}
          </section>
          <aside aria-label={say("prep.methods-amounts")} className="space-y-7 self-start lg:sticky lg:top-24">
            {list.schools.length > 0 && (
              <section aria-labelledby="schools" className="print:hidden">
                <h2 id="schools" className="font-serif text-[22px]">
                  {say("prep.makers-differ")}
                </h2>
                {list.schools.map(({ school, chosen, own }) => (
                  <div key={school.code} className="border-line border-t border-dashed py-2">
                    <h3 className="text-[15px] font-bold">{school.name}</h3>
                    <Words
                      label={school.name}
                      value={chosen}
                      options={school.choices.map((c) => ({ value: c.code, label: c.name }))}
                      onChange={(choice) =>
                        edit(`schools.${school.code}`, (d) => ({
                          ...d,
                          schools: { ...d.schools, [school.code]: choice },
                        }))
                      }
                    />
                    <p className="text-ink2 mt-0.5 text-[13px] leading-snug">
                      {school.choices.find((c) => c.code === chosen)?.why} {own && <b>{say("prep.this-order-only")}</b>}
                    </p>
                  </div>
                ))}
                <p className="text-[15px]">
                  <Link className="text-act font-semibold" to="/kitchen/ways">
                    {say("prep.use-kitchen-defaults")}
                  </Link>
                </p>
              </section>
            )}
            {list.fillings.length > 0 && <Fillings list={list} />}
            {list.boxes.map((box) => (
              <BoxRows key={box.box + box.pieces} plan={box} />
            ))}
            <KeepingNote desk={desk} />
          </aside>
        </div>
      </div>
    </HowOrder>
  );
}

/** A step: when, a bar as long as it takes the hands, what to do and why, and a gap where it waits. */
function Step({ step, list, again }: { step: PrepStep; list: PrepList; again: boolean }) {
  const before = list.steps.slice(0, list.steps.indexOf(step)).flatMap((s) => s.safety.map((n) => n.code));
  const safety = step.safety.filter((note) => !before.includes(note.code));
  const wording = useWording();
  const longest = Math.max(...list.steps.map((s) => s.hands));
  const filling = list.fillings.findIndex((f) => step.code.startsWith(`fill.${f.filling}.`));
  return (
    <li className="border-line grid break-inside-avoid grid-cols-[3.2rem_1fr] gap-x-4 border-t border-dashed py-2.5 sm:grid-cols-[3.6rem_4.5rem_1fr]">
      <p className="font-serif text-[19px] leading-6 tabular-nums">{clock(step.starts)}</p>
      <div className="text-ink2 text-[13px] leading-tight max-sm:hidden">
        {step.hands > 0 && (
          <>
            <svg aria-hidden viewBox="0 0 72 8" className="mt-2 h-2 w-18">
              <rect width={Math.max(3, (72 * step.hands) / longest)} height="8" rx="3" className={fills[step.stage]} />
            </svg>
            {span(step.hands)}
          </>
        )}
      </div>
      <div className="min-w-0">
        <p className="leading-6">
          {again ? <span className="sr-only">{step.for}, </span> : <b className="inline-block">{capital(step.for)}</b>}
          <span className="text-ink2">
            {!again && " · "}
            {step.place}
            {step.at !== null && `, ${wording.temperature(step.at)}`}
            <span className="sm:hidden">{step.hands > 0 && `, ${span(step.hands)}`}</span>
          </span>
        </p>
        {step.amounts.length > 0 && (
          <p className="font-semibold">
            {step.amounts.map((a, i) => (
              <span key={a.ingredient}>
                {i > 0 && " · "}
                <How what={a.name} of={`fillings[${filling}].${a.ingredient}`} from="prep">
                  {a.count === null ? wording.mass(a.mass.value) : a.count} {a.name}
                </How>
                {wording.us && a.household && <span className="text-ink2 font-normal"> ({a.household})</span>}
              </span>
            ))}
          </p>
        )}
        <p>{step.text}</p>
        {step.why && (
          <p className="text-ink2 text-[15px] leading-snug">
            {step.why} <SourceTag source={step.source} />
          </p>
        )}
        <SafetyNotes notes={safety} />
        {step.wait > 0 && (
          <p className="border-line mt-1.5 ml-1 border-l-2 border-dotted pl-3 text-[15px]">
            {say("prep.then-wait")} <b>{span(step.wait)}</b>
            {step.atMost !== null && say("prep.most", { atMost: span(step.atMost) })}
            {["fridge", "freezer"].includes(step.place) && say("ui.in-the-place", { place: step.place })}{" "}
            {step.waitSource && <SourceTag source={step.waitSource} />}
          </p>
        )}
        {step.wait === 0 && step.atMost !== null && (
          <p className="text-mind mt-1 text-[15px]">{say("prep.dip-within", { atMost: span(step.atMost) })}</p>
        )}
      </div>
    </li>
  );
}

const fills: Record<PrepStep["stage"], string> = {
  fill: "fill-go",
  prep: "fill-board-edge",
  melt: "fill-mind",
  dip: "fill-act",
  decorate: "fill-ink2",
  assemble: "fill-ink2",
  pack: "fill-rim",
};

function Fillings({ list }: { list: PrepList }) {
  const wording = useWording();
  return (
    <section aria-labelledby="fillings">
      <h2 id="fillings" className="font-serif text-[22px]">
        {say("prep.from-scratch")}
      </h2>
      {list.fillings.map((f, i) => (
        <div key={i} className="border-line border-t border-dashed py-2">
          <h3 className="font-bold">
            {f.pieces} × {wording.mass(f.piece)}
          </h3>
          <ul>
            {f.amounts.map((a) => (
              <li key={a.ingredient} className="flex items-baseline justify-between gap-4">
                <span>
                  {a.name}
                  {a.household && <span className="text-ink2 block text-[13px] leading-tight">{a.household}</span>}
                </span>
                <b>
                  <How what={a.name} of={`fillings[${i}].${a.ingredient}`} from="prep">
                    {a.count ?? wording.mass(a.mass.value)}
                  </How>
                </b>
              </li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}
