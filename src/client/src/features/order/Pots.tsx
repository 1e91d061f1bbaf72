import { memo, useState } from "react";
import type { Reference, SharedPot, Tally } from "../../api/client";
import { colourOf, potKey, vesselOf } from "../../api/queries";
import { How } from "../../ui/How";
import { later } from "../../ui/later";
import { FieldNote } from "../../ui/notes";
import { useWording } from "../../ui/units";
import { changePot, type Draft, type Edit } from "./draft";
import { PotView } from "./PotView";
import { BandKey, widthOf } from "./VesselView";
import { capital, say } from "../../wording/say";

const TrialBatch = later(() => import("../looks/TrialBatch"), "TrialBatch");
const WhatIf = later(() => import("./WhatIf"), "WhatIf");

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
    <section aria-labelledby="pots" className="min-w-0 md:col-start-2 xl:col-start-3 xl:row-start-1">
      <header className="flex items-baseline justify-between gap-4">
        <h2 id="pots" className="font-serif text-xl">
          {say("ui.pots")}
        </h2>
        {tally.pots.length > 0 && (
          <span className="flex gap-4">
            <button className="text-act font-bold" onClick={() => setTrying(true)}>
              {say("ui.make-2-first")}
            </button>
            <button className="text-act font-bold" onClick={() => setAsking(true)}>
              {say("order.what-if")}
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
      <div className="mt-2 grid gap-x-8 gap-y-7 sm:grid-cols-2 md:grid-cols-1 lg:grid-cols-2 xl:grid-cols-1">
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
            <h3 className="text-lg font-bold">
              {capital(colourOf(reference, ...(key.split(".") as [string, string]))?.name ?? key)}
            </h3>
            <FieldNote id={`note-pot-${key}`} text={note(key)} />
            <button
              className="text-act mt-1 font-semibold"
              onClick={() => edit(`pots.${key}.vessel`, changePot(key, { vessel: null }))}
            >
              {say("order.find-vessel-me")}
            </button>
          </div>
        ))}
      </div>
      {tally.pots.length > 0 ? (
        <p className="border-line mt-5 flex justify-between border-t border-dashed pt-3">
          <span className="text-ink2">{say("order.all-colours")}</span>
          <b>{say("order.buy-2", { total: wording.mass(total), toBuy: wording.money(toBuy) })}</b>
        </p>
      ) : (
        <p className="text-ink2 mt-3">{say("order.your-pots-appear-here-how")}</p>
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

/** Sprinkles, parts and lustre to have at hand. */
function Trimmings({ tally }: { tally: Tally }) {
  const wording = useWording();
  return (
    <p className="text-ink2 mt-2 text-[15px]" data-testid="trimmings">
      {say("order.also-have-ready")}{" "}
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
      {say("order.make-light-colours-first", {
        making: tally.making.map((step) => name(step.pot)).join(say("order.then")),
      })}
      {folds.map((step) => (
        <span key={step.pot}>
          {" "}
          {say("order.what-left-goes-into-wont", {
            name: name(step.pot),
            folded: wording.mass(step.folded),
            name2: name(step.foldsInto ?? ""),
          })}
        </span>
      ))}
    </p>
  );
}
