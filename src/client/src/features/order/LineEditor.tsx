import { X } from "lucide-react";
import { memo, useState } from "react";
import type { LineTally, OrderLine, Reference } from "../../api/client";
import { centreOf, colourOf, sizeOf } from "../../api/queries";
import { Choice, Dot } from "../../ui/Choice";
import { How } from "../../ui/How";
import { FieldNote } from "../../ui/notes";
import { useWording } from "../../ui/units";
import { DepthField } from "./DepthField";
import { changeLine, type Edit } from "./draft";

/** A line of the slip; every word of it can be changed where it stands. */
export const LineEditor = memo(function LineEditor(props: {
  index: number;
  line: OrderLine;
  notes: Record<string, string>;
  reference: Reference;
  tally: LineTally | undefined;
  edit: Edit;
}) {
  const { index, line, reference, edit } = props;
  const change = (field: string, change: Partial<OrderLine>) =>
    edit(`${line.id}.${field}`, changeLine(line.id, change));
  const wording = useWording();
  const centre = centreOf(reference, line.centre);
  const size = sizeOf(reference, line.centre, line.size);
  const colour = colourOf(reference, line.colour);
  const note = (field: string) => props.notes[`lines[${index}].${field}`];
  const noteId = (field: string) => (note(field) ? `note-${index}-${field}` : undefined);
  const what = centre?.plural ?? line.centre ?? "pieces";

  return (
    <li className="group border-line grid grid-cols-[3.2rem_1fr_auto] gap-x-3 border-t border-dashed py-3">
      <CountField
        label={`How many ${what}`}
        count={line.count}
        note={noteId("count")}
        onChange={(count) => change("count", { count })}
      />
      <div className="min-w-0 leading-snug">
        <p className="font-bold">
          {what[0]?.toUpperCase()}
          {what.slice(1)}
          {centre && centre.sizes.length > 1 && (
            <>
              {", "}
              <Choice
                label={`Size of ${what}`}
                value={line.size ?? ""}
                options={centre.sizes.map((s) => ({ value: s.code, label: s.name }))}
                onChange={(size) => change("size", { size })}
                note={noteId("size")}
              >
                {size?.name ?? line.size}
              </Choice>
            </>
          )}
        </p>
        <p className="text-ink2 text-[15px]">
          <Choice
            label={`Colour of ${what}`}
            value={line.colour ?? ""}
            options={reference.colours.map((c) => ({
              value: c.code,
              label: (
                <>
                  <Dot srgb={c.srgb} />
                  {c.name}
                </>
              ),
            }))}
            onChange={(colour) => change("colour", { colour })}
            note={noteId("colour")}
          >
            <Dot srgb={colour?.srgb} />
            {colour?.name ?? line.colour}
          </Choice>
          {", "}
          <DepthField
            label={`Dip depth of ${what}`}
            depth={line.depth}
            note={noteId("depth")}
            onChange={(depth) => change("depth", { depth })}
          />
        </p>
        <p className="text-ink2 text-[15px]">
          <Choice
            label={`Coats on ${what}`}
            value={line.coats}
            options={[
              { value: 1, label: "one coat" },
              { value: 2, label: "two coats" },
              { value: 3, label: "three coats" },
            ]}
            onChange={(coats) => change("coats", { coats })}
            note={noteId("coats")}
          >
            {["no coat", "one coat", "two coats", "three coats"][line.coats] ?? `${line.coats} coats`}
          </Choice>
          {props.tally && (
            <>
              {" · "}
              <How what={`coating on one of the ${what}`} of={`lines[${index}].perPiece`}>
                {wording.mass(props.tally.perPiece.value)} each
              </How>
            </>
          )}
        </p>
        {["centre", "size", "count", "colour", "depth", "coats"].map((field) => (
          <FieldNote key={field} id={noteId(field) ?? ""} text={note(field)} />
        ))}
      </div>
      <button
        aria-label={`Remove ${what}`}
        className="text-ink2 hover:text-act self-start p-1 opacity-60 hover:opacity-100 focus-visible:opacity-100"
        onClick={() => edit("lines", (draft) => ({ ...draft, lines: draft.lines.filter((l) => l.id !== line.id) }))}
      >
        <X size={16} />
      </button>
    </li>
  );
});

/** The whole number typed; nothing typed is none. */
function countOf(typed: string): number {
  const count = Math.trunc(Number(typed));
  return Number.isNaN(count) ? 0 : Math.max(-1e9, Math.min(1e9, count));
}

/** A count that may pass through being empty or wrong while it is typed. */
function CountField(props: {
  label: string;
  count: number;
  note: string | undefined;
  onChange: (count: number) => void;
}) {
  const [typed, setTyped] = useState<string>();
  return (
    <input
      type="number"
      inputMode="numeric"
      min={1}
      aria-label={props.label}
      aria-invalid={props.note ? true : undefined}
      aria-describedby={props.note}
      data-count
      className="quiet h-8 w-full text-right text-[23px] leading-none font-extrabold"
      value={typed !== undefined && countOf(typed) === props.count ? typed : props.count}
      onFocus={(e) => e.target.select()}
      onBlur={() => setTyped(undefined)}
      onChange={(e) => {
        setTyped(e.target.value);
        props.onChange(countOf(e.target.value));
      }}
    />
  );
}
