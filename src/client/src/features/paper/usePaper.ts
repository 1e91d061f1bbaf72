import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api, type OrderDraft } from "../../api/client";

/** Where each piece of a draft is laid down on its tray. */
export const useSetDownMaps = (draft: OrderDraft) =>
  useQuery({
    queryKey: ["setDown", draft],
    queryFn: ({ signal }) => answer(api.POST("/api/paper/set-down", { body: draft, signal })),
    placeholderData: keepPreviousData,
    gcTime: 60_000,
  });
