import type { QueryClient } from "@tanstack/react-query";
import { answer, api, ApiError, type Order } from "../../api/client";
import { kitchenQuery } from "../../api/queries";
import { noon, plusDays } from "../../ui/localTime";
import { say } from "../../wording/say";

/** The Saturday after next midnight, at noon: most pickups are near it, and the maker changes the rest. */
function usualPickup(now: string): string {
  return `${plusDays(now, 1 + ((5 - noon(now).getUTCDay() + 7) % 7))}T12:00:00`;
}

/** An order that may not have been saved yet: then it is empty, and has neither version nor number. */
export async function freshOrder(id: string, queries: QueryClient): Promise<Order> {
  try {
    return await answer(api.GET("/api/orders/{id}", { params: { path: { id } } }));
  } catch (error) {
    if (!(error instanceof ApiError && error.status === 404)) throw error;
  }
  const kitchen = await queries.query(kitchenQuery);
  const empty = {
    ...{ name: say("ui.new-order"), pickup: usualPickup(kitchen.now), notes: "", lines: [], pots: {}, margin: null },
    ...{ palette: [], client: "", contact: "", handover: "pickup" as const, place: "", allergies: [], packing: [] },
    ...{ price: null, deposit: null, payments: [], schools: {}, boxes: null },
  };
  const tally = await answer(api.POST("/api/amounts/preview", { body: empty }));
  return {
    ...empty,
    id,
    version: 0,
    number: 0,
    tally,
    state: "asked",
    isTemplate: false,
    acceptedAt: null,
  };
}
