import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link, useSearchParams } from "wouter";
import type { Customer, CustomerHistory } from "../../api/client";
import { customersQuery, historyQuery } from "../../api/queries";
import { TextField } from "../../ui/fields";
import { ErrorNote, Waiting } from "../../ui/notes";
import { dayName, useWording, type Wording } from "../../ui/units";
import { listedOr, say } from "../../wording/say";
import { OrderAgain } from "../orders/CopyOrder";
import { OrderRow } from "../orders/OrderRow";
import { called } from "./called";

/** Who has ordered: how to reach them, what they must not have, what they ordered and what they still owe. */
export function CustomersPage() {
  const customers = useQuery(customersQuery);
  const [search, setSearch] = useSearchParams();
  const [find, setFind] = useState("");
  const open = search.get("name");
  const [chosen, setChosen] = useState(false);
  useEffect(() => {
    document.title = say("ui.kondiba", { name: say("customers.customers") });
  }, []);
  if (customers.error) return <ErrorNote error={customers.error} retry={() => void customers.refetch()} />;
  if (!customers.data) return <Waiting />;
  const found = called(customers.data, find);
  return (
    <div className="mx-auto max-w-6xl px-4 pt-3 sm:px-10">
      <p>
        <Link to="/orders" className="text-act font-semibold">
          ← {say("ui.orders")}
        </Link>
      </p>
      <h1 className="font-serif text-[38px] leading-tight">{say("customers.customers")}</h1>
      {customers.data.length === 0 ? (
        <p className="text-ink2 mt-4 text-lg">{say("customers.none-yet")}</p>
      ) : (
        <div className="mt-3 grid gap-x-10 gap-y-6 lg:grid-cols-[20rem_1fr]">
          <div>
            <TextField label={say("customers.find")} value={find} onChange={setFind} />
            {found.length === 0 && <p className="text-ink2 mt-3">{say("customers.nobody-called", { find })}</p>}
            <ul className="mt-2">
              {found.map((customer) => (
                <li key={customer.name} className="border-line border-t border-dashed">
                  <button
                    aria-pressed={open === customer.name}
                    className="aria-pressed:bg-parchment aria-pressed:text-parchment-ink w-full px-2 py-2 text-left"
                    onClick={() => {
                      setChosen(true);
                      setSearch({ name: customer.name }, { replace: true });
                    }}
                  >
                    <span className="block font-serif text-lg leading-tight">{customer.name}</span>
                    <span className="text-[15px] opacity-80">
                      {say("customers.orders-last", { count: customer.orders, day: dayName(customer.lastPickup) })}
                    </span>
                    <MustNotHave customer={customer} />
                  </button>
                </li>
              ))}
            </ul>
          </div>
          {open ? (
            <History key={open} name={open} chosen={chosen} />
          ) : (
            <p className="text-ink2 mt-6">{say("customers.choose-one")}</p>
          )}
        </div>
      )}
    </div>
  );
}

function MustNotHave({ customer }: { customer: Customer }) {
  if (customer.allergies.length === 0) return null;
  return (
    <span className="block text-[15px] font-semibold">
      {say("customers.free-of", { allergies: listedOr(customer.allergies) })}
    </span>
  );
}

function History({ name, chosen }: { name: string; chosen: boolean }) {
  const history = useQuery(historyQuery(name));
  if (history.error) return <ErrorNote error={history.error} retry={() => void history.refetch()} />;
  if (!history.data) return <Waiting />;
  return <Orders history={history.data} chosen={chosen} />;
}

/** What is still to be paid, or to be given back. */
function owed(balance: number, wording: Wording) {
  if (balance === 0) return say("customers.paid");
  const amount = wording.money(Math.abs(balance));
  return balance > 0 ? say("customers.owes", { amount }) : say("customers.to-give-back", { amount });
}

function Orders(props: { history: CustomerHistory; chosen: boolean }) {
  const { customer, orders, balance } = props.history;
  const { chosen } = props;
  const wording = useWording();
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    // On a phone they are below the list they were chosen from.
    if (chosen) heading.current?.focus();
  }, [chosen]);
  return (
    <section aria-label={customer.name} className="min-w-0">
      <h2 ref={heading} tabIndex={-1} className="scroll-mt-4 font-serif text-[26px] leading-tight outline-none">
        {customer.name}
      </h2>
      <p className="text-ink2">{[customer.contact, customer.place].filter(Boolean).join(" · ")}</p>
      <MustNotHave customer={customer} />
      {balance !== null && balance !== 0 && (
        <p className="mt-1 font-bold" data-testid="owes">
          {say("customers.in-all", { owed: owed(balance, wording) })}
        </p>
      )}
      <ul className="@container mt-3">
        {orders.map(({ order, price, balance }) => (
          <OrderRow key={order.id} order={{ ...order, client: "" }}>
            <span className="text-right @max-3xl:order-5">
              {price !== null && <b className="block">{wording.money(price)}</b>}
              {balance !== null && <span className="text-ink2 block text-[13px]">{owed(balance, wording)}</span>}
              <OrderAgain order={order} />
            </span>
          </OrderRow>
        ))}
      </ul>
    </section>
  );
}
