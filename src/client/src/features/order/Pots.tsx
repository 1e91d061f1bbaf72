import { memo, useState } from "react";
import type { Pot, PotDraft, Reference, SharedPot, Tally } from "../../api/client";
import { colourOf, potKey, vesselOf, wayOf } from "../../api/queries";
import { How } from "../../ui/How";
import { FieldNote } from "../../ui/notes";
import { batchesWords, packs, span, tablespoons, useWording, type Wording } from "../../ui/units";
import { changePot, type Draft, type Edit } from "./draft";
import { PotSheet } from "./PotSheet";
import { ThinnerChoice } from "./ThinnerChoice";
import { Bag, BandKey, VesselView, widthOf } from "./VesselView";
import { VesselPick } from "./VesselPick";
import { dropsIn } from "../colour/words";
import { TrialBatch } from "../looks/TrialBatch";
import { WhatIf } from "./WhatIf";

/** Millimetres across the drawing when only narrow vessels are used. */
const leastWidth = 90;

const potFields = ["", ".vessel", ".thinner", ".film"];

/** One vessel a colour, drawn to one scale and filled in bands, with what to melt and to open. */
export const Pots = memo(function Pots(props: {
  draft: Draft;
  /** What is chosen of the pots now, also before the draft with it is computed. */
  pots: Draft["pots"];
  edit: Edit;
  tally: Tally;
  reference: Reference;
  shared: SharedPot[];
}) {
  const { draft, tally, reference, edit } = props;
  const wording = useWording();
  const [asking, setAsking] = useState(false);
  const [trying, setTrying] = useState(false);
  const total = tally.pots.reduce((sum, pot) => sum + pot.toMelt.value, 0);
  const toBuy = tally.pots.reduce((sum, pot) => sum + pot.cover.price, 0);
  // A colour none of whose pieces fits the chosen vessel has no pot, and still needs the choice.
  const potless = Object.keys(draft.pots).filter(
    (key) => draft.lines.some((l) => potKey(l.coating, l.colour) === key) && !tally.pots.some((p) => p.key === key),
  );
  const used = tally.pots.map((pot) => vesselOf(reference, pot.vessel)).filter((v) => v !== undefined);
  const widest = Math.max(leastWidth, ...used.map(widthOf));
  const note = (key: string) => {
    const problems = tally.problems.filter((p) => potFields.some((field) => p.field === `pots.${key}${field}`));
    return problems.map((p) => `${p.reason} ${p.remedy}`).join(" ") || undefined;
  };
  const names = [...new Set(tally.pots.map((p) => reference.coatings.find((c) => c.code === p.coating)?.name))];

  return (
    <section aria-labelledby="pots" className="md:col-span-2 xl:col-span-1">
      <header className="flex items-baseline justify-between gap-4">
        <h2 id="pots" className="font-serif text-xl">
          Pots
        </h2>
        {tally.pots.length > 0 && (
          <span className="flex gap-4">
            <button className="text-act font-bold" onClick={() => setTrying(true)}>
              Make 2 first
            </button>
            <button className="text-act font-bold" onClick={() => setAsking(true)}>
              What if …
            </button>
          </span>
        )}
      </header>
      {tally.pots.length > 0 && (
        <>
          <p className="text-ink2 text-[15px]">{names.join("; ")}</p>
          <BandKey />
        </>
      )}
      <div className="mt-2 grid gap-x-8 gap-y-7 sm:grid-cols-2 xl:grid-cols-1">
        {tally.pots.map((pot) => (
          <PotView
            key={pot.key}
            pot={pot}
            reference={reference}
            widest={widest}
            chosen={props.pots[pot.key]}
            edit={edit}
            note={note(pot.key)}
            shared={props.shared.find((s) => s.key === pot.key)}
          />
        ))}
        {potless.map((key) => (
          <div key={key}>
            <h3 className="text-lg font-bold first-letter:uppercase">
              {colourOf(reference, ...(key.split(".") as [string, string]))?.name}
            </h3>
            <FieldNote id={`note-pot-${key}`} text={note(key)} />
            <button
              className="text-act mt-1 font-semibold"
              onClick={() => edit(`pots.${key}.vessel`, changePot(key, { vessel: null }))}
            >
              Find a vessel for me
            </button>
          </div>
        ))}
      </div>
      {tally.pots.length > 0 ? (
        <p className="border-line mt-5 flex justify-between border-t border-dashed pt-3">
          <span className="text-ink2">all colours</span>
          <b>
            {wording.mass(total)}, {wording.money(toBuy)} to buy
          </b>
        </p>
      ) : (
        <p className="text-ink2 mt-3">
          A pot for each colour will stand here: how much to melt, how to thin it, and how many packs to open.
        </p>
      )}
      {tally.pots.length > 1 && <Making tally={tally} reference={reference} />}
      {tally.trimmings.length > 0 && <Trimmings tally={tally} />}
      {trying && <TrialBatch order={draft} reference={reference} close={() => setTrying(false)} />}
      {asking && (
        <WhatIf draft={draft} tally={tally} reference={reference} edit={edit} close={() => setAsking(false)} />
      )}
    </section>
  );
});

