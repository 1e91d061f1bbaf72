import { useState } from "react";
import type { Pot, Reference, Tally } from "../../api/client";
import { centreOf, colourOf } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { NumberField } from "../../ui/fields";
import { Sheet } from "../../ui/Sheet";
import { useWording } from "../../ui/units";
import { CoatsChoice } from "./CoatsChoice";
import { DepthField } from "./DepthField";
import { changeLine, changePot, sameDraft, type Draft, type Edit } from "./draft";
import { ThinnerChoice } from "./ThinnerChoice";
import { useTally } from "./useTally";
import { VesselPick } from "./VesselPick";
import { capital, say } from "../../wording/say";

/** The order as it is beside the order as it could be; nothing of it is kept until the maker says so. */
export function WhatIf(props: { draft: Draft; tally: Tally; reference: Reference; edit: Edit; close: () => void }) {
  const { draft, tally, reference } = props;
  const wording = useWording();
  const [other, setOther] = useState(draft);
  const { tally: then } = useTally(other, tally);
  const notes = then.problems.filter((p) => !tally.problems.some((q) => q.field === p.field && q.code === p.code));
  const same = sameDraft(draft, other);

  return (
    <Sheet open close={props.close} title={say("order.what-if")} wide>
      <div className="mt-3 grid gap-x-10 gap-y-6 lg:grid-cols-[1fr_1.1fr]">
        <div className="[&_button]:underline [&_button]:decoration-dotted [&_button]:underline-offset-4">
          <h3 className="font-serif text-lg">{say("ui.pieces")}</h3>
          <ul>
            {draft.lines.map((line, i) => {
              const alt = other.lines[i] ?? line;
              const what = centreOf(reference, line.centre)?.plural ?? "pieces";
              return (
                <li key={line.id} className="border-line border-t border-dashed py-1.5">
                  <b>
                    {line.countedIn === "pieces" && line.amount} {what}
                  </b>
                  <span className="text-ink2 block text-[15px]">
                    <DepthField
                      label={say("order.what-if-dip-depth", { what })}
                      depth={alt.depth}
                      usual={centreOf(reference, line.centre)?.depths}
                      note={undefined}
                      onChange={(depth) => setOther(changeLine(line.id, { depth }))}
                    />
                    {", "}
                    <CoatsChoice
                      what={say("order.what-if-2", { what })}
                      line={alt}
                      note={undefined}
                      onChange={(coats) => setOther(changeLine(line.id, coats))}
                    />
                  </span>
                </li>
              );
            })}
          </ul>
          <h3 className="mt-5 font-serif text-lg">{say("ui.pots")}</h3>
          <ul>
            {tally.pots
              .filter((pot) => pot.vessel !== null)
              .map((pot) => {
                const alt = then.pots.find((p) => p.key === pot.key) ?? pot;
                const name = colourOf(reference, pot.coating, pot.colour)?.name ?? pot.colour;
                const chosen = other.pots[pot.key];
                return (
                  <li key={pot.key} className="border-line border-t border-dashed py-1.5">
                    <b>{capital(name)}</b>
                    <span className="text-ink2 block text-[15px]">
                      <VesselPick
                        name={`${name}, what if`}
                        pot={alt}
                        reference={reference}
                        chosen={chosen?.vessel ?? null}
                        onChange={(vessel) => setOther(changePot(pot.key, { vessel }))}
                      />
                      {", "}
                      <ThinnerChoice
                        name={`${name}, what if`}
                        pot={alt}
                        reference={reference}
                        chosen={chosen?.thinner ?? null}
                        onChange={(thinner) => setOther(changePot(pot.key, { thinner }))}
                      />
                    </span>
                    {alt.thinner && (
                      <NumberField
                        label={say("order.film-test-dip-2", { name })}
                        unit="mm"
                        className="mt-1 w-52"
                        value={chosen?.film ?? reference.usualFilm}
                        onChange={(film) => setOther(changePot(pot.key, { film }))}
                      />
                    )}
                  </li>
                );
              })}
          </ul>
          <NumberField
            label={say("order.extra")}
            unit="%"
            className="mt-4 w-32"
            value={Math.round((other.margin ?? reference.usualMargin) * 1000) / 10}
            onChange={(percent) => setOther((o) => ({ ...o, margin: percent === null ? null : percent / 100 }))}
          />
        </div>
        <div aria-live="polite">
          <table className="w-full text-right">
            <thead className="text-ink2 text-[13px]">
              <tr>
                <th className="text-left font-normal">{say("order.melt")}</th>
                <th className="font-normal">{say("order.as-is")}</th>
                <th className="font-normal">{say("ui.then")}</th>
                <th className="font-normal">{say("order.difference")}</th>
              </tr>
            </thead>
            <tbody data-testid="what-if">
              {tally.pots.map((pot) => {
                const colour = colourOf(reference, pot.coating, pot.colour);
                return (
                  <Row
                    key={pot.key}
                    name={
                      <>
                        <Dot srgb={colour?.srgb} />
                        {colour?.name}
                      </>
                    }
                    now={pot}
                    then={then.pots.find((p) => p.key === pot.key)}
                  />
                );
              })}
              <Sums now={tally} then={then} />
            </tbody>
          </table>
          {notes.map((problem) => (
            <p
              key={[problem.field, problem.code].join(" ")}
              className="border-mind bg-mind-ground mt-3 border-l-4 px-3 py-1.5 text-[15px]"
            >
              {problem.reason} {problem.remedy}
            </p>
          ))}
          <p className="mt-5 flex flex-wrap gap-4">
            <button
              className="bg-act text-on-act rounded-full px-4 py-1.5 font-bold disabled:opacity-50"
              disabled={same}
              onClick={() => {
                props.edit("whatIf", () => other);
                props.close();
              }}
            >
              {say("order.make-so")}
            </button>
            <button
              className="text-act font-semibold disabled:opacity-50"
              disabled={same}
              onClick={() => setOther(draft)}
            >
              {say("order.back-how")}
            </button>
          </p>
          <p className="text-ink2 mt-3 text-[15px]">
            {say("order.worth-coating-pots-price-packs", { us: wording.us ? say("ui.ounces") : say("ui.grams") })}
          </p>
        </div>
      </div>
    </Sheet>
  );
}

