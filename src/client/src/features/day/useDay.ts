import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo, useState, useSyncExternalStore } from "react";
import {
  answer,
  api,
  type Arrangements,
  type Day,
  type DayTask,
  type Plan,
  type Remedy,
  type TaskMark,
  type TaskTold,
} from "../../api/client";
import { clock } from "../../api/clock";
import { dayKey, dayOutbox, heard } from "../../api/dayOutbox";
import { lastKnownOfMine } from "../../api/lastKnown";
import { newId } from "../../api/newId";
import { changesBetween } from "./moves";
import { plusMinutes } from "../../ui/localTime";
import { say } from "../../wording/say";

// What the planner finds is told as it comes; asked for all the same, should the telling be missed.
const again = 4_000;

/** The plan, as the planner betters it. */
export function useDay() {
  const queries = useQueryClient();
  const [before, setBefore] = useState<Before>();
  const waiting = useSyncExternalStore(dayOutbox.hear, dayOutbox.now);
  const known = useQuery({
    queryKey: dayKey,
    queryFn: () => lastKnownOfMine("day", async () => heard(await answer(api.GET("/api/day")))),
    refetchInterval: (query) => (query.state.data?.searching ? again : false),
    staleTime: 0,
  });
  const day = {
    ...known,
    data: useMemo(() => known.data && withTold(known.data, waiting.acts), [known.data, waiting.acts]),
  };
  const settle = (data: Day) => queries.setQueryData(dayKey, heard(data));
  const arrange = useMutation({
    mutationFn: (to: { arranged: Arrangements; version: number; says: string }) =>
      answer(api.PUT("/api/day/arranged", { body: { version: to.version, arranged: to.arranged } })),
    onSuccess: settle,
    onError: () => void known.refetch(),
  });
  const planAgain = useMutation({ mutationFn: () => answer(api.POST("/api/day/again")), onSuccess: settle });
  const take = useMutation({
    mutationFn: (remedy: Remedy) => answer(api.POST("/api/day/remedies", { body: remedy })),
    onSuccess: async (data) => {
      settle(data);
      await queries.invalidateQueries({ predicate: (q) => q.queryKey[0] === "shelf" || q.queryKey[0] === "order" });
    },
    onError: () => void known.refetch(),
  });

  const change = (says: string, to: (arranged: Arrangements) => Arrangements, task?: string) => {
    if (!known.data) return;
    const { arranged, version, plan } = known.data;
    arrange.mutate(
      { arranged: to(arranged), version, says },
      { onSuccess: () => setBefore({ says, plan, task, back: backTo(arranged) }) },
    );
  };
  /** Arranges things as they were. */
  const backTo = (arranged: Arrangements) => (version: number) =>
    arrange.mutate({ arranged, version, says: "" }, { onSuccess: () => setBefore(undefined) });
  const told = (task: string, act: TaskTold["act"], count?: number) => {
    if (!known.data) return;
    dayOutbox.add({ id: newId(), task, act, count, at: nowOf(known.data) });
  };
  const mark = (task: string, says: string, to: TaskMark | null) =>
    change(
      says,
      (a) => {
        const rest = Object.fromEntries(Object.entries(a.tasks).filter(([code]) => code !== task));
        return { ...a, tasks: to ? { ...rest, [task]: to } : rest };
      },
      task,
    );
  return {
    day,
    busy: arrange.isPending || take.isPending || planAgain.isPending,
    error: arrange.error ?? take.error ?? planAgain.error,
    planAgain: () => planAgain.mutate(),
    take: (remedy: Remedy) => {
      const arranged = known.data?.arranged;
      take.mutate(remedy, {
        onSuccess: () =>
          setBefore(
            remedy.change || !arranged
              ? undefined
              : { says: say("day.arranged", { what: remedy.what }), plan: null, back: backTo(arranged) },
          ),
      });
    },
    change,
    mark,
    /** Puts a step off by so many minutes, from when it is planned or from now. */
    late: ({ what, starts }: DayTask, minutes: number, now: string) =>
      mark(what.code, say("day.min-later", { title: what.title, minutes }), {
        notBefore: plusMinutes(starts > now ? starts : now.slice(0, 19), minutes),
      }),
    /** Tells that a step is done, or is not after all. */
    tell: (task: string, says: string, act: TaskTold["act"]) => {
      told(task, act);
      setBefore({
        says,
        plan: known.data?.plan ?? null,
        task,
        undone: act === "undone",
        back: () => {
          told(task, act === "done" ? "undone" : "done");
          setBefore(undefined);
        },
      });
    },
    /** Tells what was counted of a step: pieces made or spoilt, or minutes that its tray wants more. */
    count: told,
    done: before && (staysDone(before, waiting.acts, known.data?.plan) ?? before.says),
    /** What became of the plan since; not known while the server has not heard of it. */
    changes:
      before?.plan && known.data?.plan && !waiting.acts.some((a) => a.task === before.task)
        ? changesBetween(before.plan, known.data.plan, before.task)
        : undefined,
    undo: () => before && known.data && before.back(known.data.version),
  };
}

/** What was arranged last, and how things were before. */
export interface Before {
  says: string;
  plan: Plan | null;
  task?: string;
  /** Whether the step was said not to be done after all. */
  undone?: boolean;
  /** Makes it as it was. */
  back: (version: number) => void;
}

/** A step that is done again although it was unticked, as one that comes after it is done; undefined where nothing is amiss. */
export function staysDone(before: Before, waiting: readonly TaskTold[], plan: Plan | null | undefined) {
  if (!before.undone || waiting.some((w) => w.task === before.task)) return undefined;
  const task = plan?.tasks.find((t) => t.what.code === before.task);
  return task?.mark?.done ? say("day.stays-ticked-because-later-step", { title: task.what.title }) : undefined;
}

/** The kitchen's clock, by how long ago this browser was told what it showed. */
export const nowOf = (day: Day & { heardAt: number }) =>
  plusMinutes(day.now.slice(0, 19), (clock.now() - day.heardAt) / 60_000);

/** A day with what was told of it and the server may not know yet. */
export function withTold<D extends Day>(day: D, acts: readonly TaskTold[]): D {
  if (!day.plan || acts.length === 0) return day;
  const last = new Map(acts.filter((a) => a.act === "done" || a.act === "undone").map((a) => [a.task, a]));
  const tasks = day.plan.tasks.map((task) => {
    const told = last.get(task.what.code);
    return told ? { ...task, mark: { ...task.mark, done: told.act === "done" ? told.at : undefined } } : task;
  });
  return { ...day, plan: { ...day.plan, tasks }, progress: acts.reduce(withCounted, day.progress) };
}

/** What was counted of steps, and one thing more. */
function withCounted(progress: Day["progress"], { task, act, count, at }: TaskTold): Day["progress"] {
  if (count == null) return progress;
  const was = progress[task] ?? { made: 0, spoilt: 0, lookAt: null };
  const is = {
    made: { ...was, made: Math.max(0, was.made + count) },
    spoilt: { ...was, spoilt: Math.max(0, was.spoilt + count) },
    notYet: { ...was, lookAt: plusMinutes(at, count) },
    done: was,
    undone: was,
  };
  return { ...progress, [task]: is[act] };
}

export type DayDesk = ReturnType<typeof useDay>;
