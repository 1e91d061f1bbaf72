import type { ReactNode } from "react";
import { Link, useParams } from "react-router";
import type { Pot, Reference } from "../../api/client";
import { useOwner, vesselOf, wayOf } from "../../api/queries";
import { Covers } from "./Covers";
import { Melting } from "./Melting";
import { How } from "../../ui/How";
import { Sheet } from "../../ui/Sheet";
import { batchesWords, dayName, oftenWords, packs, span, tablespoons, useWording } from "../../ui/units";

/** Everything else about a pot: how it flows and is thinned, its melts, what to buy, what is left, what other vessels would want. */
export function PotSheet(props: { pot: Pot; name: string; reference: Reference; close: () => void }) {
  const { pot, name, reference } = props;
  const wording = useWording();
  const { id = "" } = useParams();
  const film = (mm: number) => wording.value(mm, "mm");
  const at = reference.coatings
    .find((c) => c.code === pot.coating)
    ?.facts.find((fact) => fact.from.code === "reference.drizzle");
  const thinner = reference.thinners.find((t) => t.code === pot.thinner?.code);

  return (
    <Sheet open close={props.close} title={`The ${name} pot`}>
      {pot.vessel && (
        <Part title="How it flows">
          <p>
            A test dip keeps{" "}
            <How what={`${name}, film on a test dip`} of={`pots.${pot.key}.testFilm`}>
              {film(pot.testFilm.value)}
            </How>
            {pot.thinner && ` with ${thinner?.name}, ${film(pot.thinner.before)} without`}. Dip at{" "}
            {wording.temperature(pot.dipFrom)}
            {pot.dipTo > pot.dipFrom && ` to ${wording.temperature(pot.dipTo)}`}.
          </p>
          {pot.advice && <p className="mt-1">{pot.advice}</p>}
        </Part>
      )}
      {pot.range && <HowSure pot={pot} range={pot.range} />}
      {pot.vessel && (
        <p className="mt-4">
          <Link
            className="text-act font-semibold"
            to={`/logbook/new?order=${encodeURIComponent(id)}&pot=${encodeURIComponent(pot.key)}`}
          >
            Log this batch
          </Link>
        </p>
      )}
      {pot.thinner && (
        <Part title={`Thinning with ${thinner?.name}`}>
          <p>
            {wording.mass(pot.thinner.mass.value)}, {tablespoons(pot.thinner.tablespoons)}, to{" "}
            {wording.mass(pot.ofCoating)} of coating. {pot.thinner.how}
          </p>
          <p className="mt-2 font-semibold">Still thick at the dip temperature?</p>
          {pot.thinner.still.length > 0 ? (
            <ul className="mt-1">
              {pot.thinner.still.map((step) => (
                <li key={step.tablespoons} className="border-line flex justify-between border-t border-dashed py-1">
                  <span>
                    {tablespoons(step.tablespoons)} more, {wording.mass(step.mass)}; melt it in warm
                  </span>
                  <b>{film(step.film)}</b>
                </li>
              ))}
            </ul>
          ) : (
            <p>Don’t add more, or it won’t set firm. Warm it, or take a coating with more fat.</p>
          )}
        </Part>
      )}
      {pot.drizzle && (
        <Part title="In bags">
          <p>
            {wording.mass(pot.drizzle.inBags.value)}, melted apart and kept plain: thinned coating runs off and sets
            soft. {pot.drizzle.loads === 1 ? "One bag load" : `${pot.drizzle.loads} bag loads`}
            {at && `, at ${wording.between(at.from.value, at.to.value, at.from.unit)}`}. Try it on parchment before the
            first piece.
          </p>
        </Part>
      )}
      {pot.melts.length > 0 && (
        <Part
          title={pot.melts.length === 1 ? "One melt for dipping" : `${pot.melts.length} melts, one after the other`}
        >
          {pot.melts.length === 1 ? (
            <p>All {wording.mass(pot.melts[0] ?? 0)} at once.</p>
          ) : (
            <p>
              {wording.mass(pot.melts[0] ?? 0)} first; when it is down to the pool, top up with{" "}
              {pot.melts.length === 2 ? "" : `${pot.melts.length - 1} times `}
              {wording.mass(pot.melts[1] ?? 0)}, melted apart.
            </p>
          )}
        </Part>
      )}
      <Part title="Melting">
        <Melting coating={pot.coating} grams={(pot.melts[0] ?? pot.toMelt.value) / (1 + (pot.thinner?.share ?? 0))} />
      </Part>
      <Part title="From the cupboard and the shop">
        <ul>
          {pot.cover.lots.map((lot, i) => (
            <li key={i}>
              {wording.mass(lot.amount)} you have
              {lot.bestBefore && `, best before ${dayName(lot.bestBefore)} ${lot.bestBefore.slice(0, 4)}`}
            </li>
          ))}
          {pot.cover.packs.map((pack) => (
            <li key={pack.holds} className="flex justify-between">
              <span>
                {pack.count} × {wording.pack(pack.holds)}
                {pack.coupons > 0 && `, ${pack.coupons} with a coupon`}
              </span>
              <b>{wording.money(pack.price)}</b>
            </li>
          ))}
          {pot.cover.packs.length === 0 && pot.cover.lots.length > 0 && <li>Nothing to buy.</li>}
        </ul>
        <p className="mt-1">
          {pot.cover.packs.length > 0 && (
            <>
              {packs(pot.packs.value)} is the cheapest cover; {wording.mass(pot.cover.left)} stays unmelted.{" "}
            </>
          )}
          The coating in the pot is worth{" "}
          <How what={`${name}, worth`} of={`pots.${pot.key}.worth`}>
            {wording.money(pot.worth.value)}
          </How>
          .
        </p>
      </Part>
      <Part title={`Left over: ${wording.mass(pot.leftover.mass)}`}>
        {pot.leftover.uses.length > 0 ? (
          <ul className="list-disc pl-5">
            {pot.leftover.uses.map((use) => (
              <li key={use}>{use}</li>
            ))}
          </ul>
        ) : (
          <p>Too little to keep.</p>
        )}
        <Covers coating={pot.coating} colour={pot.colour} grams={pot.leftover.mass} reference={reference} />
      </Part>
      {pot.vessels.length > 0 && (
        <Part title="Ways and vessels">
          <p>
            What a choice costs beside the coating on the pieces: what is left over and does not come back, and the time
            of the hands.
            {pot.cost && (
              <>
                {" "}
                This one{" "}
                <How what={`${name}, way and vessel`} of={`pots.${pot.key}.cost`}>
                  {wording.money(pot.cost.value.total)}
                </How>
                , {span(pot.cost.value.hands)}.
              </>
            )}
          </p>
          <ul className="mt-2">
            {pot.vessels
              .toSorted((a, b) => (a.cost?.total ?? Infinity) - (b.cost?.total ?? Infinity))
              .map((choice) => (
                <li key={choice.vessel} className="border-line flex justify-between gap-4 border-t border-dashed py-1">
                  <span className={choice.vessel === pot.vessel ? "font-bold" : ""}>
                    {vesselOf(reference, choice.vessel)?.name}
                    {choice.cost && (
                      <span className="text-ink2 block text-[13px]">
                        {wayOf(reference, choice.way)?.name}, {span(choice.cost.hands)}
                        {choice.melts > 1 && ` in ${choice.melts} melts`}, {wording.mass(choice.cost.left)} left,{" "}
                        {wording.money(choice.cost.total)}
                      </span>
                    )}
                    {choice.reason && <span className="text-ink2 block text-[13px]">{choice.reason}</span>}
                  </span>
                  <b>{choice.toMelt === null ? "no" : wording.mass(choice.toMelt)}</b>
                </li>
              ))}
          </ul>
        </Part>
      )}
    </Sheet>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mt-5">
      <h3 className="font-serif text-lg">{title}</h3>
      <div className="mt-1">{children}</div>
    </section>
  );
}

