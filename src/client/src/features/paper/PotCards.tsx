import type { Pot, Reference, Tally } from "../../api/client";
import { colourOf, vesselOf, wayOf } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { tablespoons, useWording } from "../../ui/units";

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
      <p className="mt-2 text-[17pt] font-bold">Melt {wording.mass(pot.toMelt.value)}</p>
      <p>
        {wording.mass(pot.ofCoating)} of coating
        {pot.melts.length > 1 && `, in ${pot.melts.length} batches: ${pot.melts.map(wording.mass).join(", ")}`}
      </p>
      {pot.thinner && (
        <p>
          <b>{tablespoons(pot.thinner.tablespoons)}</b> of {thinner?.name} ({wording.mass(pot.thinner.mass.value)}).{" "}
          {pot.thinner.how}
        </p>
      )}
      {pot.drops.length > 0 && (
        <p>
          Colour:{" "}
          <b>
            {pot.drops
              .map((d) => `${d.inPot} drops of ${reference.tints.find((t) => t.code === d.tint)?.name ?? d.tint}`)
              .join(", ")}
          </b>{" "}
          in all.
        </p>
      )}
      <table className="mt-2 w-full text-left">
        <tbody>
          {coating?.facts
            .filter((fact) => fact.from.unit === "°C")
            .map((fact) => (
              <tr key={fact.from.code}>
                <th className="pr-2 font-normal">{fact.from.what}</th>
                <td className="font-bold">{wording.window(fact.from.value, fact.to.value)}</td>
              </tr>
            ))}
        </tbody>
      </table>
      {pot.vessel && (
        <p className="mt-2">
          In the <b>{vesselOf(reference, pot.vessel)?.name}</b>
          {pot.way && `, ${wayOf(reference, pot.way)?.name ?? ""}`}.
        </p>
      )}
      {pot.drizzle && (
        <p>
          Of it in bags, kept plain: <b>{wording.mass(pot.drizzle.inBags.value)}</b>.
        </p>
      )}
      <p>
        {pot.cover.packs.length > 0
          ? `Packs: ${pot.cover.packs.map((p) => `${p.count} × ${wording.pack(p.holds)}`).join(", ")}.`
          : "Nothing to buy."}
      </p>
      {pot.leftover.uses.length > 0 && (
        <p className="mt-1">
          {wording.mass(pot.leftover.mass)} will be left: {pot.leftover.uses[0]}.
        </p>
      )}
    </article>
  );
}
