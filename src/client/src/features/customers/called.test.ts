import { expect, test } from "vitest";
import type { Customer } from "../../api/client";
import { called } from "./called";

const someone = (name: string, contact = ""): Customer => ({
  name,
  contact,
  handover: "pickup",
  place: "",
  allergies: [],
  orders: 1,
  lastPickup: "2026-05-02",
});
const customers = [
  someone("Harbour choir", "jubilee@choir.example"),
  someone("Chess club", "0555 17"),
  someone("Ida Moor"),
];

test.each([
  ["", ["Harbour choir", "Chess club", "Ida Moor"]],
  ["ch", ["Harbour choir", "Chess club"]],
  ["CHOIR jub", ["Harbour choir"]],
  ["555", []],
  ["0555", ["Chess club"]],
  ["moor ida", ["Ida Moor"]],
])("%s finds %j", (typed, names) => {
  expect(called(customers, typed).map((customer) => customer.name)).toEqual(names);
});
