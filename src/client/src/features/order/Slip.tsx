import { Redo2, Undo2 } from "lucide-react";
import { useEffect, useMemo } from "react";
import { Link } from "react-router";
import type { Order, Reference, Tally } from "../../api/client";
import { usePacking } from "../packing/usePacking";
import { FieldNote } from "../../ui/notes";
import { notesOf } from "../../ui/problems";
import { pickupWords } from "../../ui/units";
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
import { Who } from "./Who";

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
    document.title = `${draft.name || "Order"} · Kondiba`;
  }, [draft.name]);

  const [day = "", time = ""] = (draft.pickup ?? "").split("T");
  const setPickup = (day: string, time: string) =>
    edit("pickup", (draft) => ({ ...draft, pickup: day && time ? `${day}T${time.slice(0, 5)}:00` : null }));

  return (
    <section aria-label="Order slip" className="self-start">
      <div className="slip px-5 pt-5">
        <h1 className="sr-only">{draft.name || "Order"}</h1>
        <QuickEntry id={order.id} empty={draft.lines.length === 0} edit={edit} />
        <input
          aria-label="Order for"
          aria-invalid={notes.name ? true : undefined}
          aria-describedby={notes.name && "note-name"}
          className="quiet w-full font-serif text-[29px] leading-tight"
          value={draft.name ?? ""}
          onChange={(e) => edit("name", (draft) => ({ ...draft, name: e.target.value }))}
        />
        <FieldNote id="note-name" text={notes.name} />
        <p className="text-ink2 text-[13px]">
          {desk.number > 0 ? `order ${desk.number}` : "not saved yet: nothing is on it"}
          {draft.isTemplate && <b className="text-go"> · a template</b>}
        </p>
        <Who
          client={draft.client}
          contact={draft.contact}
          handover={draft.handover}
          place={draft.place}
          state={draft.state}
          notes={notes}
          edit={edit}
        />
        {(draft.state === "made" || draft.state === "handedOver") && (
          <UsedNote id={order.id} kept={desk.keeping === "kept"} />
        )}
        <p className="mt-1 font-bold">{draft.pickup && pickupWords(draft.pickup, props.now)}</p>
        <div className="text-ink2 flex gap-x-3 text-[15px]">
          <input
            type="date"
            aria-label="Pickup day"
            aria-invalid={notes.pickup ? true : undefined}
            aria-describedby={notes.pickup && "note-pickup"}
            className="quiet"
            value={day}
            onChange={(e) => setPickup(e.target.value, time || "12:00")}
          />
          <input
            type="time"
            aria-label="Pickup time"
            aria-invalid={notes.pickup ? true : undefined}
            className="quiet"
            value={time.slice(0, 5)}
            onChange={(e) => setPickup(day, e.target.value)}
          />
        </div>
        <FieldNote id="note-pickup" text={notes.pickup} />
        <textarea
          aria-label="Notes"
          placeholder="notes"
          aria-describedby={notes.notes && "note-notes"}
          className="quiet text-ink2 placeholder:text-ink2 mt-1 field-sizing-content w-full resize-none text-[15px] leading-snug"
          value={draft.notes ?? ""}
          onChange={(e) => edit("notes", (draft) => ({ ...draft, notes: e.target.value }))}
        />
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
        <FieldNote id="note-lines" text={notes.lines ?? props.problem?.message} />
        {draft.lines.length > 0 && <PaletteRow draft={draft} reference={reference} notes={notes} edit={edit} />}

        {draft.lines.length > 0 && (
          <div className="border-line mt-3 border-t border-dashed pt-3">
            <SlipPacking draft={draft} reference={reference} notes={notes} edit={edit} />
          </div>
        )}

        <p className="mt-6 flex items-baseline justify-between">
          <span className="text-ink2">pieces</span>
          <span className="text-2xl font-extrabold" data-testid="pieces">
            {tally.pieces}
          </span>
        </p>
        {desk.number > 0 && <PriceRow id={order.id} draft={draft} />}
        {draft.lines.length > 0 && desk.number > 0 && (
          <p className="mt-1 flex flex-wrap gap-x-5">
            <Link className="text-act font-semibold" to={`/orders/${order.id}/prep`}>
              prep, step by step
            </Link>
            <Link className="text-act font-semibold" to={`/orders/${order.id}/packing`}>
              packing and labels
            </Link>
            <Link className="text-act font-semibold" to={`/orders/${order.id}/paper`}>
              paper for the counter
            </Link>
            <Link className="text-act font-semibold" to={`/orders/${order.id}/leftovers`}>
              leftovers
            </Link>
            <BeforeYouStart id={order.id} draft={draft} reference={reference} />
          </p>
        )}
        {(desk.number > 0 || desk.keeping !== "kept") && <KeepingNote desk={desk} />}
        <div className="mt-2 flex items-center gap-4 text-[15px] print:hidden">
          <StepButton label="Undo" icon={<Undo2 size={17} />} step={desk.undo} />
          <StepButton label="Redo" icon={<Redo2 size={17} />} step={desk.redo} />
          {desk.number > 0 && <RemoveOrder order={order} name={draft.name ?? ""} />}
        </div>
      </div>
    </section>
  );
}

/** What it is packed in, and how much of that it takes. */
function SlipPacking(props: { draft: Draft; reference: Reference; notes: Record<string, string>; edit: Edit }) {
  const { draft, ...others } = props;
  const plan = usePacking(draft).data;
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
