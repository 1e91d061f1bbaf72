import { Redo2, Undo2 } from "lucide-react";
import { useEffect, useMemo } from "react";
import { Link } from "wouter";
import type { Order, Reference, Tally } from "../../api/client";
import { usePacking } from "../packing/usePacking";
import { dayOf } from "../../ui/localTime";
import { later } from "../../ui/later";
import { FieldNote } from "../../ui/notes";
import { notesOf } from "../../ui/problems";
import { momentName, pickupWords } from "../../ui/units";
import { useStill } from "../../ui/useStill";
import { AllLines } from "./AllLines";
import { Allergies } from "./Allergies";
import { BeforeYouStart } from "./BeforeYouStart";
import type { Draft, Edit } from "./draft";
import { KeepingNote } from "./KeepingNote";
import { LineEditor } from "./LineEditor";
import { Packing } from "./Packing";
import { PaletteRow } from "./PaletteRow";
import { PriceRow } from "./PriceRow";
import { QuickEntry } from "./QuickEntry";
import { RemoveOrder } from "./RemoveOrder";
import { UsedNote } from "./UsedNote";
import type { useDraft } from "./useDraft";
import { DayInput, TimeInput } from "../../ui/When";
import { Ruled, StateStamp, Who } from "./Who";
import { say } from "../../wording/say";

const PhotoRow = later(() => import("../photos/PhotoRow"), "PhotoRow");

const nothing: never[] = [];
const clash = "safety.customer-must-not";

export type Desk = ReturnType<typeof useDraft>;

/** The order slip: who, when, what. */
export function Slip(props: {
  order: Order;
  desk: Desk;
  tally: Tally;
  reference: Reference;
  problem: Error | null;
  now: string | undefined;
}) {
  const { desk, tally, reference, order } = props;
  const { draft, edit } = desk;
  const notes = useMemo(() => notesOf(tally.problems), [tally.problems]);
  const clashes = useMemo(
    () => [...new Set(tally.problems.filter((p) => p.code === clash).map((p) => p.reason))],
    [tally.problems],
  );
  useEffect(() => {
    document.title = say("ui.kondiba", { name: draft.name || say("order.order-3") });
  }, [draft.name]);

  const isMade = draft.state === "made" || draft.state === "handedOver";
  // What has been made was collected when it was.
  const pickupNote = isMade ? undefined : notes.pickup;
  const [day = "", time = ""] = (draft.pickup ?? "").split("T");
  const setPickup = (day: string, time: string) =>
    edit("pickup", (draft) => ({ ...draft, pickup: day && time ? `${day}T${time.slice(0, 5)}:00` : null }));

  return (
    <section aria-label={say("order.order-slip")} className="self-start md:row-span-2 xl:row-span-1">
      <div className="slip px-5 pt-5">
        <h1 className="sr-only">{draft.name || say("order.order-3")}</h1>
        <QuickEntry id={order.id} empty={draft.lines.length === 0} edit={edit} />
        <input
          aria-label={say("order.order-4")}
          aria-invalid={notes.name ? true : undefined}
          aria-describedby={notes.name && "note-name"}
          className="quiet w-full font-serif text-[29px] leading-tight"
          value={draft.name ?? ""}
          onChange={(e) => edit("name", (draft) => ({ ...draft, name: e.target.value }))}
        />
        <FieldNote id="note-name" text={notes.name} />
        <div className="mt-1 flex items-center justify-between gap-3">
          <p className="text-ink2 text-[13px]">
            {desk.number > 0
              ? say("ui.order-3", { number: String(desk.number) })
              : say("order.not-saved-yet-order-empty")}
            {draft.isTemplate && <b className="text-go"> {say("order.template")}</b>}
          </p>
          <StateStamp state={draft.state} edit={edit} />
        </div>
        {order.acceptedAt && (
          <p className="text-go text-[13px] font-semibold">
            {say("order.quote-accepted", { text: momentName(order.acceptedAt) })}
          </p>
        )}
        {isMade && <UsedNote id={order.id} kept={desk.keeping === "kept"} />}
        <div className="mt-2 grid grid-cols-[1fr_5.5rem] gap-x-3">
          <Ruled label={say("order.pickup-day")}>
            <DayInput
              aria-label={say("order.pickup-day")}
              className="quiet w-full"
              aria-invalid={!!pickupNote}
              aria-describedby={pickupNote && "note-pickup"}
              value={day || null}
              onChange={(to, at) => setPickup(to ?? "", at ?? (time || "12:00"))}
            />
          </Ruled>
          <Ruled label={say("order.time")}>
            <TimeInput
              aria-label={say("order.pickup-time")}
              className="quiet w-full"
              aria-invalid={!!pickupNote}
              value={time || null}
              onChange={(to, on) => setPickup(on ?? (day || dayOf(props.now ?? "")), to)}
            />
          </Ruled>
        </div>
        {draft.pickup && <p className="text-ink2 text-[13px]">{pickupWords(draft.pickup, props.now)}</p>}
        <FieldNote id="note-pickup" text={pickupNote} />
        <Who
          client={draft.client}
          contact={draft.contact}
          handover={draft.handover}
          place={draft.place}
          notes={notes}
          edit={edit}
        />
        <Ruled label={say("ui.notes")}>
          <textarea
            aria-label={say("ui.notes")}
            rows={1}
            aria-describedby={notes.notes && "note-notes"}
            className="quiet field-sizing-content w-full resize-none leading-snug"
            value={draft.notes ?? ""}
            onChange={(e) => edit("notes", (draft) => ({ ...draft, notes: e.target.value }))}
          />
        </Ruled>
        <FieldNote id="note-notes" text={notes.notes} />
        <Allergies
          allergies={draft.allergies ?? nothing}
          clashes={clashes}
          reference={reference}
          notes={notes}
          edit={edit}
        />

        <ul className="mt-2">
          {draft.lines.map((line, i) => {
            const computed = tally.lines.find((l) => l.line === i);
            return (
              <LineEditor
                key={line.id}
                index={i}
                line={line}
                notes={notes}
                reference={reference}
                count={line.countedIn === "pieces" ? undefined : computed?.count.value}
                perPiece={computed?.perPiece.value}
                foot={computed?.foot.value}
                moulded={computed?.moulded ?? undefined}
                edit={edit}
              />
            );
          })}
        </ul>
        <AllLines lines={draft.lines} reference={reference} edit={edit} />
        <FieldNote id="note-lines" text={notes.lines ?? props.problem?.message} />
        {draft.lines.length > 0 && <PaletteRow draft={draft} reference={reference} notes={notes} edit={edit} />}

        {draft.lines.length > 0 && (
          <div className="border-line mt-3 border-t border-dashed pt-3">
            <SlipPacking draft={draft} reference={reference} notes={notes} edit={edit} />
          </div>
        )}

        <p className="mt-6 flex items-baseline justify-between">
          <span className="text-ink2">{say("ui.pieces-2")}</span>
          <span className="text-2xl font-extrabold" data-testid="pieces">
            {tally.pieces}
          </span>
        </p>
        {desk.number > 0 && <PriceRow id={order.id} draft={draft} />}
        {draft.lines.length > 0 && desk.number > 0 && (
          <WorkLinks order={order} draft={draft} reference={reference} pickup={day} />
        )}
        {isMade && desk.number > 0 && <PhotoRow subject="orders" of={order.id} name={draft.name ?? ""} />}
        {(desk.number > 0 || desk.keeping !== "kept") && <KeepingNote desk={desk} />}
        <div className="mt-2 flex items-center gap-4 text-[15px] print:hidden">
          <StepButton label={say("ui.undo")} icon={<Undo2 size={17} />} step={desk.undo} />
          <StepButton label={say("ui.redo")} icon={<Redo2 size={17} />} step={desk.redo} />
          {desk.number > 0 && <RemoveOrder order={order} name={draft.name ?? ""} />}
        </div>
      </div>
    </section>
  );
}

