import type { Clock } from "./clock";

/** A clock for tests: it stands still until somebody moves it. */
export function handClock() {
  let time = 0;
  let due: { at: number; act: () => void }[] = [];
  const clock: Clock = {
    now: () => time,
    after(milliseconds, act) {
      const one = { at: time + milliseconds, act };
      due.push(one);
      return () => void (due = due.filter((d) => d !== one));
    },
    chance: () => 0.5,
  };
  return {
    clock,
    /** The next thing that is due is done, and what it sets going comes to an end; whether there was one. */
    async next() {
      const [first] = due.sort((a, b) => a.at - b.at);
      if (!first) return false;
      due = due.filter((d) => d !== first);
      time = first.at;
      first.act();
      await quiet();
      return true;
    },
    wakesIn: () => due.map((d) => d.at - time),
  };
}

/** Until all promises that can be kept now are. */
export const quiet = () => new Promise((done) => setImmediate(done));
