import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api, type Tally } from "../../api/client";
import type { Draft } from "./draft";

/** What a draft comes to, computed by the server; the figures before stay up until the new ones are there. */
export function useTally(draft: Draft, kept: Tally): { tally: Tally; problem: Error | null } {
  const { data, error } = useQuery({
    queryKey: ["tally", draft],
    queryFn: ({ signal }) => answer(api.POST("/api/amounts/preview", { body: draft, signal })),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    gcTime: 60_000,
  });
  return { tally: data ?? kept, problem: error };
}
