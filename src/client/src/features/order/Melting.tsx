import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { HowLines } from "../../ui/How";
import { NumberField } from "../../ui/fields";
import { ErrorNote, Waiting } from "../../ui/notes";
import { span, useWording } from "../../ui/units";
import { Words } from "../../ui/Words";

/** How a pot is melted by the method at hand, how it cools, and what to hold back as seed. */
export function Melting({ coating, grams }: { coating: string; grams: number }) {
  const wording = useWording();
  const [method, setMethod] = useState("microwave-half");
  const [from, setFrom] = useState<number | null>(null);
  const query = { coating, grams: Math.max(1, Math.round(grams)), ...(from === null ? {} : { from }) };
  const melting = useQuery({
    queryKey: ["melting", query],
    queryFn: () => answer(api.GET("/api/melting", { params: { query } })),
    placeholderData: (before) => before,
  });
  if (melting.isError && !melting.data) return <ErrorNote error={melting.error} retry={() => void melting.refetch()} />;
  if (!melting.data) return <Waiting />;
  const { melted, melts, seeding, neverAbove } = melting.data;
  const shown = melts.find((m) => m.melt.method === method) ?? melts[0];
  if (!shown) return null;
  const { melt } = shown;
  return (
    <>
      <Words
        label="Melted by"
        value={melt.method}
        options={melts.map((m) => ({ value: m.melt.method, label: m.melt.name }))}
        onChange={setMethod}
      />
      <p className="mt-2" data-testid="melting">
        <HowLines what="melting" lines={shown.working}>
          <b>{span(melt.heating)}</b>
        </HowLines>{" "}
        for {wording.mass(melted)}
        {melt.bursts.length > 0 && `, ${span(melt.inAll)} with stirring: ${burstsIn(melt.bursts)}`}. Off at{" "}
        {wording.temperature(Math.round(melt.off))}
        {melt.melted < 0.995 && `, ${Math.round(melt.melted * 100)} % melted`}; stirred it comes to{" "}
        {wording.temperature(Math.round(melt.settles))}
        {!seeding && melt.coolsToDip >= 30 && `, and in ${span(melt.coolsToDip)} to dipping temperature`}.{" "}
        {melt.keepsWarm && "Left on its lower setting it stays warm. "}
        {!melt.keepsWarm && !seeding && `It can be dipped with for about ${span(melt.holds)}, then warm it again. `}
        Never above {wording.temperature(neverAbove)}.
      </p>
      <p className="text-ink2 mt-1">{melt.how}</p>
      {melt.warning && <p className="text-mind mt-1">{melt.warning}</p>}
      {seeding && (
        <div className="mt-3 grid items-end gap-x-5 gap-y-2 sm:grid-cols-[1fr_10rem]">
          <p data-testid="seeding">
            Hold back{" "}
            <HowLines what="seed" lines={seeding.working}>
              <b>{wording.mass(seeding.seeding.seed)}</b>
            </HowLines>{" "}
            as seed and melt {wording.mass(seeding.seeding.melt)} to {wording.temperature(seeding.seeding.from)}: it
            lands at {wording.temperature(seeding.seeding.landsAt)}.{" "}
            <span className={seeding.seeding.held ? "text-ink2" : "text-mind"}>{seeding.seeding.advice}</span>
          </p>
          <NumberField
            label="Melted to"
            unit="°C"
            value={from}
            placeholder={String(wording.typed("°C").show(seeding.seeding.from))}
            onChange={setFrom}
            error={melting.isError ? "Enter a temperature from 20 to 80 °C." : undefined}
          />
        </div>
      )}
    </>
  );
}

/** "5 × 30 s and 10 s". */
function burstsIn(bursts: { times: number; each: number }[]): string {
  const parts = bursts.map((b) => (b.times === 1 ? `${b.each} s` : `${b.times} × ${b.each} s`));
  return parts.length === 1 ? (parts[0] ?? "") : `${parts.slice(0, -1).join(", ")} and ${parts[parts.length - 1]}`;
}
