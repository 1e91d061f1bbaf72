import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import type { Reference } from "../../api/client";
import { pieceName, risksQuery } from "../../api/queries";
import { NumberField } from "../../ui/fields";
import { ErrorNote, Waiting } from "../../ui/notes";
import { Sheet } from "../../ui/Sheet";
import { useWording } from "../../ui/units";
import type { Draft } from "./draft";
import { capital, say } from "../../wording/say";

/** What may go wrong with the order, here, on the day, and what makes it less likely. */
export function BeforeYouStart({ id, draft, reference }: { id: string; draft: Draft; reference: Reference }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button className="text-act font-semibold" onClick={() => setOpen(true)}>
        {say("order.before-you-start")}
      </button>
      {open && (
        <Sheet open close={() => setOpen(false)} title={say("order.before-you-start")}>
          <Risks id={id} draft={draft} reference={reference} />
        </Sheet>
      )}
    </>
  );
}

function Risks({ id, draft, reference }: { id: string; draft: Draft; reference: Reference }) {
  const wording = useWording();
  const [air, setAir] = useState<number | null>(null);
  const [humidity, setHumidity] = useState<number | null>(null);
  const risks = useQuery({ ...risksQuery(id, air, humidity), placeholderData: (before) => before });
  const nameOf = (line: number | null) => {
    const at = line === null ? undefined : draft.lines[line];
    return at?.centre && at.size ? pieceName(reference, at.centre, at.size) : say("ui.order-2");
  };
  return (
    <>
      <p className="text-ink2 mt-1">{say("order.what-days-air-these-looks")}</p>
      <div className="mt-3 grid max-w-72 grid-cols-2 gap-4">
        <NumberField
          label={say("order.air-kitchen")}
          unit="°C"
          value={air}
          placeholder={risks.data ? wording.degrees(risks.data.air) : ""}
          onChange={setAir}
        />
        <NumberField
          label={say("ui.humidity")}
          unit="%"
          value={humidity === null ? null : Math.round(humidity * 100)}
          placeholder={risks.data ? String(Math.round(risks.data.humidity * 100)) : ""}
          onChange={(percent) => setHumidity(percent === null ? null : percent / 100)}
        />
      </div>
      {risks.error && <ErrorNote error={risks.error} />}
      {risks.isPending && <Waiting />}
      {risks.data?.risks.length === 0 && (
        <p role="status" className="border-go bg-ground mt-4 border-l-4 px-4 py-2">
          {say("order.nothing-worry-about-humidity", {
            air: wording.temperature(risks.data.air),
            humidity: Math.round(risks.data.humidity * 100),
          })}
        </p>
      )}
      <ul className="mt-4">
        {risks.data?.risks.map((r) => (
          <li key={`${r.code}.${r.line ?? ""}`} className="border-line border-t border-dashed py-3">
            <span className="text-ink2 block text-[15px]">{capital(nameOf(r.line))}</span>
            <b className="block">{r.says}</b>
            {r.do}
          </li>
        ))}
      </ul>
      <p className="mt-3">
        <Link className="text-act font-semibold" to="/trouble">
          {say("order.something-has-gone-wrong-already")}
        </Link>
      </p>
    </>
  );
}
