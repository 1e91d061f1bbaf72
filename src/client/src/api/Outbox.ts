import type { Clock } from "./clock";
import { mayMend, standingOf, waitAfter, type Standing } from "./standing";

/** What the server refused for good, and why. */
export interface Turned<T> {
  act: T;
  why: string;
}

/** What waits to be sent, oldest first, why it still waits, and what was turned away. */
export interface Waiting<T> {
  acts: readonly T[];
  standing: Standing | undefined;
  turned: readonly Turned<T>[];
}

interface Post<T> {
  /** What is put by in this browser, oldest first. */
  read(): readonly T[];
  put(act: T): void;
  forget(act: T): void;
  /** Sends some, oldest first; the server counts each once, however often it is sent. */
  send(acts: readonly T[]): Promise<void>;
  /** How many are sent at once. */
  most: number;
  clock: Clock;
}

/**
 * What was done and the server may not know yet. It is put by before anything else, sent in its order, and sent again until the server
 * has answered: a page that is closed, a server that stops or an hour without network lose nothing.
 */
export class Outbox<T extends { id: string }> {
  private waiting: Waiting<T> = { acts: [], standing: undefined, turned: [] };
  private together: number;
  private failures = 0;
  private sending = false;
  private cancel: (() => void) | undefined;
  private readonly hearers = new Set<() => void>();

  constructor(private readonly post: Post<T>) {
    this.together = post.most;
  }

  now = () => this.waiting;

  /** Calls whenever something changes, until what it answers is called. */
  hear = (hearer: () => void) => {
    this.hearers.add(hearer);
    return () => void this.hearers.delete(hearer);
  };

  /** Takes up what whoever signed in has put by. */
  open() {
    const known = new Set(this.waiting.acts.map((a) => a.id));
    const before = this.post.read();
    if (before.length !== known.size || before.some((a) => !known.has(a.id))) this.become({ acts: before, turned: [] });
    void this.flush();
  }

  add(act: T) {
    this.post.put(act);
    this.become({ acts: [...this.waiting.acts, act] });
    void this.flush();
  }

  /** Sends what waits, now and not when it was to be tried again: the network may be back. */
  flush = async (): Promise<void> => {
    if (this.sending) return;
    this.cancel?.();
    this.sending = true;
    try {
      while (this.waiting.acts.length > 0 && (await this.sendSome()));
    } finally {
      this.sending = false;
      this.together = this.post.most;
    }
  };

  /** What was turned away was read. */
  dismiss = () => this.become({ turned: [] });

  /** Whether to go on. */
  private async sendSome(): Promise<boolean> {
    const some = this.waiting.acts.slice(0, this.together);
    try {
      await this.post.send(some);
      this.settle(some);
    } catch (error) {
      const standing = standingOf(error);
      if (standing !== "refused") {
        this.wait(standing);
        return false;
      }
      // One of several is refused: each is sent by itself, so that it holds up no other.
      if (some.length > 1) this.together = 1;
      else this.settle(some, (error as Error).message);
    }
    return true;
  }

  /** These need not be sent again: they are taken down, or were turned away. */
  private settle(some: readonly T[], why?: string) {
    const ids = new Set(some.map((a) => a.id));
    some.forEach((a) => this.post.forget(a));
    this.failures = 0;
    this.become({
      acts: this.waiting.acts.filter((a) => !ids.has(a.id)),
      standing: undefined,
      turned: why === undefined ? this.waiting.turned : [...this.waiting.turned, ...some.map((act) => ({ act, why }))],
    });
  }

  private wait(standing: Standing) {
    this.failures++;
    this.become({ standing });
    // Whoever signs in again opens it again.
    if (!mayMend(standing)) return;
    const { clock } = this.post;
    this.cancel = clock.after(waitAfter(this.failures, clock.chance()), () => void this.flush());
  }

  private become(part: Partial<Waiting<T>>) {
    this.waiting = { ...this.waiting, ...part };
    this.hearers.forEach((hear) => hear());
  }
}
