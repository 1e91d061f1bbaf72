import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link } from "wouter";
import { referenceQuery, useKitchen } from "../../api/queries";
import { ErrorNote, Waiting } from "../../ui/notes";
import { Pages } from "./Pages";
import { Temperatures } from "./Temperatures";
import { capital, listedOr, say } from "../../wording/say";

/** The card of temperatures and thinning that hangs on the wall. */
export function WallCardPage() {
  const reference = useQuery(referenceQuery);
  const kitchen = useKitchen().data;
  useEffect(() => {
    document.title = say("paper.wall-card-kondiba");
  }, []);
  if (reference.error) return <ErrorNote error={reference.error} retry={() => void reference.refetch()} />;
  if (!reference.data) return <Waiting />;
  const { coatings, thinners } = reference.data;
  return (
    <div className="mx-auto max-w-[60rem] px-4 pt-3 sm:px-8 print:m-0 print:max-w-none print:p-0">
      <p className="mb-4 flex justify-between print:hidden">
        <Link to="/handbook" className="text-act font-semibold">
          {say("paper.handbook")}
        </Link>
        <button className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold" onClick={() => window.print()}>
          {say("ui.print")}
        </button>
      </p>
      <Pages label={say("ui.wall-card")}>
        <article className="paper paper-a4 p-[12mm] text-[10.5pt] leading-snug shadow-lg print:shadow-none">
          <h1 className="font-serif text-[24pt] leading-tight">{say("paper.how-warm-how-thin")}</h1>
          <p>{kitchen?.name}</p>
          <div className="mt-3 grid grid-cols-2 gap-x-[8mm] gap-y-[4mm]">
            {coatings.map((coating) => (
              <section key={coating.code} className="break-inside-avoid">
                <h2 className="border-b border-[#a98a5f] text-[12.5pt] font-bold">{capital(coating.name)}</h2>
                <Temperatures coating={coating} />
                <p className="text-[9.5pt]">
                  {coating.thinners.length > 0 &&
                    say("paper.thin-with", {
                      thinners: listedOr(coating.thinners.map((t) => thinners.find((x) => x.code === t)?.name ?? t)),
                    })}
                  {coating.note}
                </p>
              </section>
            ))}
          </div>
          <section className="mt-[5mm]">
            <h2 className="border-b border-[#a98a5f] text-[12.5pt] font-bold">{say("paper.thinning")}</h2>
            <p>{say("paper.warm-dipping-temperature-first-thin")}</p>
            <ul>
              {thinners.map((t) => (
                <li key={t.code}>
                  <b className="inline-block">{capital(t.name)}</b>: {t.how}
                </li>
              ))}
            </ul>
          </section>
          <p className="absolute right-[12mm] bottom-[8mm] left-[12mm] text-[8.5pt]">
            {say("paper.common-practice-values-from-memory")}
          </p>
        </article>
      </Pages>
    </div>
  );
}
