import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api, type OrderDraft } from "../../api/client";

/** The steps that a draft wants. */
export const usePrep = (draft: OrderDraft) =>
  useQuery({
    queryKey: ["prep", draft],
    queryFn: ({ signal }) => answer(api.POST("/api/prep/preview", { body: draft, signal })),
    placeholderData: keepPreviousData,
    staleTime: 30_000,
    gcTime: 60_000,
  });
