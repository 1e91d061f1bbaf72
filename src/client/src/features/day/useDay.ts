import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Arrangements, type Day, type Remedy, type TaskMark } from "../../api/client";

const key = ["day"];
const again = 600;

/** The plan, asked for again while it is still being improved. */
export function useDay() {
  const queries = useQueryClient();
  const [before, setBefore] = useState<{ says: string; arranged: Arrangements }>();
  const day = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/day")),
    refetchInterval: (query) => (query.state.data?.searching ? again : false),
    staleTime: 0,
  });
  const settle = (data: Day) => queries.setQueryData(key, data);
  const arrange = useMutation({
    mutationFn: (to: { arranged: Arrangements; version: number; says: string }) =>
      answer(api.PUT("/api/day/arranged", { body: { version: to.version, arranged: to.arranged } })),
    onSuccess: settle,
    onError: () => void day.refetch(),
  });
  const planAgain = useMutation({ mutationFn: () => answer(api.POST("/api/day/again")), onSuccess: settle });
  const take = useMutation({
    mutationFn: (remedy: Remedy) => answer(api.POST("/api/day/remedies", { body: remedy })),
    onSuccess: async (data) => {
      settle(data);
      await queries.invalidateQueries({ predicate: (q) => q.queryKey[0] === "shelf" || q.queryKey[0] === "order" });
    },
    onError: () => void day.refetch(),
  });

  const change = (says: string, to: (arranged: Arrangements) => Arrangements) => {
    if (!day.data) return;
    const { arranged, version } = day.data;
    arrange.mutate({ arranged: to(arranged), version, says }, { onSuccess: () => setBefore({ says, arranged }) });
  };
  return {
    day,
    busy: arrange.isPending || take.isPending || planAgain.isPending,
    error: arrange.error ?? take.error ?? planAgain.error,
    planAgain: () => planAgain.mutate(),
    take: (remedy: Remedy) => {
      const arranged = day.data?.arranged;
      take.mutate(remedy, {
        onSuccess: () =>
          setBefore(remedy.change || !arranged ? undefined : { says: `Arranged: ${remedy.what}.`, arranged }),
      });
    },
    change,
    mark: (task: string, says: string, mark: TaskMark | null) =>
      change(says, (a) => {
        const rest = Object.fromEntries(Object.entries(a.tasks).filter(([code]) => code !== task));
        return { ...a, tasks: mark ? { ...rest, [task]: mark } : rest };
      }),
    done: before?.says,
    undo: () => {
      if (!before || !day.data) return;
      arrange.mutate(
        { arranged: before.arranged, version: day.data.version, says: "" },
        { onSuccess: () => setBefore(undefined) },
      );
    },
  };
}

export type DayDesk = ReturnType<typeof useDay>;
