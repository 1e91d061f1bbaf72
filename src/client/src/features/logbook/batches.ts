import type { LoggedBatch } from "../../api/client";
import { percentSign, say } from "../../wording/say";

/** How far a batch was off its plan, as a share; null when it was not weighed. */
export const offBy = ({ weighed, planned }: Pick<LoggedBatch, "weighed" | "planned">) =>
  weighed === null || planned <= 0 ? null : weighed / planned - 1;

/** A share with its sign: +24 %, −3 %. */
export const plusMinus = (share: number) => {
  const percent = Math.round(share * 100);
  if (percent === 0) return say("logbook.as-planned");
  return `${percent > 0 ? "+" : "−"}${Math.abs(percent)}${percentSign}`;
};

export interface Group {
  key: string;
  name: string;
  batches: LoggedBatch[];
}

/** Batches of the same pieces in the same colour, the kind with most of them first; each oldest first. */
export function groupsOf(batches: LoggedBatch[]): Group[] {
  const groups = new Map<string, Group>();
  for (const batch of batches) {
    const group = groups.get(batch.groups) ?? { key: batch.groups, name: batch.name, batches: [] };
    group.batches.unshift(batch);
    groups.set(batch.groups, group);
  }
  return [...groups.values()].sort((a, b) => b.batches.length - a.batches.length);
}

/** A share between 0 and 1 of a scale that has as much on either side of what the tables say: half to double. */
export const onScale = (times: number) => Math.min(1, Math.max(0, 0.5 + Math.log2(times) / 1.4));

/** A row of a name, something drawn and what is said of it. */
export const row =
  "border-line grid items-center gap-x-6 border-t border-dashed py-1.5 sm:grid-cols-[11rem_minmax(0,18.5rem)_minmax(0,1fr)]";
