import { ApiError, type Entry } from "../../api/client";
import type { Draft } from "./draft";
import { listed, say } from "../../wording/say";

/** What a text says of the whole order, put onto the order: what it does not say stays as it is. */
export function takeOrder(draft: Draft, said: Entry["order"]): Draft {
  const [day, time] = (draft.pickup ?? "T").split("T");
  const pickup = said.day ?? day;
  const at = said.time?.slice(0, 5) ?? (time || "12:00").slice(0, 5);
  return {
    ...draft,
    name: said.name ?? draft.name,
    pickup: pickup ? `${pickup}T${at}:00` : draft.pickup,
    handover: said.handover ?? draft.handover,
    place: said.place ?? draft.place,
    packing: [
      ...(draft.packing ?? []).filter((p) => !said.packing.some((s) => s.supply === p.supply)),
      ...said.packing,
    ],
    allergies: [...new Set([...(draft.allergies ?? []), ...said.allergies])],
  };
}

/** What was understood, in one sentence for who cannot see the chips. */
export function understood(entry: Entry): string {
  const lines = entry.lines.map((line, i) => {
    const says = line.chips.map((c) => (c.reading === "read" ? c.says : `${c.says} ${c.reading}`)).join(", ");
    return entry.lines.length > 1 ? say("order.line", { number: i + 1, says }) : `${says}.`;
  });
  const order =
    entry.order.chips.length > 0
      ? [say("order.order", { chips: entry.order.chips.map((c) => c.says).join(", ") })]
      : [];
  return [...order, ...lines, ...entry.notUnderstood.map((u) => say("order.not-used", { text: u.text }))].join(" ");
}

/** Everything that will be ignored, for the button that ignores it. */
export const without = (ignored: Entry["notUnderstood"]) =>
  ignored.length === 0 ? "" : say("order.without-2", { ignored: listed(ignored.map((u) => `“${u.text}”`)) });

/** Whether the server did not answer at all. */
export const isOffline = (error: Error) => !(error instanceof ApiError);
