import { expect, test } from "vitest";
import type { Plan } from "../../api/client";
import { changesBetween, inSteps } from "./moves";
import { onScreen, roundsOf, scaleOf } from "./times";

const task = (code: string, starts: string, stage = "dip") => ({
  what: { code, title: code, stage, pots: [] },
  starts: `2031-05-03T${starts}:00`,
  ends: `2031-05-03T${starts.slice(0, 3)}${String(Number(starts.slice(3)) + 10).padStart(2, "0")}:00`,
  worker: "me",
  mark: null,
});
const plan = (tasks: ReturnType<typeof task>[], ready = "15:00") =>
  ({
    tasks,
    orders: [{ order: "1", pickup: "2031-05-03T16:00:00", ready: `2031-05-03T${ready}:00` }],
  }) as unknown as Plan;

test("what moves besides the step that was moved is told, and what follows a pot is not", () => {
  const before = plan([task("a", "10:00"), task("b", "11:00"), task("c", "12:00"), task("melt", "09:00", "melt")]);
  const after = plan([task("a", "10:30"), task("b", "11:20"), task("c", "12:02"), task("melt", "09:30", "melt")]);
  expect(changesBetween(before, after, "a")).toEqual({
    moved: [{ title: "b", from: "2031-05-03T11:00:00", to: "2031-05-03T11:20:00" }],
    late: [],
  });
  expect(changesBetween(before, plan(after.tasks as never, "16:20"), undefined).late).toEqual(["1"]);
});

test("a height on the page is the time that is drawn there", () => {
  const day = plan([task("a", "10:00"), task("b", "10:30"), task("c", "13:00")]);
  const scale = scaleOf(day, "2031-05-03", onScreen);
  for (const t of day.tasks) expect(scale.at(scale.y(t.starts)).slice(0, 16)).toBe(t.starts.slice(0, 16));
  expect(inSteps(12)).toBe(10);
});

test("what lies on sheets leaves a round, however little of one it fills, and boxes do not", () => {
  const day = {
    ...plan([task("a", "10:00"), task("b", "10:20", "pack")]),
    melts: [],
    trays: [
      { task: "a", trays: 0.5 },
      { task: "b", trays: 2 },
    ],
  } as unknown as Plan;
  expect(roundsOf(day, "2031-05-03").flatMap((r) => r.trays.map((t) => t.task))).toEqual(["a"]);
});
