import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Move } from "../../api/client";
import { exercisesQuery } from "../../api/queries";
import { putBy } from "../../ui/putBy";

interface Tried {
  seed: number;
  moves: Move[];
}

const under = (exercise: string) => `practice.${exercise}`;
const anotherSeed = () => crypto.getRandomValues(new Uint16Array(1))[0] ?? 1;
const begun = (exercise: string): Tried =>
  (putBy.read(under(exercise)) as Tried | undefined) ?? { seed: anotherSeed(), moves: [] };

/**
 * A try at one exercise, the same as long as its page is shown: what was done is put by on this device, and the pot is
 * what the server makes of it.
 */
export function usePractice(exercise: string) {
  const queries = useQueryClient();
  const [tried, setTried] = useState(() => begun(exercise));
  const set = (next: Tried) => {
    putBy.write(under(exercise), next);
    setTried(next);
  };
  const pot = useQuery({
    queryKey: ["practised", exercise, tried.seed, tried.moves],
    queryFn: async () => {
      const view = await answer(
        api.POST("/api/practice/{code}", { params: { path: { code: exercise } }, body: { ...tried } }),
      );
      if (view.score) void queries.invalidateQueries({ queryKey: exercisesQuery.queryKey });
      return view;
    },
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  return {
    seed: tried.seed,
    moves: tried.moves,
    pot,
    make: (move: Move) => set({ ...tried, moves: [...tried.moves, move] }),
    /** Another pot, or the same one from the start. */
    begin: (same: boolean) => set({ seed: same ? tried.seed : anotherSeed(), moves: [] }),
  };
}
