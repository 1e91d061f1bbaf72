import type { Customer } from "../../api/client";

/** Customers in whose name or contact every word begins a word; all of them for none. */
export function called(customers: Customer[], typed: string): Customer[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return customers.filter((customer) => {
    const theirs = `${customer.name} ${customer.contact}`.toLowerCase().split(/[\s@.,;-]+/);
    return words.every((word) => theirs.some((their) => their.startsWith(word)));
  });
}
