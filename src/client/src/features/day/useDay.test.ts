import { expect, test } from "vitest";
import type { Day, Plan, TaskTold } from "../../api/client";
import { staysDone, withTold } from "./useDay";

const plan = (done?: string) =>
  ({ tasks: [{ what: { code: "7/dip.0", title: "Dip 24 rods" }, mark: done ? { done } : null }] }) as unknown as Plan;
const told = (act: TaskTold["act"], task = "7/dip.0"): TaskTold => ({ id: act, task, act, at: "2031-05-01T10:00:00" });
const doneOf = (day: Day) => day.plan?.tasks[0]?.mark?.done;

test("what was ticked shows at once, and what was unticked again does not", () => {
  const day = { plan: plan() } as Day;
  expect(doneOf(withTold(day, [told("done")]))).toBe("2031-05-01T10:00:00");
  expect(doneOf(withTold(day, [told("done"), told("undone")]))).toBeUndefined();
  expect(doneOf(withTold({ plan: plan("2031-05-01T09:00:00") } as Day, [told("undone")]))).toBeUndefined();
  expect(withTold(day, [told("done", "8/dip.0")]).plan).toEqual(day.plan);
});

test("a step that cannot be unticked says which is to be unticked first, once the server has answered", () => {
  const before = { says: "Not done after all.", plan: null, task: "7/dip.0", undone: true, back: () => undefined };
  const stays = "Dip 24 rods stays ticked because a later step is done. Untick that one first.";
  expect(staysDone(before, [], plan("2031-05-01T09:00:00"))).toBe(stays);
  expect(staysDone(before, [told("undone")], plan("2031-05-01T09:00:00"))).toBeUndefined();
  expect(staysDone(before, [], plan())).toBeUndefined();
  expect(staysDone({ ...before, undone: false }, [], plan("2031-05-01T09:00:00"))).toBeUndefined();
});
