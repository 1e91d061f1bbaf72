import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { HowLines } from "../../ui/How";
import { NumberField } from "../../ui/fields";
import { ErrorNote, Waiting } from "../../ui/notes";
import { span, useWording } from "../../ui/units";
import { Words } from "../../ui/Words";
import { listed, say } from "../../wording/say";

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
        label={say("order.melt-by")}
        value={melt.method}
        options={melts.map((m) => ({ value: m.melt.method, label: m.melt.name }))}
        onChange={setMethod}
      />
      <p className="mt-2" data-testid="melting">
        <HowLines what={say("order.melting")} lines={shown.working}>
          <b>{span(melt.heating)}</b>
        </HowLines>{" "}
        {say("order.for-melted", { melted: wording.mass(melted) })}
        {melt.bursts.length > 0 &&
          say("order.with-stirring", { inAll: span(melt.inAll), burstsIn: burstsIn(melt.bursts) })}
        {say("order.off", { off: wording.temperature(Math.round(melt.off)) })}
        {melt.melted < 0.995 && say("order.melted", { melted: Math.round(melt.melted * 100) })}
        {say("order.stirred-settles", { settles: wording.temperature(Math.round(melt.settles)) })}
        {!seeding &&
          melt.coolsToDip >= 30 &&
          say("order.dipping-temperature", { coolsToDip: span(melt.coolsToDip) })}.{" "}
        {melt.keepsWarm && say("order.left-its-lower-setting-stays")}
        {!melt.keepsWarm && !seeding && say("order.can-dipped-with-about-then", { holds: span(melt.holds) })}
        {say("order.never-above", { neverAbove: wording.temperature(neverAbove) })}
      </p>
      <p className="text-ink2 mt-1">{melt.how}</p>
      {melt.warning && <p className="text-mind mt-1">{melt.warning}</p>}
      {seeding && (
        <div className="mt-3 grid items-end gap-x-5 gap-y-2 sm:grid-cols-[1fr_10rem]">
          <p data-testid="seeding">
            {say("order.hold-back")}{" "}
            <HowLines what={say("ui.seed")} lines={seeding.working}>
              <b>{wording.mass(seeding.seeding.seed)}</b>
            </HowLines>{" "}
            {say("order.as-seed-melt-ends-up", {
              melt: wording.mass(seeding.seeding.melt),
              from: wording.temperature(seeding.seeding.from),
              landsAt: wording.temperature(seeding.seeding.landsAt),
            })}{" "}
            <span className={seeding.seeding.held ? "text-ink2" : "text-mind"}>{seeding.seeding.advice}</span>
          </p>
          <NumberField
            label={say("order.melted-2")}
            unit="°C"
            value={from}
            placeholder={String(wording.typed("°C").show(seeding.seeding.from))}
            onChange={setFrom}
            error={melting.isError ? say("order.enter-temperature-from-20-80") : undefined}
          />
        </div>
      )}
    </>
  );
}

/** "5 × 30 s and 10 s". */
function burstsIn(bursts: { times: number; each: number }[]): string {
  return listed(bursts.map((b) => (b.times === 1 ? say("order.s", { each: b.each }) : `${b.times} × ${b.each} s`)));
}