const PotView = memo(function PotView(props: {
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
    <article className="grid grid-cols-[6rem_1fr] items-end gap-x-3.5" data-testid={`pot-${pot.colour}`}>
      <div>
        <VesselView bands={pot.bands} vessel={vessel} srgb={colour?.srgb ?? "#888888"} widest={props.widest} />
        {pot.drizzle && <Bag srgb={colour?.srgb ?? "#888888"} loads={pot.drizzle.loads} alone={!vessel} />}
      </div>
      <div className="space-y-1 text-[15px] leading-snug">
        <div className="flex items-baseline justify-between">
          {" "}
          <h3 className="text-[17px] font-bold first-letter:uppercase">{name}</h3>
          <button className="text-act font-semibold" onClick={() => setMore(true)}>
            More<span className="sr-only"> about the {name} pot</span>
          </button>
        </div>{" "}
        <p>
          <How
            what={`${name}, to melt`}
            of={`pots.${pot.key}.toMelt`}
            className="text-[27px] leading-none font-extrabold"
          >
            <span data-testid="to-melt">{figure}</span>
          </How>{" "}
          {unit} to melt
        </p>
        <p className="text-ink2">
          {vessel && (
            <>
              <How what={`${name}, on the pieces`} of={`pots.${pot.key}.onPieces`}>
                {wording.mass(pot.onPieces.value)}
              </How>{" "}
              on pieces,{" "}
            </>
          )}
          {pot.drizzle && (
            <>
              <How what={`${name}, drizzle`} of={`pots.${pot.key}.drizzle`}>
                {wording.mass(pot.drizzle.mass.value)}
              </How>{" "}
              drizzle,{" "}
            </>
          )}
          {vessel && (
            <>
              <How what={`${name}, pool`} of={`pots.${pot.key}.pool`}>
                {wording.mass(pot.pool.value)}
              </How>{" "}
              pool,{" "}
            </>
          )}
          <How what={`${name}, spare`} of={`pots.${pot.key}.spare`}>
            {wording.mass(pot.spare.value)}
          </How>{" "}
          spare
        </p>
        {pot.range && (
          <p className="text-ink2" data-testid="range">
            Dipping takes {wording.mass(pot.range.from)} to {wording.mass(pot.range.to)} nine times in ten,{" "}
            {batchesWords(pot.range.hand.batches)}.
          </p>
        )}
        {pot.drizzle && (
          <p className="text-ink2">
            <How what={`${name}, in bags`} of={`pots.${pot.key}.inBags`}>
              {wording.mass(pot.drizzle.inBags.value)}
            </How>{" "}
            {vessel ? "of it apart, " : ""}in {pot.drizzle.loads === 1 ? "a bag" : `${pot.drizzle.loads} bag loads`},
            kept plain
          </p>
        )}
        {pot.drops.length > 0 && (
          <p className="text-ink2" data-testid="pot-drops">
            from {colourOf(reference, pot.coating, pot.bought)?.name}: {dropsIn(pot.drops, reference)}
          </p>
        )}
        {vessel && (
          <p className="text-ink2">
            {wayOf(reference, pot.way)?.does} the{" "}
            <VesselPick
              name={name}
              pot={pot}
              reference={reference}
              chosen={chosen?.vessel ?? null}
              note={props.note && noteId}
              onChange={(vessel) => change("vessel", { vessel })}
            />
            {pot.spooned > 0 &&
              (pot.spooned === 1 ? ", the last one from a spoon" : `, the last ${pot.spooned} from a spoon`)}
            . <span data-testid="left">{wording.mass(pot.leftover.mass)}</span> is left.
            {runnerUp(pot, !!chosen?.vessel, reference, wording)}
          </p>
        )}
        {vessel && (
          <p className="text-ink2">
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
                <How what={`${name}, thinner`} of={`pots.${pot.key}.thinner`}>
                  {wording.mass(pot.thinner.mass.value)}
                </How>{" "}
                or {tablespoons(pot.thinner.tablespoons)} {pot.thinner.goesIn} melting
              </>
            )}
          </p>
        )}
        <p className="font-semibold">
          <How what={`${name}, packs`} of={`pots.${pot.key}.packs`}>
            <span data-testid="packs">{packs(pot.packs.value)}</span>
          </How>
          {pot.cover.packs.length > 0 &&
            `: ${pot.cover.packs.map((p) => (p.count === 1 ? wording.pack(p.holds) : `${p.count} × ${wording.pack(p.holds)}`)).join(", ")}`}
          {pot.cover.fromStock > 0 && (
            <span className="text-go font-normal"> and {wording.mass(pot.cover.fromStock)} you have</span>
          )}
        </p>
        {pot.melts.length > 1 && <p className="text-mind font-semibold">in {pot.melts.length} melts</p>}
        {props.shared && (
          <p className="text-go" data-testid={`shared-${pot.colour}`}>
            One pot with {props.shared.orders.join(", ")}: {wording.mass(props.shared.together)} for all
            {props.shared.apart - props.shared.together >= 1 && `, not ${wording.mass(props.shared.apart)}`}
          </p>
        )}
        {pot.advice && <p className="text-ink2 italic">{pot.advice}</p>}
        <FieldNote id={noteId} text={props.note} />
        {!vessel && chosen?.vessel && (
          <button className="text-act font-semibold" onClick={() => change("vessel", { vessel: null })}>
            Find a vessel for me
          </button>
        )}
        {more && <PotSheet pot={pot} name={name} reference={reference} close={() => setMore(false)} />}
      </div>
    </article>
  );
});

