import type { ReactNode } from "react";
import { Link, useParams } from "wouter";
import type { Pot, Reference } from "../../api/client";
import { useOwner, vesselOf, wayOf } from "../../api/queries";
import { Covers } from "./Covers";
import { Melting } from "./Melting";
import { How } from "../../ui/How";
import { Sheet } from "../../ui/Sheet";
import { batchesWords, dayName, oftenWords, packs, span, tablespoons, useWording } from "../../ui/units";
import { say } from "../../wording/say";

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
    <Sheet open close={props.close} title={say("order.pot", { name })}>
      {pot.vessel && (
        <Part title={say("order.how-flows")}>
          <p>
            {say("order.test-dip-keeps")}{" "}
            <How what={say("order.film-test-dip", { name })} of={`pots.${pot.key}.testFilm`}>
              {film(pot.testFilm.value)}
            </How>
            {pot.thinner && say("order.with-without", { name: thinner?.name, before: film(pot.thinner.before) })}
            {say("order.dip", { dipFrom: wording.temperature(pot.dipFrom) })}
            {pot.dipTo > pot.dipFrom && say("order.to-dipto", { dipTo: wording.temperature(pot.dipTo) })}.
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
            {say("ui.log-this-batch")}
          </Link>
        </p>
      )}
      {pot.thinner && (
        <Part title={say("order.thinning-with", { name: thinner?.name })}>
          <p>
            {say("order.coating", {
              mass: wording.mass(pot.thinner.mass.value),
              tablespoons: tablespoons(pot.thinner.tablespoons),
              ofCoating: wording.mass(pot.ofCoating),
              how: pot.thinner.how,
            })}
          </p>
          <p className="mt-2 font-semibold">{say("order.still-thick-dipping-temperature")}</p>
          {pot.thinner.still.length > 0 ? (
            <ul className="mt-1">
              {pot.thinner.still.map((step) => (
                <li key={step.tablespoons} className="border-line flex justify-between border-t border-dashed py-1">
                  <span>
                    {say("order.more-melt-warm", {
                      tablespoons: tablespoons(step.tablespoons),
                      mass: wording.mass(step.mass),
                    })}
                  </span>
                  <b>{film(step.film)}</b>
                </li>
              ))}
            </ul>
          ) : (
            <p>{say("order.dont-add-more-or-wont")}</p>
          )}
        </Part>
      )}
      {pot.drizzle && (
        <Part title={say("order.bags")}>
          <p>
            {say("order.melted-separately-unthinned-thinned-coating", {
              inBags: wording.mass(pot.drizzle.inBags.value),
              loads:
                pot.drizzle.loads === 1
                  ? say("order.one-bag-load")
                  : say("order.bag-loads", { loads: pot.drizzle.loads }),
            })}
            {at && say("order.at-from", { from: wording.between(at.from.value, at.to.value, at.from.unit) })}
            {say("order.try-parchment-before-first-piece")}
          </p>
        </Part>
      )}
      {pot.melts.length > 0 && (
        <Part
          title={
            pot.melts.length === 1
              ? say("order.melt-dipping-all-once")
              : say("order.melt-batches-one-after-other", { count: pot.melts.length })
          }
        >
          {pot.melts.length === 1 ? (
            <p>{say("order.all-once", { melts: wording.mass(pot.melts[0] ?? 0) })}</p>
          ) : (
            <p>
              {say("order.first-when-only-dipping-depth", {
                melts: wording.mass(pot.melts[0] ?? 0),
                count: pot.melts.length === 2 ? "" : say("order.times", { count: pot.melts.length - 1 }),
                melts2: wording.mass(pot.melts[1] ?? 0),
              })}
            </p>
          )}
        </Part>
      )}
      <Part title={say("order.melting-2")}>
        <Melting coating={pot.coating} grams={(pot.melts[0] ?? pot.toMelt.value) / (1 + (pot.thinner?.share ?? 0))} />
      </Part>
      <Part title={say("order.from-cupboard-shop")}>
        <ul>
          {pot.cover.lots.map((lot, i) => (
            <li key={i}>
              {say("order.you-have", { amount: wording.mass(lot.amount) })}
              {lot.bestBefore &&
                say("order.best-before", {
                  bestBefore: dayName(lot.bestBefore),
                  bestBefore2: lot.bestBefore.slice(0, 4),
                })}
            </li>
          ))}
          {pot.cover.packs.map((pack) => (
            <li key={pack.holds} className="flex justify-between">
              <span>
                {pack.count} × {wording.pack(pack.holds)}
                {pack.coupons > 0 && say("order.with-coupon", { coupons: pack.coupons })}
              </span>
              <b>{wording.money(pack.price)}</b>
            </li>
          ))}
          {pot.cover.packs.length === 0 && pot.cover.lots.length > 0 && <li>{say("ui.nothing-buy")}</li>}
        </ul>
        <p className="mt-1">
          {pot.cover.packs.length > 0 && (
            <>
              {say("order.cheapest-left-unmelted", {
                packs: packs(pot.packs.value),
                left: wording.mass(pot.cover.left),
              })}{" "}
            </>
          )}
          {say("order.coating-pot-worth")}{" "}
          <How what={say("order.worth", { name })} of={`pots.${pot.key}.worth`}>
            {wording.money(pot.worth.value)}
          </How>
          .
        </p>
      </Part>
      <Part title={say("order.left-over", { mass: wording.mass(pot.leftover.mass) })}>
        {pot.leftover.uses.length > 0 ? (
          <ul className="list-disc pl-5">
            {pot.leftover.uses.map((use) => (
              <li key={use}>{use}</li>
            ))}
          </ul>
        ) : (
          <p>{say("order.too-little-keep")}</p>
        )}
        <Covers coating={pot.coating} colour={pot.colour} grams={pot.leftover.mass} reference={reference} />
      </Part>
      {pot.vessels.length > 0 && (
        <Part title={say("order.ways-vessels")}>
          <p>
            {say("order.what-each-choice-costs-top")}
            {pot.cost && (
              <>
                {" "}
                {say("order.this-one")}{" "}
                <How what={say("order.way-vessel", { name })} of={`pots.${pot.key}.cost`}>
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
                        {choice.melts > 1 && say("order.batches", { melts: choice.melts })}
                        {say("order.left", {
                          left: wording.mass(choice.cost.left),
                          total: wording.money(choice.cost.total),
                        })}
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
    <Part title={say("order.how-sure")}>
      <p>
        {say("order.nine-times-ten-dipping-takes", {
          more:
            more === 0
              ? say("order.your-pieces-take-what-tables")
              : say("order.your-pieces-take-than-tables", {
                  more: Math.abs(more),
                  more2: more > 0 ? say("order.more") : say("order.less"),
                }),
          batchesWords: batchesWords(range.hand.batches),
          from: wording.mass(range.from),
          to: wording.mass(range.to),
          enough: Math.round(range.enough * 100),
        })}
      </p>
      <ul className="mt-2">
        {range.choices.map((c) => (
          <li
            key={c.certainty}
            className="border-line flex flex-wrap justify-between gap-x-4 border-t border-dashed py-1"
          >
            <span>
              {say("order.enough", { oftenWords: oftenWords(c.certainty) })}
              {c.isCheapest && owner && <span className="text-go font-semibold"> {say("order.cheapest")}</span>}
            </span>
            <span>
              <b>{wording.mass(c.toMelt)}</b>
              {owner && ` · ${wording.money(c.cost)}`}
            </span>
          </li>
        ))}
      </ul>
      <p className="text-ink2 mt-1 text-[15px]">
        {pot.drizzle ? say("order.dipping-without-what-goes-into") : ""}
        {owner && say("order.cost-what-another-melt-takes")}
        {say("order.how-often-pot-should-enough")}{" "}
        <Link className="text-act font-semibold" to="/kitchen/ways">
          {say("order.your-methods")}
        </Link>
        .
      </p>
    </Part>
  );
}
