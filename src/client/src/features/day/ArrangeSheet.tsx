import { dayOf } from "../../ui/localTime";
import { useState } from "react";
import { TimeField } from "../../ui/fields";
import { Sheet } from "../../ui/Sheet";
import { dayName } from "../../ui/units";
import { fromTo } from "./times";
import type { DayDesk } from "./useDay";
import { say } from "../../wording/say";

/** Something that is so from one time of a day to another, "HH:MM:SS". */
export interface Spell {
  title: string;
  note: string;
  act: string;
  from: string;
  to: string;
  take: (from: string, to: string) => void;
}

/** Asks from when to when something is so: other hours, a helper, a place that is away. */
export function ArrangeSheet({ spell, close }: { spell: Spell; close: () => void }) {
  const [from, setFrom] = useState(spell.from);
  const [to, setTo] = useState(spell.to);
  const wrong = from >= to ? say("day.ends-before-starts-choose-later") : undefined;
  return (
    <Sheet open close={close} title={spell.title}>
      <p className="text-ink2 mt-1">{spell.note}</p>
      <form
        className="mt-4 flex flex-wrap items-start gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (wrong) return;
          spell.take(from, to);
          close();
        }}
      >
        <TimeField label={say("day.from")} value={from} onChange={setFrom} />
        <TimeField label={say("day.to")} value={to} onChange={setTo} error={wrong} />
        <button className="bg-act text-on-act mt-5 rounded-full px-4 py-1.5 font-bold">{spell.act}</button>
      </form>
    </Sheet>
  );
}

/** That some of a place is not there for some hours of a day, from a local time on. */
export function away(desk: DayDesk, place: string, what: string, change: number, since: string): Spell {
  const day = dayOf(since);
  const title = say("day.what-on-day", { what, day: dayName(day) });
  return {
    title,
    note: say("day.what-was-planned-elsewhere-or"),
    act: say("day.plan-without"),
    from: since.slice(11, 19),
    to: "23:59:00",
    take: (from, to) =>
      desk.change(`${title}, ${fromTo({ from, to })}.`, (a) => ({
        ...a,
        places: [...a.places, { place, change, from: `${day}T${from}`, to: `${day}T${to}` }],
      })),
  };
}