/** Sprinkles, parts and lustre to have at hand. */
function Trimmings({ tally }: { tally: Tally }) {
  const wording = useWording();
  return (
    <p className="text-ink2 mt-2 text-[15px]" data-testid="trimmings">
      Have at hand{" "}
      {tally.trimmings.map((trimming, i) => (
        <span key={trimming.kind}>
          {i > 0 && ", "}
          <How what={trimming.name} of={`trimmings.${trimming.kind}`}>
            {trimming.counted ? trimming.amount.value : wording.mass(trimming.amount.value)}
          </How>{" "}
          {trimming.name}
        </span>
      ))}
      .
    </p>
  );
}

/** In what order to make the pots, and what is left of which goes into which. */
function Making({ tally, reference }: { tally: Tally; reference: Reference }) {
  const wording = useWording();
  const name = (key: string) => {
    const [coating = "", colour = ""] = key.split(".");
    return colourOf(reference, coating, colour)?.name ?? colour;
  };
  const folds = tally.making.filter((step) => step.foldsInto);
  return (
    <p className="text-ink2 mt-2 text-[15px]" data-testid="making">
      Make {tally.making.map((step) => name(step.pot)).join(", then ")}: light ones first.
      {folds.map((step) => (
        <span key={step.pot}>
          {" "}
          What is left of the {name(step.pot)}, {wording.mass(step.folded)}, goes into the {name(step.foldsInto ?? "")}{" "}
          unseen.
        </span>
      ))}
    </p>
  );
}

/** The next best way and vessel, or the best where the maker chose another. */
function runnerUp(pot: Pot, chosen: boolean, reference: Reference, wording: Wording): string {
  const other = pot.runnerUp;
  if (!other) return "";
  const where = `${wayOf(reference, other.way)?.does.toLowerCase()} the ${vesselOf(reference, other.vessel)?.name}`;
  const differs = [
    Math.abs(other.more) >= 5 && `${wording.mass(Math.abs(other.more))} ${other.more > 0 ? "more" : "less"}`,
    Math.abs(other.longer) >= 60 && `${span(Math.abs(other.longer))} ${other.longer > 0 ? "longer" : "quicker"}`,
  ].filter(Boolean);
  if (differs.length === 0) return "";
  // Kondiba itself passes over a cheaper way that melts far more to save minutes.
  const cheaper = chosen ? "Better" : "Quicker";
  return ` ${other.dearer < 0 ? cheaper : "Next best"}: ${where}, ${differs.join(", ")}.`;
}
