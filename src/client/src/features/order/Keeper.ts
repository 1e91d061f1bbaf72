import { ApiError, answer, api, type Order } from "../../api/client";
import type { Clock } from "../../api/clock";
import { sentAs } from "../../api/newId";
import { mayMend, standingOf, waitAfter, type Standing } from "../../api/standing";
import { draftOf, sameDraft, type Draft, type Stored } from "./draft";

export type Keeping = "kept" | "keeping" | "wrong" | "conflict" | "gone" | Exclude<Standing, "refused">;

const pause = 250;
const refusal: Record<number, Keeping> = { 404: "gone", 409: "conflict" };

function keepingOf(error: unknown): Keeping {
  const standing = standingOf(error);
  return standing === "refused" ? (refusal[(error as ApiError).status] ?? "wrong") : standing;
}

/** Where orders are kept. */
export interface Keep {
  create(id: string, draft: Draft): Promise<Order>;
  /** Answers the order's new version. */
  change(id: string, draft: Draft, version: number): Promise<number>;
  read(id: string): Promise<Order>;
}

const atOrder = (id: string) => ({ params: { path: { id } } });

/** The server. */
export const server: Keep = {
  create: (id, draft) =>
    answer(api.POST("/api/orders", { params: { header: sentAs(id) }, body: { ...draft, version: 0 } })),
  change: async (id, draft, version) =>
    (await answer(api.PUT("/api/orders/{id}", { ...atOrder(id), body: { ...draft, version } }))).version,
  read: (id) => answer(api.GET("/api/orders/{id}", atOrder(id))),
};

/** What an order is kept with, and who hears of it. */
interface Means {
  keep: Keep;
  clock: Clock;
  /** Puts by what is not kept yet; nothing once it is. */
  putBy: (stored: Stored | undefined) => void;
  tell: (state: Keeping) => void;
  created: (order: Order) => void;
}

/**
 * Keeps one order on the server while it is typed: every change is put by at once in the browser, then sent, one save after
 * the other. "kept" is told only when the server has answered that it has the last change on disk.
 */
export class Keeper {
  private wanted: Draft;
  private sending: Promise<void> | undefined;
  private cancel: (() => void) | undefined;
  private failures = 0;
  private state: Keeping = "kept";
  private version: number;
  /** Sent, and it is not known whether they were kept: the answers were lost. */
  private unsure: Draft[];

  constructor(
    private readonly id: string,
    version: number,
    private kept: Draft,
    stored: Stored | undefined,
    private readonly means: Means,
  ) {
    this.wanted = kept;
    this.version = stored?.version ?? version;
    this.unsure = stored?.unsure ?? [];
  }

  /** The order is to be like this. */
  want(draft: Draft) {
    this.wanted = draft;
    if (this.dirty) this.putBy();
    else if (!this.sending) this.means.putBy(undefined);
    if (this.state === "conflict" || this.state === "gone" || this.sending) return;
    this.become(this.dirty ? "keeping" : "kept");
    this.later(pause);
  }

  /** Sends what is not kept yet. */
  keep = (): Promise<void> => {
    this.cancel?.();
    if (this.state === "conflict" || this.state === "gone") return Promise.resolve();
    return (this.sending ??= this.send().finally(() => {
      this.sending = undefined;
    }));
  };

  private async send() {
    let sent = this.wanted;
    try {
      while (this.dirty) {
        sent = this.wanted;
        await this.sendOne(sent);
      }
      this.failures = 0;
      this.means.putBy(undefined);
      this.become("kept");
    } catch (error) {
      this.become(keepingOf(error));
      this.putBy();
      if (mayMend(this.state)) this.later(waitAfter(++this.failures, this.means.clock.chance()));
      // What was refused has been typed over meanwhile.
      if (this.state === "wrong" && sent !== this.wanted) this.later(0);
    }
  }

  private async sendOne(sent: Draft) {
    this.unsure.push(sent);
    this.putBy();
    try {
      if (this.version === 0) {
        const order = await this.means.keep.create(this.id, sent);
        this.means.created(order);
        // The same creation may have been answered before, with what was wanted then.
        this.take(order);
      } else {
        this.version = await this.means.keep.change(this.id, sent, this.version);
        this.kept = sent;
      }
    } catch (error) {
      const state = keepingOf(error);
      if (!mayMend(state)) this.unsure.pop();
      if (state !== "conflict" || this.unsure.length === 0) throw error;
      const there = await this.means.keep.read(this.id);
      if (!this.unsure.some((draft) => sameDraft(draft, draftOf(there)))) throw error;
      this.take(there);
    }
    this.unsure = [];
  }

  private take(order: Order) {
    this.version = order.version;
    this.kept = draftOf(order);
  }

  private putBy() {
    this.means.putBy({ version: this.version, draft: this.wanted, unsure: this.unsure });
  }

  /** Ends a conflict: the order as it stands on the server, to be edited from or written over. */
  async theirs(): Promise<Draft> {
    this.take(await this.means.keep.read(this.id));
    this.unsure = [];
    this.become("keeping");
    return this.kept;
  }

  private get dirty() {
    return this.unsure.length > 0 || !sameDraft(this.wanted, this.kept);
  }

  private become(state: Keeping) {
    this.state = state;
    this.means.tell(state);
  }

  private later(milliseconds: number) {
    this.cancel?.();
    this.cancel = this.means.clock.after(milliseconds, () => void this.keep());
  }
}
