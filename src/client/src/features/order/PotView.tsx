import { ChevronDown } from "lucide-react";
import { memo, useState } from "react";
import type { Pot, PotDraft, Reference, SharedPot } from "../../api/client";
import { colourOf, vesselOf, wayOf } from "../../api/queries";
import { How } from "../../ui/How";
import { later } from "../../ui/later";
import { FieldNote } from "../../ui/notes";
import { batchesWords, packs, span, tablespoons, useWording, type Wording } from "../../ui/units";
import { changePot, type Edit } from "./draft";
import { ThinnerChoice } from "./ThinnerChoice";
import { Bag, VesselView } from "./VesselView";
import { VesselPick } from "./VesselPick";
import { dropsIn } from "../colour/words";
import { capital, say } from "../../wording/say";

const PotSheet = later(() => import("./PotSheet"), "PotSheet");

/** A pot: what to melt, how to dip in what, what to buy; the rest folded. */
export const PotView = memo(function PotView(props: {
  pot: Pot;
  reference: Reference;
  widest: number;
  chosen: PotDraft | undefined;
  edit: Edit;
  note: string | undefined;
  shared: SharedPot | undefined;
}) {
  const { pot, reference, edit, chosen } = props;
  const wording = useWording();
  const [more, setMore] = useState(false);
  const colour = colourOf(reference, pot.coating, pot.colour);
  const vessel = vesselOf(reference, pot.vessel);
  const name = colour?.name ?? pot.colour;
  const [figure, unit] = wording.massParts(pot.toMelt.value);
  const noteId = `note-pot-${pot.key}`;
  const change = (field: keyof PotDraft, value: Partial<PotDraft>) =>
    edit(`pots.${pot.key}.${field}`, changePot(pot.key, value));

  return (
    <article className="grid grid-cols-[6rem_1fr] items-start gap-x-3.5" data-testid={`pot-${pot.colour}`}>
      <div>
        <VesselView bands={pot.bands} vessel={vessel} srgb={colour?.srgb ?? "#888888"} widest={props.widest} />
        {pot.drizzle && <Bag srgb={colour?.srgb ?? "#888888"} loads={pot.drizzle.loads} alone={!vessel} />}
      </div>
      <div className="space-y-1 text-[15px] leading-snug">
        <div className="flex items-baseline justify-between">
          {" "}
          <h3 className="text-[17px] font-bold">{capital(name)}</h3>
          <button className="text-act font-semibold" onClick={() => setMore(true)}>
            {say("order.more-2")}
            <span className="sr-only"> {say("order.about-pot", { name })}</span>
          </button>
        </div>{" "}
        <p>
          <How
            what={say("order.melt-2", { name })}
            of={`pots.${pot.key}.toMelt`}
            className="text-[27px] leading-none font-extrabold"
          >
            <span data-testid="to-melt">{figure}</span>
          </How>{" "}
          {say("order.melt-3", { unit })}
        </p>
        {pot.drops.length > 0 && (
          <p className="text-ink2" data-testid="pot-drops">
            {say("ui.from")} {colourOf(reference, pot.coating, pot.bought)?.name}: {dropsIn(pot.drops, reference)}
          </p>
        )}
        {vessel && (
          <p data-testid="how-to-dip">
            {wayOf(reference, pot.way)?.does} {say("order.the")}{" "}
            <VesselPick
              name={name}
              pot={pot}
              reference={reference}
              chosen={chosen?.vessel ?? null}
              note={props.note && noteId}
              onChange={(vessel) => change("vessel", { vessel })}
            />
            {pot.spooned > 0 &&
              (pot.spooned === 1
                ? say("order.last-one-from-spoon")
                : say("order.last-from-spoon", { spooned: pot.spooned }))}
            .
          </p>
        )}
        {vessel && (
          <p>
            <ThinnerChoice
              name={name}
              pot={pot}
              reference={reference}
              chosen={chosen?.thinner ?? null}
              onChange={(thinner) => change("thinner", { thinner })}
            />
            {pot.thinner && (
              <>
                {", "}
                <How what={say("order.thinner-2", { name })} of={`pots.${pot.key}.thinner`}>
                  {wording.mass(pot.thinner.mass.value)}
                </How>{" "}
                {say("order.or-melting", {
                  tablespoons: tablespoons(pot.thinner.tablespoons),
                  goesIn: pot.thinner.goesIn,
                })}
              </>
            )}
          </p>
        )}
        {pot.drizzle && (
          <p>
            <How what={say("order.bags-2", { name })} of={`pots.${pot.key}.inBags`}>
              {wording.mass(pot.drizzle.inBags.value)}
            </How>{" "}
            {say("order.unthinned-2", {
              vessel: vessel ? say("order.separately") : "",
              loads: pot.drizzle.loads === 1 ? say("order.bag") : say("order.bag-loads", { loads: pot.drizzle.loads }),
            })}
          </p>
        )}
        <Buy pot={pot} name={name} />
        {pot.melts.length > 1 && (
          <p className="text-mind font-semibold">{say("order.melt-batches", { count: pot.melts.length })}</p>
        )}
        {props.shared && (
          <p className="text-go" data-testid={`shared-${pot.colour}`}>
            {say("order.one-pot-with-total", {
              orders: props.shared.orders.join(", "),
              together: wording.mass(props.shared.together),
            })}
            {props.shared.apart - props.shared.together >= 1 &&
              say("order.instead", { apart: wording.mass(props.shared.apart) })}
          </p>
        )}
        {pot.advice && <p className="text-ink2 italic">{pot.advice}</p>}
        <FieldNote id={noteId} text={props.note} />
        {!vessel && chosen?.vessel && (
          <button className="text-act font-semibold" onClick={() => change("vessel", { vessel: null })}>
            {say("order.find-vessel-me")}
          </button>
        )}
        {pot.range && (
          <p className="text-ink2" data-testid="range">
            {say("order.dipping-takes-nine-times-ten", {
              from: wording.mass(pot.range.from),
              to: wording.mass(pot.range.to),
              batchesWords: batchesWords(pot.range.hand.batches),
            })}
          </p>
        )}
        <PotWhere pot={pot} name={name} chosen={!!chosen?.vessel} reference={reference} />
        {more && <PotSheet pot={pot} name={name} reference={reference} close={() => setMore(false)} />}
      </div>
    </article>
  );
});

