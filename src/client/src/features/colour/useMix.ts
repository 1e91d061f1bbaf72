import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useSearchParams } from "wouter";
import { answer, api, type Mix, type MixDraft, type Reference } from "../../api/client";

export interface Wanted extends MixDraft {
  coating: string;
  base: string;
  target: string;
  atHand: string[];
}

/** The colour asked for, kept in the address so that it can be reloaded and handed on. */
export function useWanted(reference: Reference): [Wanted, (change: Partial<Wanted>) => void] {
  const [search, setSearch] = useSearchParams();
  const coating = search.get("coating") ?? reference.usualCoating;
  const colours = reference.colours.filter((c) => c.coating === coating);
  const wanted: Wanted = {
    coating,
    base: search.get("base") ?? (colours.find((c) => c.code === "bright-white") ?? colours[0])?.code ?? "",
    target: search.get("target") ?? "#3d9b9b",
    atHand:
      search.get("hand")?.split(",").filter(Boolean) ??
      reference.tints.filter((t) => t.carrier === "oil").map((t) => t.code),
    pot: Number(search.get("pot") ?? 240),
  };
  return [
    wanted,
    (change) => {
      const next = { ...wanted, ...change };
      const { atHand, ...rest } = next;
      setSearch({ ...rest, pot: String(next.pot), hand: atHand.join(",") }, { replace: true });
    },
  ];
}

/** How to come to it; the answer before stays up until the new one is there. */
export function useMix(wanted: Wanted): { mix: Mix | undefined; error: Error | null } {
  const { data, error } = useQuery({
    queryKey: ["mix", wanted],
    queryFn: async ({ signal }) => {
      // A colour being picked changes many times a second: only where it rests is asked for.
      await new Promise((resolve) => setTimeout(resolve, 80));
      signal.throwIfAborted();
      return answer(api.POST("/api/colour/mix", { body: wanted, signal }));
    },
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });
  return { mix: data, error };
}
