import type { OrderState } from "../api/client";
import { say } from "../wording/say";

/** How far an order is, in the maker's words and colours. */
export const states: Record<OrderState, { name: string; tone: string }> = {
  asked: { name: say("ui.inquiry"), tone: "text-ink2" },
  quoted: { name: say("ui.quoted"), tone: "text-mind" },
  agreed: { name: say("ui.confirmed"), tone: "text-act" },
  made: { name: say("ui.made"), tone: "text-go" },
  handedOver: { name: say("ui.picked-up"), tone: "text-go" },
  cancelled: { name: say("ui.cancelled"), tone: "text-ink2 line-through" },
};

export const stateOrder = Object.keys(states) as OrderState[];
