import { putBy } from "../ui/putBy";
import { answer, api, type Day, type TaskTold } from "./client";
import { clock } from "./clock";
import { Outbox } from "./Outbox";
import { queries } from "./queryClient";

export const dayKey = ["day"];

const under = "told.";
// So many events the server takes at once.
const most = 200;

/** A day with the moment at which it was heard of, by this browser's clock: what it calls now was then. */
export const heard = (day: Day) => ({ ...day, heardAt: clock.now() });

/** Steps that were ticked, or ticked and then not. */
export const dayOutbox = new Outbox<TaskTold>({
  // An id begins with its time, so that what is listed by key is listed by time.
  read: () => putBy.list(under) as TaskTold[],
  put: (told) => putBy.write(under + told.id, told),
  forget: (told) => putBy.forget(under + told.id),
  send: async (events) => {
    queries.setQueryData(dayKey, heard(await answer(api.POST("/api/day/events", { body: { events: [...events] } }))));
  },
  most,
  clock,
});