/** How sure it is what the pieces take, and what other margins would cost. */
function HowSure({ pot, range }: { pot: Pot; range: NonNullable<Pot["range"]> }) {
  const wording = useWording();
  const owner = useOwner();
  const more = Math.round((range.hand.mean - 1) * 100);
  return (
    <Part title="How sure it is">
      <p>
        {more === 0
          ? "Your pieces take what the tables say"
          : `Your pieces take ${Math.abs(more)} % ${more > 0 ? "more" : "less"} than the tables say`}
        , {batchesWords(range.hand.batches)}. Nine times in ten dipping takes {wording.mass(range.from)} to{" "}
        {wording.mass(range.to)}, pool and tools with it; what you melt is enough {Math.round(range.enough * 100)} % of
        the time.
      </p>
      <ul className="mt-2">
        {range.choices.map((c) => (
          <li
            key={c.certainty}
            className="border-line flex flex-wrap justify-between gap-x-4 border-t border-dashed py-1"
          >
            <span>
              enough {oftenWords(c.certainty)}
              {c.isCheapest && owner && <span className="text-go font-semibold"> · cheapest</span>}
            </span>
            <span>
              <b>{wording.mass(c.toMelt)}</b>
              {owner && ` · ${wording.money(c.cost)}`}
            </span>
          </li>
        ))}
      </ul>
      <p className="text-ink2 mt-1 text-[15px]">
        {pot.drizzle ? "For dipping, without what goes into bags. " : ""}
        {owner && "The cost is what another melt takes when it runs short, and what leftovers lose. "}
        How often a pot is to be enough is set in{" "}
        <Link className="text-act font-semibold" to="/kitchen/ways">
          your methods
        </Link>
        .
      </p>
    </Part>
  );
}
