import { memo } from "react";
import type { Pot, Reference, Tally } from "../../api/client";
import { colourOf } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { How } from "../../ui/How";
import { FieldNote } from "../../ui/notes";
import { bags, useWording } from "../../ui/units";
import type { Draft, Edit } from "./draft";
import { BandKey, VesselView } from "./VesselView";

const auto = "";

/** Sets or clears a colour's vessel. */
const chooseVessel = (edit: Edit, colour: string, vessel: string) =>
  edit(`vessels.${colour}`, (draft) => {
    const others = Object.fromEntries(Object.entries(draft.vessels).filter(([c]) => c !== colour));
    return { ...draft, vessels: vessel === auto ? others : { ...others, [colour]: vessel } };
  });

/** Millimetres across the drawing when only narrow vessels are used. */
const leastWidth = 90;

/** One vessel a colour, drawn to one scale and filled in bands, with what to melt and to open. */
export function Pots(props: { draft: Draft; edit: Edit; tally: Tally; reference: Reference }) {
  const { draft, tally, reference, edit } = props;
  const wording = useWording();
  const total = tally.pots.reduce((sum, pot) => sum + pot.toMelt.value, 0);
  const packs = tally.pots.reduce((sum, pot) => sum + pot.packs.value, 0);
  // A colour none of whose pieces fits the chosen vessel has no pot, and still needs the choice.
  const potless = Object.keys(draft.vessels).filter(
    (colour) => draft.lines.some((l) => l.colour === colour) && !tally.pots.some((p) => p.colour === colour),
  );

  const used = tally.pots.map((pot) => reference.vessels.find((v) => v.code === pot.vessel)?.top ?? 0);
  const widest = Math.max(leastWidth, ...used);

  const note = (colour: string) => {
    const problems = tally.problems.filter((p) => p.field === `vessels.${colour}`);
    return problems.map((p) => `${p.reason} ${p.remedy}`).join(" ") || undefined;
  };

  return (
    <section aria-labelledby="pots" className="md:col-span-2 xl:col-span-1">
      <header className="flex items-baseline justify-between gap-4">
        <h2 id="pots" className="font-serif text-xl">
          Pots
        </h2>
        <p className="text-ink2 text-[15px]">wafers, hot-flow</p>
      </header>
      {tally.pots.length > 0 && <BandKey />}
      <div className="mt-2 grid gap-x-8 gap-y-5 sm:grid-cols-2 xl:grid-cols-1">
        {tally.pots.map((pot) => (
          <PotView
            key={pot.colour}
            pot={pot}
            reference={reference}
            widest={widest}
            chosen={draft.vessels[pot.colour] ?? auto}
            edit={edit}
            note={note(pot.colour)}
          />
        ))}
        {potless.map((colour) => (
          <div key={colour}>
            <h3 className="text-lg font-bold">{colourOf(reference, colour)?.name}</h3>
            <FieldNote id={`note-vessel-${colour}`} text={note(colour)} />
            <button className="text-act mt-1 font-semibold" onClick={() => chooseVessel(edit, colour, auto)}>
              Find a vessel for me
            </button>
          </div>
        ))}
      </div>
      {tally.pots.length > 0 ? (
        <p className="border-line mt-5 flex justify-between border-t border-dashed pt-3">
          <span className="text-ink2">all colours</span>
          <b>
            {wording.mass(total)}, {bags(packs)}
          </b>
        </p>
      ) : (
        <p className="text-ink2 mt-3">
          A pot for each colour will stand here: how much to melt, and how many bags to open.
        </p>
      )}
    </section>
  );
}

const PotView = memo(function PotView(props: {
  pot: Pot;
  reference: Reference;
  widest: number;
  chosen: string;
  edit: Edit;
  note: string | undefined;
}) {
  const { pot, reference } = props;
  const wording = useWording();
  const colour = colourOf(reference, pot.colour);
  const vessel = reference.vessels.find((v) => v.code === pot.vessel);
  const name = colour?.name ?? pot.colour;
  const [figure, unit] = wording.massParts(pot.toMelt.value);
  const noteId = `note-vessel-${pot.colour}`;

  return (
    <article className="grid grid-cols-[7rem_1fr] items-end gap-x-3.5" data-testid={`pot-${pot.colour}`}>
      <VesselView pot={pot} vessel={vessel} srgb={colour?.srgb ?? "#888888"} widest={props.widest} />
      <div className="text-[15px] leading-snug">
        <h3 className="text-[17px] font-bold first-letter:uppercase">{name}</h3>
        <p>
          <How
            what={`${name}, to melt`}
            of={`pots.${pot.colour}.toMelt`}
            className="text-[27px] leading-none font-extrabold"
          >
            <span data-testid="to-melt">{figure}</span>
          </How>{" "}
          {unit} to melt
        </p>
        <p className="text-ink2 mt-1">
          <How what={`${name}, on the pieces`} of={`pots.${pot.colour}.onPieces`}>
            {wording.mass(pot.onPieces.value)}
          </How>{" "}
          on pieces,{" "}
          <How what={`${name}, pool`} of={`pots.${pot.colour}.pool`}>
            {wording.mass(pot.pool.value)}
          </How>{" "}
          pool,{" "}
          <How what={`${name}, spare`} of={`pots.${pot.colour}.spare`}>
            {wording.mass(pot.spare.value)}
          </How>{" "}
          spare
        </p>
        <p className="text-ink2">
          <Choice
            label={`Vessel for ${name}`}
            value={props.chosen}
            onChange={(code) => chooseVessel(props.edit, pot.colour, code)}
            note={props.note && noteId}
            options={[
              { value: auto, label: "whichever wants least" },
              ...pot.vessels.map((choice) => ({
                value: choice.vessel,
                label: reference.vessels.find((v) => v.code === choice.vessel)?.name ?? choice.vessel,
                hint: choice.toMelt === null ? "does not fit" : wording.mass(choice.toMelt),
              })),
            ]}
          >
            {vessel?.name}
          </Choice>
          , dip at {wording.temperature(pot.dipAt)}
        </p>
        <p className="font-semibold">
          <How what={`${name}, packs`} of={`pots.${pot.colour}.packs`}>
            <span data-testid="packs">{bags(pot.packs.value)}</span>
          </How>{" "}
          of {wording.pack(pot.packSize)}
        </p>
        <p className="text-ink2">{wording.mass(pot.leftInPack)} stays in the bag</p>
        <FieldNote id={noteId} text={props.note} />
      </div>
    </article>
  );
});