/** Where the order is worked on. */
function WorkLinks(props: { order: Order; draft: Draft; reference: Reference; pickup: string }) {
  const { order, draft, reference, pickup } = props;
  const at = `/orders/${order.id}`;
  const links: [to: string, name: string][] = [
    [`/shopping?order=${order.id}`, say("order.shopping")],
    [pickup ? `/day?on=${pickup}` : "/day", say("order.its-day")],
    [`${at}/prep`, say("order.prep-step-by-step")],
    [`${at}/paper/pots`, say("order.pot-cards")],
    [`${at}/packing`, say("order.packing-labels")],
    [`${at}/paper`, say("order.print-counter")],
    [`${at}/leftovers`, say("order.leftovers")],
  ];
  return (
    <nav aria-label={say("order.work-on-order")} className="border-line mt-3 border-t border-dashed pt-2 text-[15px]">
      <ul className="grid grid-cols-2 gap-x-4">
        {links.map(([to, name]) => (
          <li key={to}>
            <Link className="text-act block py-1 font-semibold" to={to}>
              {name}
            </Link>
          </li>
        ))}
        <li className="py-1">
          <BeforeYouStart id={order.id} draft={draft} reference={reference} />
        </li>
      </ul>
    </nav>
  );
}

/** What it is packed in, and a moment after the last change how much of that it takes: trays and pots come first. */
function SlipPacking(props: { draft: Draft; reference: Reference; notes: Record<string, string>; edit: Edit }) {
  const { draft, ...others } = props;
  const still = useStill(draft);
  const plan = usePacking(still, (still.packing ?? nothing).length > 0).data;
  return (
    <Packing packing={draft.packing ?? nothing} lines={draft.lines} amounts={plan?.amounts ?? nothing} {...others} />
  );
}

function StepButton({ label, icon, step }: { label: string; icon: React.ReactNode; step: (() => void) | undefined }) {
  return (
    <button
      className="text-ink2 enabled:hover:text-ink flex items-center gap-1 font-semibold disabled:cursor-default disabled:opacity-45"
      disabled={!step}
      onClick={step}
    >
      {icon} {label}
    </button>
  );
}
