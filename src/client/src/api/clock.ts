/** What tells the time and wakes one later; tests have their own. */
export interface Clock {
  /** Milliseconds since 1970. */
  now(): number;
  /** Does something after so many milliseconds, unless what it answers is called before. */
  after(milliseconds: number, act: () => void): () => void;
  /** From 0 to 1. */
  chance(): number;
}

export const clock: Clock = {
  now: Date.now,
  after(milliseconds, act) {
    const timer = setTimeout(act, milliseconds);
    return () => clearTimeout(timer);
  },
  chance: Math.random,
};
