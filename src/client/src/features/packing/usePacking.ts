import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api, type OrderDraft } from "../../api/client";

/** What goes where in the boxes of a draft. */
export const usePacking = (draft: OrderDraft, enabled = true) =>
  useQuery({
    queryKey: ["packing", draft],
    enabled,
    queryFn: ({ signal }) => answer(api.POST("/api/packing/preview", { body: draft, signal })),
    placeholderData: keepPreviousData,
    staleTime: 30_000,
    gcTime: 60_000,
  });
