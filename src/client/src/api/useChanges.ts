import { useQueryClient, type QueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { dayOutbox } from "./dayOutbox";
import { sessionQuery } from "./queries";

// An order that is open is edited here: what others make of it meanwhile comes up when it is saved.
const edited = ["session", "order", "sharedQuote"];
const of: Record<string, string[]> = {
  stock: ["pantry", "shopping", "tally", "price", "shelf", "used"],
  orders: ["shelf", "orders", "shared", "shopping", "looks", "day", "quote"],
  day: ["day"],
  readings: ["pot"],
  devices: ["devices", "pot"],
};

/** Whether what a query holds is another once something of the kitchen has changed. */
export const isTouched = (key: unknown, change: string) =>
  of[change]?.includes(String(key)) ?? !edited.includes(String(key));

// A page that is only passed through opens no stream; what changed until there is one is asked for when it opens.
const settled = 1_500;
const together = 80;
const again = 10_000;
// A server that is started again is back before anybody need know.
const patience = 4_000;

/** Listens to what changes in the kitchen, by whomever, as long as the page is looked at, and whether the server is there. */
function listen(queries: QueryClient, tellAway: (away: boolean) => void) {
  let stream: EventSource | undefined;
  let missed = true;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let retry: ReturnType<typeof setTimeout> | undefined;
  let losing: ReturnType<typeof setTimeout> | undefined;
  const heard = new Set<string>();
  const hear = (change: string) => {
    heard.add(change);
    timer ??= setTimeout(() => {
      const changes = [...heard];
      heard.clear();
      timer = undefined;
      void queries.invalidateQueries({ predicate: (q) => changes.some((c) => isTouched(q.queryKey[0], c)) });
    }, together);
  };
  const open = () => {
    clearTimeout(retry);
    if (stream || document.hidden) return;
    stream = new EventSource("/api/changes");
    stream.addEventListener("open", () => {
      clearTimeout(losing);
      losing = undefined;
      tellAway(false);
      void dayOutbox.flush();
      if (missed) hear("all");
      missed = false;
    });
    stream.addEventListener("change", (event: MessageEvent<string>) => {
      hear(event.data);
    });
    stream.addEventListener("error", () => {
      missed = true;
      losing ??= setTimeout(() => tellAway(true), patience);
      // The browser tries again by itself, but not after a refusal: then the session may be over.
      if (stream?.readyState !== EventSource.CLOSED) return;
      stream = undefined;
      void queries.invalidateQueries({ queryKey: sessionQuery.queryKey });
      retry = setTimeout(open, again);
    });
  };
  const close = () => {
    clearTimeout(retry);
    clearTimeout(losing);
    losing = undefined;
    stream?.close();
    stream = undefined;
  };
  const turn = () => {
    if (document.hidden) {
      close();
      missed = true;
    } else open();
  };
  retry = setTimeout(open, settled);
  document.addEventListener("visibilitychange", turn);
  return () => {
    document.removeEventListener("visibilitychange", turn);
    clearTimeout(timer);
    close();
  };
}

/** Keeps what is shown as it is in the kitchen: what another device or person changes is here at once. Tells whether the server is away. */
export function useChanges(): boolean {
  const queries = useQueryClient();
  const [away, setAway] = useState(false);
  useEffect(() => listen(queries, setAway), [queries]);
  return away;
}