/** What to buy for a pot, and what of it there is. */
function Buy({ pot, name }: { pot: Pot; name: string }) {
  const wording = useWording();
  const { cover } = pot;
  const sizes = cover.packs.map((p) =>
    p.count === 1 ? wording.pack(p.holds) : `${p.count} × ${wording.pack(p.holds)}`,
  );
  return (
    <p className="font-semibold">
      {pot.packs.value > 0 && `${say("order.buy-3")} `}
      <How what={say("order.packs", { name })} of={`pots.${pot.key}.packs`}>
        <span data-testid="packs">{pot.packs.value > 0 ? packs(pot.packs.value) : say("order.nothing-to-buy")}</span>
      </How>
      {sizes.length > 0 && `: ${sizes.join(", ")}`}
      {cover.fromStock > 0 && (
        <span className="text-go font-normal">
          {say("order.you-have-2", { fromStock: wording.mass(cover.fromStock) })}
        </span>
      )}
    </p>
  );
}

/** What the coating in a pot is for, and what is left of it: folded until it is asked for. */
function PotWhere(props: { pot: Pot; name: string; chosen: boolean; reference: Reference }) {
  const { pot, name, reference } = props;
  const [unfolded, setUnfolded] = useState(false);
  const wording = useWording();
  return (
    <div>
      <button
        type="button"
        className="text-act font-semibold"
        aria-expanded={unfolded}
        onClick={() => setUnfolded(!unfolded)}
      >
        {say("order.where-goes")}
        <span className="sr-only">, {name}</span>{" "}
        <ChevronDown aria-hidden size={15} className={`inline transition-transform ${unfolded ? "rotate-180" : ""}`} />
      </button>
      {unfolded && (
        <div className="space-y-1">
          <p className="text-ink2">
            {pot.vessel && (
              <>
                <How what={say("order.pieces-2", { name })} of={`pots.${pot.key}.onPieces`}>
                  {wording.mass(pot.onPieces.value)}
                </How>{" "}
                {say("order.pieces-3")}{" "}
              </>
            )}
            {pot.drizzle && (
              <>
                <How what={say("order.drizzle", { name })} of={`pots.${pot.key}.drizzle`}>
                  {wording.mass(pot.drizzle.mass.value)}
                </How>{" "}
                {say("order.drizzle-2")}{" "}
              </>
            )}
            {pot.vessel && (
              <>
                <How what={say("order.dipping-depth", { name })} of={`pots.${pot.key}.pool`}>
                  {wording.mass(pot.pool.value)}
                </How>{" "}
                {say("order.dipping-depth-2")}{" "}
              </>
            )}
            <How what={say("order.spare-2", { name })} of={`pots.${pot.key}.spare`}>
              {wording.mass(pot.spare.value)}
            </How>{" "}
            {say("order.spare")}
          </p>
          {pot.vessel && (
            <p className="text-ink2">
              <span data-testid="left">{wording.mass(pot.leftover.mass)}</span>{" "}
              {say("order.left-2", { runnerUp: runnerUp(pot, props.chosen, reference, wording) })}
            </p>
          )}
        </div>
      )}
    </div>
  );
}

/** The next best way and vessel, or the best where the maker chose another. */
function runnerUp(pot: Pot, chosen: boolean, reference: Reference, wording: Wording): string {
  const other = pot.runnerUp;
  if (!other) return "";
  const where = say("order.does-the-name", {
    does: wayOf(reference, other.way)?.does.toLowerCase(),
    name: vesselOf(reference, other.vessel)?.name,
  });
  const differs = [
    Math.abs(other.more) >= 5 &&
      `${wording.mass(Math.abs(other.more))} ${other.more > 0 ? say("order.more") : say("order.less")}`,
    Math.abs(other.longer) >= 60 &&
      `${span(Math.abs(other.longer))} ${other.longer > 0 ? say("order.longer") : say("order.quicker")}`,
  ].filter(Boolean);
  if (differs.length === 0) return "";
  // Kondiba itself passes over a cheaper way that melts far more to save minutes.
  const cheaper = chosen ? say("order.better") : say("order.quicker-2");
  return ` ${other.dearer < 0 ? cheaper : say("order.next-best")}: ${where}, ${differs.join(", ")}.`;
}
