import type { OrderState } from "../api/client";

/** How far an order is, in the maker's words and colours. */
export const states: Record<OrderState, { name: string; tone: string }> = {
  asked: { name: "asked", tone: "text-ink2" },
  quoted: { name: "quoted", tone: "text-mind" },
  agreed: { name: "agreed", tone: "text-act" },
  made: { name: "made", tone: "text-go" },
  handedOver: { name: "handed over", tone: "text-go" },
  cancelled: { name: "cancelled", tone: "text-ink2 line-through" },
};

export const stateOrder = Object.keys(states) as OrderState[];
