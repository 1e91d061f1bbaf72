import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { answer, api } from "../../api/client";
import { kitchenQuery } from "../../api/queries";
import { newId } from "../../api/newId";

/** The Saturday after next midnight, at noon: most pickups are near it, and the maker changes the rest. */
function usualPickup(now: string): string {
  const day = new Date(`${now.slice(0, 10)}T12:00:00Z`);
  day.setUTCDate(day.getUTCDate() + 1 + ((5 - day.getUTCDay() + 7) % 7));
  return day.toISOString().slice(0, 19);
}

/** Makes an order and goes to it. */
export function useNewOrder() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async () => {
      const kitchen = await queries.query(kitchenQuery);
      return answer(
        api.POST("/api/orders", {
          params: { header: { "Idempotency-Key": newId() } },
          body: {
            version: 0,
            name: "New order",
            pickup: usualPickup(kitchen.now),
            notes: "",
            lines: [],
            pots: {},
            depositPaid: false,
            isTemplate: false,
          },
        }),
      );
    },
    onSuccess: async (order) => {
      void queries.invalidateQueries({ queryKey: ["shelf"] });
      await navigate(`/orders/${order.id}`, { state: { fresh: true } });
    },
  });
}
