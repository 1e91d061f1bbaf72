import { keepPreviousData, replaceEqualDeep, useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { answer, api, type OrderDraft, type Tally } from "../../api/client";

interface Tallied<D, T> {
  /** The draft that the tally is of: what is drawn from both is drawn when both are there. */
  of: D;
  tally: T;
  problem: Error | null;
}

/**
 * What a draft comes to, computed by the server; the figures before stay up until the new ones are there. Parts that came out
 * as before are the same objects as before, so that only what changed is drawn again.
 */
export function useTally<D extends OrderDraft>(draft: D, kept: Tally): Tallied<D, Tally>;
export function useTally<D extends OrderDraft>(draft: D, kept?: Tally): Tallied<D, Tally | undefined>;
export function useTally<D extends OrderDraft>(draft: D, kept?: Tally): Tallied<D, Tally | undefined> {
  const last = useRef(kept);
  const [first] = useState(draft);
  const { data, error } = useQuery({
    queryKey: ["tally", draft],
    queryFn: async ({ signal }) => {
      const tally = await answer(api.POST("/api/amounts/preview", { body: draft, signal }));
      last.current = replaceEqualDeep(last.current, tally);
      return { of: draft, tally: last.current };
    },
    // What the drafts are made of is told apart by the tally's own comparison above.
    structuralSharing: false,
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    gcTime: 60_000,
  });
  return { of: data?.of ?? first, tally: data?.tally ?? kept, problem: error };
}
