import type { Label, LabelSettings } from "../../api/client";
import { longDayName, type Wording } from "../../ui/units";
import { capital, say } from "../../wording/say";

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
          {say("ui.contains-3")} <b>{label.contains.join(", ")}</b>.{" "}
        </>
      )}
      {label.mayContain.length > 0 && (
        <>{say("packing.may-contain-traces", { mayContain: label.mayContain.join(", ") })} </>
      )}
      {label.notKnown.length > 0 && (
        <b>{say("packing.we-dont-know-what-ask", { notKnown: label.notKnown.join(", ") })} </b>
      )}
    </>
  );
}

export const piecesOf = (label: Label) => label.pieces.map((p) => `${p.count} ${p.what}`).join(", ");

/** "Made Sat 12 Dec. Best by Sun 13 Dec; eat by Mon 14 Dec." */
export function keptOf(label: Label): string {
  const made = say("packing.made", { madeOn: longDayName(label.madeOn) });
  if (!label.bestBy || !label.eatBy) return made;
  if (label.bestBy === label.madeOn)
    return say("packing.best-same-day-eat-by", { made, eatBy: longDayName(label.eatBy) });
  return label.bestBy === label.eatBy
    ? say("packing.eat-by", { made, eatBy: longDayName(label.eatBy) })
    : say("packing.best-by-keeps-until", { made, bestBy: longDayName(label.bestBy), eatBy: longDayName(label.eatBy) });
}

/** All that a label says besides its code. */
export function LabelText({ label, settings, wording }: { label: Label; settings: LabelSettings; wording: Wording }) {
  return (
    <>
      <p className="text-[1.25em] leading-tight font-bold">{capital(piecesOf(label))}</p>
      <p>
        {say("packing.ingredients")} <Contents label={label} />.
      </p>
      <p>
        <AllergenWords label={label} />
      </p>
      <p>{keptOf(label)}</p>
      {label.storage.map((s) => (
        <p key={s.how}>
          {label.storage.length > 1 && <b className="inline-block">{capital(s.what)}</b>}
          {label.storage.length > 1 && ": "}
          {s.how}
        </p>
      ))}
      {settings.notice && <p className="whitespace-pre-line">{settings.notice}</p>}
      <p>
        {settings.maker && <span className="whitespace-pre-line">{settings.maker} · </span>}
        {say("packing.net-batch", {
          net: wording.us ? `${wording.mass(label.net)} (${Math.round(label.net)} g)` : wording.mass(label.net),
          lot: label.lot,
        })}
      </p>
    </>
  );
}
