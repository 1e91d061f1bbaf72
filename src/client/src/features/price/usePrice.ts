import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api, type Costing, type OrderDraft } from "../../api/client";
import { useOwner } from "../../api/queries";
import { useStill } from "../../ui/useStill";

/** What a draft costs, a moment after the last change: trays and pots come first. Nothing for a helper. */
export function usePrice(draft: OrderDraft): Costing | undefined {
  const owner = useOwner();
  const still = useStill(draft);
  return useQuery({
    queryKey: ["price", still],
    queryFn: ({ signal }) => answer(api.POST("/api/prices/preview", { body: still, signal })),
    placeholderData: keepPreviousData,
    enabled: owner,
    staleTime: 30_000,
    gcTime: 60_000,
  }).data;
}
