import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams } from "wouter";
import type { Look, Reference } from "../../api/client";
import { centreOf, colourOf, looksQuery, referenceQuery, sizeOf } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { ErrorNote, Waiting } from "../../ui/notes";
import { depthName, span, useWording } from "../../ui/units";
import { useTally } from "../order/useTally";
import { PiecePicture } from "../piece/PiecePicture";
import { pieceOf } from "../piece/points";
import { designOf, orderOf } from "./designed";
import { say } from "../../wording/say";

/** A look on a card to print: how it comes out and how it is made. */
export function CardPage() {
  const { code } = useParams();
  const looks = useQuery(looksQuery);
  const reference = useQuery(referenceQuery);
  const error = looks.error ?? reference.error;
  if (error) return <ErrorNote error={error} retry={() => void looks.refetch()} />;
  if (!looks.data || !reference.data) return <Waiting />;
  const look = looks.data.find((l) => l.look.code === code)?.look;
  return look ? (
    <Card look={look} reference={reference.data} />
  ) : (
    <ErrorNote error={new Error(say("looks.look-not-found-see-all"))} />
  );
}

function Card({ look, reference }: { look: Look; reference: Reference }) {
  const wording = useWording();
  const { tally } = useTally(orderOf(designOf(look), 1));
  const line = tally?.lines[0];
  const piece = pieceOf(reference, look, line);
  const colour = (coating: string | null, code: string | null) => colourOf(reference, coating, code);
  useEffect(() => {
    document.title = say("looks.design-card-kondiba", { name: look.name });
  }, [look.name]);
  const colours = [
    { ...look, as: say("looks.coat", { depth: depthName(look.depth) }) },
    ...look.decor.dips.map((d) => ({ ...d, as: say("looks.extra-dip") })),
    ...look.decor.patterns.map((p) => ({
      ...p,
      as: reference.decor.patterns.find((k) => k.code === p.kind)?.name ?? say("looks.pattern"),
    })),
  ];
  return (
    <div className="mx-auto max-w-3xl px-4 pt-4 sm:px-7">
      <p className="mb-4 flex gap-5 print:hidden">
        <button className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold" onClick={() => window.print()}>
          {say("ui.print")}
        </button>
        <Link className="text-act self-center font-semibold" to={`/looks/${look.code}`}>
          {say("looks.back-look")}
        </Link>
      </p>
      <article className="border-ink bg-panel grid gap-x-8 gap-y-4 border-2 p-6 sm:grid-cols-[15rem_1fr]">
        <div className="bg-parchment rounded-lg p-3 print:bg-transparent">
          {piece && (
            <PiecePicture
              look={piece}
              label={say("looks.as-will-look", { name: look.name })}
              className="mx-auto max-h-80 w-full"
            />
          )}
        </div>
        <div>
          <h1 className="font-serif text-3xl">{look.name}</h1>
          <p className="text-ink2">
            {[centreOf(reference, look.centre)?.name, sizeOf(reference, look.centre, look.size)?.name]
              .filter(Boolean)
              .join(", ")}
          </p>
          <ul className="mt-3">
            {colours.map((c, i) => (
              <li key={i} className="border-line flex justify-between border-t border-dashed py-1">
                <span>
                  <Dot srgb={colour(c.coating, c.colour)?.srgb} />
                  {colour(c.coating, c.colour)?.name}
                </span>
                <span className="text-ink2">{c.as}</span>
              </li>
            ))}
          </ul>
          {line?.look && (
            <p className="mt-3">
              <b>{wording.mass(line.perPiece.value)}</b> {say("looks.coating")}
              {line.look.drizzle.value > 0 && (
                <>
                  , <b>{wording.mass(line.look.drizzle.value)}</b> {say("ui.drizzle")}
                </>
              )}
              {line.look.time.value > 0 && (
                <>
                  , <b>{span(line.look.time.value * 12)}</b> {say("looks.dozen-decorate")}
                </>
              )}
              {line.look.round && (
                <>
                  {say("looks.rounds")} <b>{line.look.round.value}</b>
                </>
              )}
              .
            </p>
          )}
        </div>
        <ol className="list-decimal space-y-1 pl-5 sm:col-span-2">
          {line?.look?.steps.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
      </article>
    </div>
  );
}
