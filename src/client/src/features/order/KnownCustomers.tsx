import { useQuery } from "@tanstack/react-query";
import { Link } from "wouter";
import type { Customer } from "../../api/client";
import { customersQuery } from "../../api/queries";
import { called } from "../customers/called";
import { listedOr, say } from "../../wording/say";

const shownAtMost = 4;

/** Customers whom what is typed could mean; taken, an order has how to reach them and what they must not have. */
export function KnownCustomers({ typed, take }: { typed: string; take: (customer: Customer) => void }) {
  const name = typed.trim().toLowerCase();
  const customers = useQuery({ ...customersQuery, enabled: name !== "" }).data ?? [];
  const known = customers.find((customer) => customer.name.toLowerCase() === name);
  if (known)
    return (
      <p className="text-[13px]">
        <Link
          className="text-act inline-block py-1 font-semibold pointer-coarse:py-3.5"
          to={`/customers?name=${encodeURIComponent(known.name)}`}
        >
          {say("order.customer-orders", { count: known.orders })}
        </Link>
      </p>
    );
  const found = name === "" ? [] : called(customers, name).slice(0, shownAtMost);
  if (found.length === 0) return null;
  return (
    <ul aria-label={say("order.known-customers")} className="border-line bg-panel rounded-md border text-[15px]">
      {found.map((customer) => (
        <li key={customer.name}>
          <button
            type="button"
            className="hover:bg-parchment hover:text-parchment-ink w-full px-2 py-1 text-left pointer-coarse:py-2.5"
            onClick={() => take(customer)}
          >
            <b>{customer.name}</b>{" "}
            <span className="text-[13px]">
              {[
                customer.contact,
                customer.allergies.length > 0 && say("customers.free-of", { allergies: listedOr(customer.allergies) }),
              ]
                .filter(Boolean)
                .join(" · ")}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}
