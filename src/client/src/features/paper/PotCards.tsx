import type { Pot, Reference, Tally } from "../../api/client";
import { colourOf, vesselOf, wayOf } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { tablespoons, useWording } from "../../ui/units";
import { Temperatures } from "./Temperatures";
import { say } from "../../wording/say";

/** A card for each pot: what to melt, how to thin and colour it, how warm, how to dip. */
export function PotCards({ tally, reference }: { tally: Tally; reference: Reference }) {
  const pages = Array.from({ length: Math.ceil(tally.pots.length / 4) }, (_, i) => tally.pots.slice(i * 4, i * 4 + 4));
  return pages.map((pots, i) => (
    <div
      key={i}
      className="paper paper-a4 grid grid-cols-2 grid-rows-2 shadow-lg print:shadow-none"
      data-testid="pot-cards"
    >
      {pots.map((pot) => (
        <Card key={pot.key} pot={pot} reference={reference} />
      ))}
    </div>
  ));
}

function Card({ pot, reference }: { pot: Pot; reference: Reference }) {
  const wording = useWording();
  const colour = colourOf(reference, pot.coating, pot.colour);
  const coating = reference.coatings.find((c) => c.code === pot.coating);
  const thinner = reference.thinners.find((t) => t.code === pot.thinner?.code);
  return (
    <article className="overflow-hidden border border-dashed border-[#c3b8aa] p-[7mm] text-[11.5pt] leading-snug">
      <h2 className="font-serif text-[20pt] leading-tight">
        <Dot srgb={colour?.srgb ?? "#888888"} />
        {colour?.name}
      </h2>
      <p>{coating?.name}</p>
      <p className="mt-2 text-[17pt] font-bold">{say("paper.melt", { toMelt: wording.mass(pot.toMelt.value) })}</p>
      <p>
        {say("paper.coating", { ofCoating: wording.mass(pot.ofCoating) })}
        {pot.melts.length > 1 &&
          say("paper.batches", { count: pot.melts.length, melts: pot.melts.map(wording.mass).join(", ") })}
      </p>
      {pot.thinner && (
        <p>
          <b>{tablespoons(pot.thinner.tablespoons)}</b> {say("ui.of")} {thinner?.name} (
          {wording.mass(pot.thinner.mass.value)}). {pot.thinner.how}
        </p>
      )}
      {pot.drops.length > 0 && (
        <p>
          {say("paper.colour")}{" "}
          <b>
            {pot.drops
              .map((d) =>
                say("paper.drops", {
                  inPot: d.inPot,
                  name: reference.tints.find((t) => t.code === d.tint)?.name ?? d.tint,
                }),
              )
              .join(", ")}
          </b>{" "}
          {say("paper.all")}
        </p>
      )}
      <div className="mt-2">
        <Temperatures coating={coating} />
      </div>
      {pot.vessel && (
        <p className="mt-2">
          {say("paper.in-the")} <b>{vesselOf(reference, pot.vessel)?.name}</b>
          {pot.way && `, ${wayOf(reference, pot.way)?.name ?? ""}`}.
        </p>
      )}
      {pot.drizzle && (
        <p>
          {say("paper.bags-unthinned")} <b>{wording.mass(pot.drizzle.inBags.value)}</b>.
        </p>
      )}
      <p>
        {pot.cover.packs.length > 0
          ? say("paper.packs", {
              packs: pot.cover.packs.map((p) => `${p.count} × ${wording.pack(p.holds)}`).join(", "),
            })
          : say("ui.nothing-buy")}
      </p>
      {pot.leftover.uses.length > 0 && (
        <p className="mt-1">
          {say("paper.will-left", { mass: wording.mass(pot.leftover.mass) })} {pot.leftover.uses[0]}.
        </p>
      )}
    </article>
  );
}
