import { memo, useRef, type ReactNode } from "react";
import type { Customer, OrderInput, OrderState } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { FieldNote } from "../../ui/notes";
import { stateOrder, states } from "../../ui/states";
import type { Edit } from "./draft";
import { later } from "../../ui/later";
import { say } from "../../wording/say";

const KnownCustomers = later(() => import("./KnownCustomers"), "KnownCustomers");

type Fields = Pick<OrderInput, "client" | "contact" | "handover" | "place">;

/** A line of the slip to write on, with what it is for above it; the field names itself. */
export function Ruled({ label, children }: { label: ReactNode; children: ReactNode }) {
  return (
    <div className="mt-1 min-w-0">
      <p className="text-ink2 text-[13px] leading-tight">{label}</p>
      {children}
    </div>
  );
}

/** How far the order is, stamped on the slip. */
export const StateStamp = memo(function StateStamp({ state, edit }: { state: OrderState; edit: Edit }) {
  return (
    <div className={`shrink-0 rounded-md border-2 border-current px-2 font-bold ${states[state].tone}`}>
      <Choice
        label={say("order.state")}
        value={state}
        options={stateOrder.map((value) => ({ value, label: states[value].name }))}
        onChange={(value) => edit("state", (draft) => ({ ...draft, state: value }))}
        plain
      >
        {states[state].name} <span aria-hidden>▾</span>
      </Choice>
    </div>
  );
});

/** Who asked, and where it goes. */
export const Who = memo(function Who(props: Fields & { notes: Record<string, string>; edit: Edit }) {
  const { notes, edit, handover = "pickup" } = props;
  const client = useRef<HTMLInputElement>(null);
  const take = (customer: Customer) => {
    edit("customer", (draft) => ({
      ...draft,
      client: customer.name,
      contact: draft.contact || customer.contact,
      place: draft.place || customer.place,
      handover: draft.place ? draft.handover : customer.handover,
      allergies: [...new Set([...(draft.allergies ?? []), ...customer.allergies])],
    }));
    client.current?.focus();
  };
  const field = (name: "client" | "contact" | "place", label: string, above: ReactNode = label) => (
    <Ruled label={above}>
      <input
        ref={name === "client" ? client : null}
        aria-label={label}
        aria-invalid={notes[name] ? true : undefined}
        aria-describedby={notes[name] && `note-${name}`}
        className="quiet w-full"
        value={props[name] ?? ""}
        onChange={(e) => edit(name, (draft) => ({ ...draft, [name]: e.target.value }))}
      />
      <FieldNote id={`note-${name}`} text={notes[name]} />
    </Ruled>
  );
  return (
    <>
      {field("client", say("order.customer"))}
      <KnownCustomers typed={props.client ?? ""} take={take} />
      {field("contact", say("order.phone-or-email"))}
      {field(
        "place",
        say("ui.place"),
        <Choice
          label={say("order.handover")}
          value={handover}
          options={[
            { value: "pickup", label: say("order.pickup") },
            { value: "delivery", label: say("order.deliver") },
          ]}
          onChange={(value) => edit("handover", (draft) => ({ ...draft, handover: value }))}
        >
          {handover === "pickup" ? say("order.pickup") : say("order.deliver")} <span aria-hidden>▾</span>
        </Choice>,
      )}
    </>
  );
});
