import { memo } from "react";
import type { OrderInput } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { FieldNote } from "../../ui/notes";
import { stateOrder, states } from "../../ui/states";
import type { Edit } from "./draft";

type Fields = Pick<OrderInput, "client" | "contact" | "handover" | "place" | "state">;

/** Who asked, how far it is, and where it goes. */
export const Who = memo(function Who(props: Fields & { notes: Record<string, string>; edit: Edit }) {
  const { notes, edit, handover = "pickup", state = "asked" } = props;
  const text = (field: "client" | "contact" | "place", label: string, placeholder: string) => (
    <>
      <input
        aria-label={label}
        placeholder={placeholder}
        aria-invalid={notes[field] ? true : undefined}
        aria-describedby={notes[field] && `note-${field}`}
        className="quiet placeholder:text-ink2 w-full text-[15px]"
        value={props[field] ?? ""}
        onChange={(e) => edit(field, (draft) => ({ ...draft, [field]: e.target.value }))}
      />
      <FieldNote id={`note-${field}`} text={notes[field]} />
    </>
  );
  return (
    <div className="mt-1">
      <p className={`text-[17px] font-bold ${states[state].tone}`}>
        <Choice
          label="State"
          value={state}
          options={stateOrder.map((value) => ({ value, label: states[value].name }))}
          onChange={(value) => edit("state", (draft) => ({ ...draft, state: value }))}
        >
          {states[state].name} <span aria-hidden>▾</span>
        </Choice>
      </p>
      {text("client", "Client", "for whom")}
      {text("contact", "Contact", "telephone or mail")}
      <div className="flex items-baseline gap-2 text-[15px]">
        <span className="text-ink2 shrink-0">
          <Choice
            label="Handover"
            value={handover}
            options={[
              { value: "pickup", label: "collected at" },
              { value: "delivery", label: "brought to" },
            ]}
            onChange={(value) => edit("handover", (draft) => ({ ...draft, handover: value }))}
          >
            {handover === "pickup" ? "collected at" : "brought to"}
          </Choice>
        </span>
        <span className="min-w-0 grow">{text("place", "Place", "where")}</span>
      </div>
    </div>
  );
});
