import { keepPreviousData, replaceEqualDeep, useQuery } from "@tanstack/react-query";
import { useRef } from "react";
import { answer, api, type OrderDraft, type Tally } from "../../api/client";

/**
 * What a draft comes to, computed by the server; the figures before stay up until the new ones are there. Parts that came out
 * as before are the same objects as before, so that only what changed is drawn again.
 */
export function useTally(draft: OrderDraft, kept: Tally): { tally: Tally; problem: Error | null };
export function useTally(draft: OrderDraft, kept?: Tally): { tally: Tally | undefined; problem: Error | null };
export function useTally(draft: OrderDraft, kept?: Tally) {
  const last = useRef(kept);
  const { data, error } = useQuery({
    queryKey: ["tally", draft],
    queryFn: async ({ signal }) => {
      const tally = await answer(api.POST("/api/amounts/preview", { body: draft, signal }));
      last.current = replaceEqualDeep(last.current, tally);
      return last.current;
    },
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    gcTime: 60_000,
  });
  return { tally: data ?? kept, problem: error };
}
