import { Redo2, Undo2 } from "lucide-react";
import { useEffect, useMemo, useRef } from "react";
import { useLocation } from "react-router";
import type { Order, Reference, Tally } from "../../api/client";
import { FieldNote } from "../../ui/notes";
import { notesOf } from "../../ui/problems";
import { pickupWords } from "../../ui/units";
import { AddLine } from "./AddLine";
import { KeepingNote } from "./KeepingNote";
import { LineEditor } from "./LineEditor";
import { PaletteRow } from "./PaletteRow";
import { RemoveOrder } from "./RemoveOrder";
import type { useDraft } from "./useDraft";

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
  const name = useRef<HTMLInputElement>(null);
  const fresh = (useLocation().state as { fresh?: boolean } | null)?.fresh;
  useEffect(() => {
    if (fresh) name.current?.select();
  }, [fresh]);
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
        <input
          ref={name}
          aria-label="Order for"
          aria-invalid={notes.name ? true : undefined}
          aria-describedby={notes.name && "note-name"}
          className="quiet w-full font-serif text-[29px] leading-tight"
          value={draft.name ?? ""}
          onChange={(e) => edit("name", (draft) => ({ ...draft, name: e.target.value }))}
        />
        <FieldNote id="note-name" text={notes.name} />
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
          placeholder="notes: where to, who collects"
          aria-describedby={notes.notes && "note-notes"}
          className="quiet text-ink2 placeholder:text-ink2 mt-1 field-sizing-content w-full resize-none text-[15px] leading-snug"
          value={draft.notes ?? ""}
          onChange={(e) => edit("notes", (draft) => ({ ...draft, notes: e.target.value }))}
        />
        <FieldNote id="note-notes" text={notes.notes} />

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
                edit={edit}
              />
            );
          })}
        </ul>
        <AddLine
          reference={reference}
          count={draft.lines.length}
          coating={draft.lines.at(-1)?.coating}
          colour={draft.lines.at(-1)?.colour}
          edit={edit}
        />
        <FieldNote id="note-lines" text={notes.lines ?? props.problem?.message} />
        {draft.lines.length > 0 && <PaletteRow draft={draft} reference={reference} notes={notes} edit={edit} />}

        <p className="mt-6 flex items-baseline justify-between">
          <span className="text-ink2">pieces</span>
          <span className="text-2xl font-extrabold" data-testid="pieces">
            {tally.pieces}
          </span>
        </p>
        <KeepingNote desk={desk} />
        <div className="mt-2 flex items-center gap-4 text-[15px] print:hidden">
          <StepButton label="Undo" icon={<Undo2 size={17} />} step={desk.undo} />
          <StepButton label="Redo" icon={<Redo2 size={17} />} step={desk.redo} />
          <RemoveOrder order={order} name={draft.name ?? ""} />
        </div>
      </div>
    </section>
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
