import { X } from "lucide-react";
import { memo } from "react";
import type { MouldTally, OrderLine, Reference } from "../../api/client";
import { centreOf, sizeOf } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { How } from "../../ui/How";
import { FieldNote } from "../../ui/notes";
import { useWording } from "../../ui/units";
import { AmountField } from "./AmountField";
import { ColourChoice } from "./ColourChoice";
import { CoatsChoice } from "./CoatsChoice";
import { DepthField } from "./DepthField";
import { LineLook } from "./LineLook";
import { LineMaking } from "./LineMaking";
import { changeLine, withoutLine, type Edit } from "./draft";
import { capital, say } from "../../wording/say";

const fields = ["centre", "size", "amount", "countedIn", "coating", "colour", "depth", "coats", "upright"];

/** A line of the slip; every word of it can be changed where it stands. */
export const LineEditor = memo(function LineEditor(props: {
  index: number;
  line: OrderLine;
  notes: Record<string, string>;
  reference: Reference;
  /** Pieces, where they are not what is counted. */
  count: number | undefined;
  /** Coating on one piece and its foot, in g. */
  perPiece: number | undefined;
  foot: number | undefined;
  moulded: MouldTally | undefined;
  edit: Edit;
}) {
  const { index, line, reference, edit, count, perPiece, foot } = props;
  const change = (field: string, change: Partial<OrderLine>) =>
    edit(`${line.id}.${field}`, changeLine(line.id, change));
  const wording = useWording();
  const centre = centreOf(reference, line.centre);
  const size = sizeOf(reference, line.centre, line.size);
  const note = (field: string) => props.notes[`lines[${index}].${field}`];
  const noteId = (field: string) => (note(field) ? `note-${index}-${field}` : undefined);
  const what = centre?.plural ?? line.centre ?? "pieces";

  const isBare = line.depth === 0;
  return (
    <li
      data-line={line.id}
      className="group border-line grid grid-cols-[3.4rem_1fr_auto] gap-x-3 border-t border-dashed py-3"
    >
      <AmountField
        what={what}
        amount={line.amount}
        countedIn={line.countedIn}
        centre={centre}
        pieces={count ?? line.amount}
        pieceMass={size?.mass ?? 20}
        note={noteId("amount")}
        unitNote={noteId("countedIn")}
        onAmount={(amount) => change("amount", { amount })}
        onCountedIn={(amount, countedIn) => change("countedIn", { amount, countedIn })}
      />
      <div className="min-w-0 leading-snug">
        <p className="font-bold">
          {capital(what)}
          {centre && centre.sizes.length > 1 && !line.making?.mould && (
            <>
              {", "}
              <Choice
                label={say("order.size", { what })}
                value={line.size ?? ""}
                options={centre.sizes.map((s) => ({ value: s.code, label: s.name }))}
                onChange={(size) => change("size", { size })}
                note={noteId("size")}
              >
                {size?.name ?? line.size}
              </Choice>
            </>
          )}
          {count !== undefined && (
            <span className="text-ink2 font-normal">
              {" · "}
              <How what={say("order.pieces-4", { what })} of={`lines[${index}].count`}>
                {say("order.pieces-5", { count })}
              </How>
            </span>
          )}
        </p>
        <p className="text-ink2 text-[15px]">
          {!isBare && (
            <>
              <ColourChoice
                what={what}
                line={line}
                reference={reference}
                note={noteId("colour") ?? noteId("coating")}
                onChange={(coating, colour) => change("colour", { coating, colour })}
              />
              {", "}
            </>
          )}
          <DepthField
            label={say("order.dip-depth", { what })}
            depth={line.depth}
            usual={centre?.depths}
            note={noteId("depth")}
            onChange={(depth) => change("depth", { depth })}
          />
        </p>
        {!isBare && (
          <p className="text-ink2 text-[15px]">
            <CoatsChoice what={what} line={line} note={noteId("coats")} onChange={(coats) => change("coats", coats)} />
            {perPiece !== undefined && (
              <>
                {" · "}
                <How what={say("order.coating-one", { what })} of={`lines[${index}].perPiece`}>
                  {say("order.each-2", { perPiece: wording.mass(perPiece) })}
                </How>
              </>
            )}
          </p>
        )}
        {centre && !isBare && (centre.holding === "by hand" || centre.holding === "stick") && (
          <p className="text-ink2 text-[15px]">
            <Choice
              label={say("order.how-set", { what })}
              value={(line.upright ?? centre.upright) ? "up" : "flat"}
              options={[
                { value: "flat", label: say("ui.laid-flat") },
                { value: "up", label: say("order.stood-upright"), hint: say("ui.no-foot") },
              ]}
              onChange={(way) => change("upright", { upright: way === "up" })}
            >
              {(line.upright ?? centre.upright) ? say("order.stood-upright") : say("ui.laid-flat")}
            </Choice>
            {foot !== undefined && foot >= 0.05 && (
              <>
                {", "}
                <How what={say("order.foot-one", { what })} of={`lines[${index}].foot`}>
                  {say("ui.foot", { foot: wording.mass(foot) })}
                </How>
              </>
            )}
          </p>
        )}
        <LineMaking
          index={index}
          line={line}
          what={what}
          centre={centre}
          reference={reference}
          moulded={props.moulded}
          notes={props.notes}
          edit={edit}
        />
        <LineLook index={index} line={line} what={what} reference={reference} edit={edit} notes={props.notes} />
        {fields.map((field) => (
          <FieldNote key={field} id={noteId(field) ?? ""} text={note(field)} />
        ))}
      </div>
      <button
        aria-label={say("order.remove", { what })}
        className="text-ink2 hover:text-act self-start p-1 opacity-60 hover:opacity-100 focus-visible:opacity-100"
        onClick={(e) => {
          const row = e.currentTarget.closest("li");
          const next = row?.nextElementSibling ?? row?.previousElementSibling ?? e.currentTarget.closest("section");
          next?.querySelector<HTMLElement>("[data-count], textarea")?.focus();
          edit("lines", withoutLine(line.id));
        }}
      >
        <X size={16} />
      </button>
    </li>
  );
});
