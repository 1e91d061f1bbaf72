import { ApiError, answer, api, type Order } from "../../api/client";
import { sentAs } from "../../api/newId";
import { draftOf, forgetDraft, sameDraft, storeDraft, type Draft } from "./draft";

export type Keeping = "kept" | "keeping" | "wrong" | "unreachable" | "conflict" | "gone";

const pause = 250;
const retry = 2000;
const failure: Record<number, Keeping> = { 400: "wrong", 404: "gone", 409: "conflict" };

/**
 * Keeps one order on the server while it is typed: every change is put by at once in the browser, then sent, one save after
 * the other. "kept" is told only when the server has answered that it has the last change on disk.
 */
export class Keeper {
  private wanted: Draft;
  private sending: Promise<void> | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private state: Keeping = "kept";

  constructor(
    private readonly id: string,
    private version: number,
    private kept: Draft,
    private readonly tell: (state: Keeping) => void,
    private readonly created: (order: Order) => void,
  ) {
    this.wanted = kept;
  }

  /** The order is to be like this. */
  want(draft: Draft) {
    this.wanted = draft;
    if (this.dirty) storeDraft(this.id, { version: this.version, draft });
    else if (!this.sending) forgetDraft(this.id);
    if (this.state === "conflict" || this.state === "gone" || this.sending) return;
    this.become(this.dirty ? "keeping" : "kept");
    this.later(pause);
  }

  /** Sends what is not kept yet. */
  keep = (): Promise<void> => {
    clearTimeout(this.timer);
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
        const body = { ...sent, version: this.version };
        if (this.version === 0) {
          const header = sentAs(this.id);
          const order = await answer(api.POST("/api/orders", { params: { header }, body }));
          this.version = order.version;
          this.created(order);
          // The same creation may have been answered before, with what was wanted then.
          this.kept = draftOf(order);
          if (sameDraft(this.kept, sent)) continue;
        }
        this.version = (
          await answer(api.PUT("/api/orders/{id}", { ...this.path, body: { ...sent, version: this.version } }))
        ).version;
        this.kept = sent;
      }
      forgetDraft(this.id);
      this.become("kept");
    } catch (error) {
      this.become(failure[error instanceof ApiError ? error.status : 0] ?? "unreachable");
      storeDraft(this.id, { version: this.version, draft: this.wanted });
      if (this.state === "unreachable") this.later(retry);
      // What was refused has been typed over meanwhile.
      if (this.state === "wrong" && sent !== this.wanted) this.later(0);
    }
  }

  /** Ends a conflict: the order as it stands on the server, to be edited from or written over. */
  async theirs(): Promise<Draft> {
    const order = await answer(api.GET("/api/orders/{id}", this.path));
    this.version = order.version;
    this.kept = draftOf(order);
    this.become("keeping");
    return this.kept;
  }

  private get path() {
    return { params: { path: { id: this.id } } };
  }

  private get dirty() {
    return !sameDraft(this.wanted, this.kept);
  }

  private become(state: Keeping) {
    this.state = state;
    this.tell(state);
  }

  private later(milliseconds: number) {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.keep(), milliseconds);
  }
}
