import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import {
  answer,
  api,
  type Arrangements,
  type Day,
  type Plan,
  type Remedy,
  type TaskMark,
  type TaskTold,
} from "../../api/client";
import { newId } from "../../api/newId";
import { changesBetween } from "./moves";
import { plusMinutes } from "./times";

const key = ["day"];
// What the planner finds is told as it comes; asked for all the same, should the telling be missed.
const again = 4_000;

/** The plan, as the planner betters it. */
export function useDay() {
  const queries = useQueryClient();
  const [before, setBefore] = useState<Before>();
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
  const tell = useMutation({
    mutationFn: (event: TaskTold) => answer(api.POST("/api/day/events", { body: { events: [event] } })),
    onSuccess: settle,
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

  const change = (says: string, to: (arranged: Arrangements) => Arrangements, task?: string) => {
    if (!day.data) return;
    const { arranged, version, plan } = day.data;
    arrange.mutate(
      { arranged: to(arranged), version, says },
      { onSuccess: () => setBefore({ says, arranged, plan, task }) },
    );
  };
  return {
    day,
    busy: arrange.isPending || tell.isPending || take.isPending || planAgain.isPending,
    error: arrange.error ?? tell.error ?? take.error ?? planAgain.error,
    planAgain: () => planAgain.mutate(),
    take: (remedy: Remedy) => {
      const arranged = day.data?.arranged;
      take.mutate(remedy, {
        onSuccess: () =>
          setBefore(
            remedy.change || !arranged ? undefined : { says: `Arranged: ${remedy.what}.`, arranged, plan: null },
          ),
      });
    },
    change,
    mark: (task: string, says: string, mark: TaskMark | null) =>
      change(
        says,
        (a) => {
          const rest = Object.fromEntries(Object.entries(a.tasks).filter(([code]) => code !== task));
          return { ...a, tasks: mark ? { ...rest, [task]: mark } : rest };
        },
        task,
      ),
    /** Tells that a step is done, or is not after all. */
    tell: (task: string, says: string, act: TaskTold["act"]) => {
      if (!day.data) return;
      const { arranged, plan, now } = day.data;
      const at = plusMinutes(now.slice(0, 19), (Date.now() - day.dataUpdatedAt) / 60_000);
      tell.mutate({ id: newId(), task, act, at }, { onSuccess: () => setBefore({ says, arranged, plan, task }) });
    },
    done: before?.says,
    /** What became of the plan since. */
    changes: before?.plan && day.data?.plan ? changesBetween(before.plan, day.data.plan, before.task) : undefined,
    undo: () => {
      if (!before || !day.data) return;
      arrange.mutate(
        { arranged: before.arranged, version: day.data.version, says: "" },
        { onSuccess: () => setBefore(undefined) },
      );
    },
  };
}

/** What was arranged last, and how things were before. */
interface Before {
  says: string;
  arranged: Arrangements;
  plan: Plan | null;
  task?: string;
}

export type DayDesk = ReturnType<typeof useDay>;
