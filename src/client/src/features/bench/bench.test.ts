import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { DayTask, DayTray, Plan } from "../../api/client";
import { plusMinutes } from "../../ui/localTime";
import { benchOf, countdown, phasesOf, timersOf } from "./bench";

const day = "2031-05-03";
const at = (minutes: number) => plusMinutes(`${day}T08:00:00`, minutes);

const task = (code: string, starts: number, more: Partial<DayTask> = {}): DayTask => ({
  what: {
    code,
    order: "1",
    stage: "dip",
    title: `Dip ${code}`,
    for: code,
    text: "",
    why: "",
    source: { kind: "commonPractice", where: null } as unknown as DayTask["what"]["source"],
    lines: [0],
    pieces: 12,
    round: null,
    pots: [],
    atMost: null,
  },
  starts: at(starts),
  ends: at(starts + 10),
  worker: "me",
  slack: 0,
  mark: null,
  ...more,
});
const done = (minutes: number) => ({ mark: { done: at(minutes) } as DayTask["mark"] });
const tray = (from: DayTask, more: Partial<DayTray> = {}): DayTray => ({
  task: from.what.code,
  order: "1",
  title: "12 rods",
  place: "counter",
  trays: 1,
  pieces: 12,
  pots: [],
  starts: from.ends,
  ends: at(300),
  set: null,
  outBy: null,

  ...more,
});
const planOf = (tasks: DayTask[], trays: DayTray[] = []) =>
  ({ tasks, trays, melts: [], orders: [] }) as unknown as Plan;

describe("the step at the bench", () => {
  it("is the first that is not done, and comes back when it was put off and nothing else is left", () => {
    const plan = planOf([task("a", 0, done(8)), task("b", 10), task("c", 20)]);
    const first = benchOf(plan, at(12), "me", []);
    expect([first.step?.what.code, first.number, first.of]).toEqual(["b", 2, 3]);
    const held = benchOf(plan, at(12), "me", ["b"]);
    expect([held.step?.what.code, held.then.map((t) => t.what.code)]).toEqual(["c", ["b"]]);
    const last = benchOf(planOf([task("a", 0, done(8)), task("b", 10)]), at(12), "me", ["b"]);
    expect([last.step?.what.code, last.held]).toEqual(["b", []]);
  });

  it("is each helper's own, and one that nobody is free for the maker's", () => {
    const plan = planOf([task("a", 0, { worker: "helper.1" }), task("b", 5, { worker: "nobody" }), task("c", 9)]);
    expect(benchOf(plan, at(0), "helper.1", []).step?.what.code).toBe("a");
    expect(benchOf(plan, at(0), "me", []).step?.what.code).toBe("b");
  });

  it("is none when today is done; the first of a later day is named", () => {
    const bench = benchOf(planOf([task("a", 0, done(8)), task("b", 24 * 60)]), at(30), "me", []);
    expect([bench.step, bench.later?.what.code]).toEqual([undefined, "b"]);
  });

  it("forgets no open step of today, whatever is put off", () => {
    const plan = planOf(["a", "b", "c", "d"].map((code, i) => task(code, i * 10)));
    fc.assert(
      fc.property(fc.subarray(["a", "b", "c", "d", "gone"]), (onHold) => {
        const bench = benchOf(plan, at(0), "me", onHold);
        const seen = new Set([bench.step, ...bench.then, ...bench.held].map((t) => t?.what.code));
        onHold.filter((code) => code !== "gone").forEach((code) => expect(seen).toContain(code));
        expect(bench.step).toBeDefined();
      }),
    );
  });
});

describe("a tray's timer", () => {
  const dip = task("dip", 0, done(10));
  const pack = task("pack", 300);

  it("waits for touch-dry, then for hard, then to come out of the cold", () => {
    const plan = planOf([dip, pack], [tray(dip, { dry: at(14), set: at(20), outBy: at(40), ends: at(300) })]);
    const phase = (minutes: number) => timersOf(plan, at(minutes), {})[0];
    expect(phase(11)).toMatchObject({ phase: "dry", at: at(14), over: false, gone: 0.25 });
    expect(phase(15)?.phase).toBe("set");
    expect(phase(25)?.phase).toBe("out");
    expect(phase(45)).toMatchObject({ phase: "out", over: true, gone: 1 });
  });

  it("waits on where it was looked at and had not set", () => {
    const laid = tray(dip, { set: at(20) });
    expect(phasesOf(laid, at(26))).toEqual([{ phase: "set", at: at(26) }]);
    expect(phasesOf(laid, at(18))).toEqual([{ phase: "set", at: at(20) }]);
  });

  it("begins when its step is done, and stays until what takes it away is done too, however late that is", () => {
    const laid = tray(dip, { set: at(20), ends: at(300) });
    expect(timersOf(planOf([task("dip", 0), pack], [laid]), at(12), {})).toEqual([]);
    expect(timersOf(planOf([dip, pack], [laid]), at(330), {})).toHaveLength(1);
    expect(timersOf(planOf([dip, task("pack", 300, done(331))], [laid]), at(332), {})).toEqual([]);
  });

  it("counts down in minutes and seconds, and says since when it is over", () => {
    expect(countdown(`${day}T08:00:10`, `${day}T08:03:50`)).toBe("3:40");
    expect(countdown(at(0), at(65))).toBe("1 h 05");
    expect(countdown(at(30), at(26))).toBe("since 08:26");
  });
});
