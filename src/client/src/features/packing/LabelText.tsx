import type { Label, LabelSettings } from "../../api/client";
import { longDayName, type Wording } from "../../ui/units";

/** What is in it, by weight, allergens in bold; where the name does not say so, behind it. */
export function Contents({ label }: { label: Label }) {
  return label.contents.map((content, i) => {
    const said = content.contains.filter((a) => content.name.includes(a));
    const behind = content.contains.filter((a) => !said.includes(a));
    return (
      <span key={content.name}>
        {i > 0 && ", "}
        {said.length > 0 ? <b>{content.name}</b> : content.name}
        {behind.length > 0 && (
          <>
            {" ("}
            <b>{behind.join(", ")}</b>)
          </>
        )}
      </span>
    );
  });
}

/** The allergens in a sentence, and what nobody knows. */
export function AllergenWords({ label }: { label: Label }) {
  return (
    <>
      {label.contains.length > 0 && (
        <>
          Contains <b>{label.contains.join(", ")}</b>.{" "}
        </>
      )}
      {label.mayContain.length > 0 && <>May contain traces of {label.mayContain.join(", ")}. </>}
      {label.notKnown.length > 0 && <b>Not known what is in {label.notKnown.join(", ")}: ask before you eat it. </b>}
    </>
  );
}

export const piecesOf = (label: Label) => label.pieces.map((p) => `${p.count} ${p.what}`).join(", ");

/** "Made Sat 12 Dec. Best by Sun 13 Dec; eat by Mon 14 Dec." */
export function keptOf(label: Label): string {
  const made = `Made ${longDayName(label.madeOn)}.`;
  if (!label.bestBy || !label.eatBy) return made;
  if (label.bestBy === label.madeOn) return `${made} Best the same day; eat by ${longDayName(label.eatBy)}.`;
  return label.bestBy === label.eatBy
    ? `${made} Eat by ${longDayName(label.eatBy)}.`
    : `${made} Best by ${longDayName(label.bestBy)}; keeps until ${longDayName(label.eatBy)}.`;
}

/** All that a label says besides its code. */
export function LabelText({ label, settings, wording }: { label: Label; settings: LabelSettings; wording: Wording }) {
  return (
    <>
      <p className="text-[1.25em] leading-tight font-bold first-letter:uppercase">{piecesOf(label)}</p>
      <p>
        Ingredients: <Contents label={label} />.
      </p>
      <p>
        <AllergenWords label={label} />
      </p>
      <p>{keptOf(label)}</p>
      {label.storage.map((s) => (
        <p key={s.how}>
          {label.storage.length > 1 && <b className="inline-block first-letter:uppercase">{s.what}</b>}
          {label.storage.length > 1 && ": "}
          {s.how}
        </p>
      ))}
      {settings.notice && <p className="whitespace-pre-line">{settings.notice}</p>}
      <p>
        {settings.maker && <span className="whitespace-pre-line">{settings.maker} · </span>}
        Net {wording.us ? `${wording.mass(label.net)} (${Math.round(label.net)} g)` : wording.mass(label.net)} · batch{" "}
        {label.lot}
      </p>
    </>
  );
}
