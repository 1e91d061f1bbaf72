import { X } from "lucide-react";
import { useState } from "react";
import type { Costing, Payment } from "../../api/client";
import { useKitchen } from "../../api/queries";
import { DateField, NumberField, TextField } from "../../ui/fields";
import { dayOf } from "../../ui/localTime";
import { FieldNote } from "../../ui/notes";
import { dayName, useWording } from "../../ui/units";
import type { Draft, Edit } from "../order/draft";
import { say } from "../../wording/say";

const none: Payment[] = [];

/** What has been paid of an order, and where what comes in is written down. */
export function Payments(props: { draft: Draft; costing: Costing; notes: Record<string, string>; edit: Edit }) {
  const { costing, edit } = props;
  const wording = useWording();
  const payments = props.draft.payments ?? none;
  const set = (payments: Payment[]) => edit("payments", (d) => ({ ...d, payments }));
  return (
    <section aria-labelledby="payments">
      <h2 id="payments" className="font-serif text-[22px]">
        {say("price.payments")}
      </h2>
      {payments.length === 0 ? (
        <p className="text-ink2">{say("price.nothing-paid")}</p>
      ) : (
        <ul>
          {payments.map((payment, i) => (
            <li key={i} className="border-line flex items-baseline gap-x-4 border-t border-dashed py-1.5">
              <span className="w-32 shrink-0">{dayName(payment.on)}</span>
              <span className="text-ink2 min-w-0 grow">{payment.note}</span>
              <b>{wording.money(payment.amount)}</b>
              <button
                aria-label={say("price.remove-payment", { amount: wording.money(payment.amount) })}
                className="text-ink2 hover:text-ink p-1"
                onClick={() => set(payments.filter((_, at) => at !== i))}
              >
                <X aria-hidden size={16} />
              </button>
              <FieldNote id={`note-payment-${i}`} text={props.notes[`payments[${i}].amount`]} />
            </li>
          ))}
        </ul>
      )}
      <FieldNote id="note-payments" text={props.notes.payments} />
      <NewPayment
        key={payments.length}
        expected={payments.length === 0 ? costing.deposit : Math.max(0, costing.balance)}
        add={(payment) => set([...payments, payment])}
      />
    </section>
  );
}

function NewPayment({ expected, add }: { expected: number; add: (payment: Payment) => void }) {
  const today = dayOf(useKitchen().data?.now ?? new Date().toISOString());
  const [typed, setTyped] = useState<number | null>();
  const amount = typed === undefined ? expected || null : typed;
  const [on, setOn] = useState<string | null>(null);
  const [note, setNote] = useState("");
  return (
    <form
      className="mt-2 grid grid-cols-2 items-end gap-3 sm:grid-cols-[8rem_10rem_1fr_auto]"
      onSubmit={(e) => {
        e.preventDefault();
        if (amount) add({ amount, on: on ?? today, note });
      }}
    >
      <NumberField label={say("price.amount-paid")} unit="money" value={amount} onChange={setTyped} />
      <DateField label={say("price.paid-on")} value={on ?? today} onChange={setOn} />
      <TextField label={say("price.how-paid")} value={note} onChange={setNote} />
      <button type="submit" className="text-act py-1 text-left font-semibold">
        {say("price.add-payment")}
      </button>
    </form>
  );
}
