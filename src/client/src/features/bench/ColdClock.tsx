import { useState } from "react";
import type { SafetyNote } from "../../api/client";
import { clock as browserClock } from "../../api/clock";
import { putBy } from "../../ui/putBy";
import { span } from "../../ui/units";
import { big } from "./big";
import { say } from "../../wording/say";

interface Out {
  /** Spent out of the cold before, in s. */
  before: number;
  /** Since when it is out, in ms; nothing while it is in the cold. */
  since: number | null;
}

const keyOf = (order: string) => `bench.cold.${order}`;

/** How long what spoils has been out of the cold in all, for an order; it runs on while the page is shut. */
export function ColdClock({ order, note }: { order: string; note: SafetyNote }) {
  const [out, setOut] = useState<Out>(
    () => (putBy.read(keyOf(order)) as Out | undefined) ?? { before: 0, since: null },
  );
  const most = note.atMost ?? 0;
  const spent = out.before + (out.since === null ? 0 : (browserClock.now() - out.since) / 1000);
  const keep = (next: Out) => {
    putBy.write(keyOf(order), next);
    setOut(next);
  };
  return (
    <div className="mt-3 flex flex-wrap items-center gap-x-6 gap-y-2" data-testid="cold-clock">
      <p className="text-[21px]" role="timer" aria-live="off">
        {say("bench.out-fridge")} <b className={spent > most ? "text-mind" : ""}>{span(spent)}</b>{" "}
        {say("bench.of-most", { most: span(most) })}
        {spent > most && say("bench.too-long-dont-hand-these")}
      </p>
      {out.since === null ? (
        <button className={`${big} px-6 text-[21px]`} onClick={() => keep({ ...out, since: browserClock.now() })}>
          {say("bench.its-out-fridge")}
        </button>
      ) : (
        <button className={`${big} px-6 text-[21px]`} onClick={() => keep({ before: spent, since: null })}>
          {say("bench.back-fridge")}
        </button>
      )}
    </div>
  );
}