function Row(props: { name: React.ReactNode; now: Pot; then: Pot | undefined }) {
  const wording = useWording();
  const { now, then } = props;
  const less = then ? then.toMelt.value - now.toMelt.value : 0;
  return (
    <tr className="border-line border-t border-dashed">
      <th className="py-1.5 text-left font-semibold">{props.name}</th>
      <td>{wording.mass(now.toMelt.value)}</td>
      <td>{then ? wording.mass(then.toMelt.value) : say("order.no-pot")}</td>
      <td className={tone(less)}>{then && signed(less, wording.mass)}</td>
    </tr>
  );
}

/** Mass, what to buy and worth of all pots. */
function Sums({ now, then }: { now: Tally; then: Tally }) {
  const wording = useWording();
  const sums: [name: string, of: (pot: Pot) => number, word: (value: number) => string][] = [
    [say("order.all-colours"), (pot) => pot.toMelt.value, wording.mass],
    [say("order.worth-2"), (pot) => pot.worth.value, wording.money],
    [say("order.buy"), (pot) => pot.cover.price, wording.money],
  ];
  return sums.map(([name, of, word]) => {
    const [before, after] = [now, then].map((tally) => tally.pots.reduce((sum, pot) => sum + of(pot), 0)) as [
      number,
      number,
    ];
    return (
      <tr key={name} className={name === "all colours" ? "border-ink border-t text-lg" : ""}>
        <th className="py-1.5 text-left font-bold">{name}</th>
        <td>{word(before)}</td>
        <td className="font-bold">{word(after)}</td>
        <td className={`font-bold ${tone(after - before)}`} data-testid={`difference-${name.replace(" ", "-")}`}>
          {signed(after - before, word)}
        </td>
      </tr>
    );
  });
}

const tone = (more: number) => (more > 0.005 ? "text-mind" : more < -0.005 ? "text-go" : "text-ink2");

const signed = (value: number, word: (value: number) => string) =>
  Math.abs(value) < 0.005 ? "none" : `${value > 0 ? "+" : "−"}${word(Math.abs(value))}`;
