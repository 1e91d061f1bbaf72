import { useState } from "react";
import type { SafetyNote } from "../../api/client";
import { clock as browserClock } from "../../api/clock";
import { putBy } from "../../ui/putBy";
import { span } from "../../ui/units";
import { big } from "./big";

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
        Out of the cold <b className={spent > most ? "text-mind" : ""}>{span(spent)}</b> of {span(most)}
        {spent > most && " · too long: don’t hand these out"}
      </p>
      {out.since === null ? (
        <button className={`${big} px-6 text-[21px]`} onClick={() => keep({ ...out, since: browserClock.now() })}>
          It’s out of the cold
        </button>
      ) : (
        <button className={`${big} px-6 text-[21px]`} onClick={() => keep({ before: spent, since: null })}>
          Back in the cold
        </button>
      )}
    </div>
  );
}
