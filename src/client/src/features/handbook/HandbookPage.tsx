import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useEffect } from "react";
import { Link, useSearchParams } from "wouter";
import { answer, api, type HandbookEntry, type HandbookSection } from "../../api/client";
import { TextField } from "../../ui/fields";
import { ErrorNote, Waiting } from "../../ui/notes";
import { SourceWords } from "../../ui/SourceTag";
import { useWording } from "../../ui/units";
import { found, sectionNames } from "./search";
import { capital, say } from "../../wording/say";

/** The trade's words, tables, methods and rules, with what this kitchen has learned beside them. */
export function HandbookPage() {
  // What is being looked for stands in the address, so that a refresh keeps it.
  const [search, setSearch] = useSearchParams();
  const find = search.get("find") ?? "";
  const wanted = useDeferredValue(find);
  const book = useQuery({
    queryKey: ["handbook"],
    queryFn: () => answer(api.GET("/api/handbook")),
    staleTime: 60_000,
  });
  useEffect(() => {
    document.title = say("handbook.handbook-kondiba");
  }, []);
  if (book.error) return <ErrorNote error={book.error} retry={() => void book.refetch()} />;
  if (!book.data) return <Waiting />;
  const sections = found(book.data, wanted);
  return (
    <div className="mx-auto max-w-6xl px-4 pt-3 sm:px-10">
      <div className="flex flex-wrap items-end gap-x-10 gap-y-3">
        <h1 className="font-serif text-[38px] leading-tight">{say("handbook.handbook")}</h1>
        <div className="w-72 print:hidden">
          <TextField
            label={say("handbook.find-word-centre-problem")}
            value={find}
            onChange={(text) => setSearch(text ? { find: text } : {}, { replace: true })}
          />
        </div>
        <Link className="text-act ml-auto font-bold print:hidden" to="/wall-card">
          {say("ui.wall-card")}
        </Link>
      </div>
      <p className="text-ink2 mt-2">{say("handbook.these-tables-what-kondiba-calculates")}</p>
      <nav aria-label={say("handbook.sections")} className="mt-3 flex flex-wrap gap-x-4 gap-y-1 print:hidden">
        {sections.map((s) => (
          <a key={s.code} href={`#${s.code}`} className="text-act font-semibold">
            {sectionNames[s.code] ?? s.code}
          </a>
        ))}
      </nav>
      {sections.length === 0 && (
        <p role="status" className="mt-6 text-lg">
          {say("handbook.nothing-found-try-another-word", { find })}
        </p>
      )}
      {sections.map((section) => (
        <Section key={section.code} section={section} />
      ))}
    </div>
  );
}

function Section({ section }: { section: HandbookSection }) {
  return (
    <section aria-labelledby={section.code} className="mt-8">
      <h2 id={section.code} className="border-board border-b-4 pb-0.5 font-serif text-[24px]">
        {sectionNames[section.code] ?? section.code}
      </h2>
      <div className="mt-3 gap-x-12 md:columns-2">
        {section.entries.map((entry) => (
          <Entry key={entry.code} entry={entry} />
        ))}
      </div>
    </section>
  );
}

function Entry({ entry }: { entry: HandbookEntry }) {
  const wording = useWording();
  return (
    <article className="mb-5 break-inside-avoid">
      <h3 className="font-bold">{capital(entry.title)}</h3>
      {entry.text.map((text) => (
        <p key={text} className="leading-snug">
          {text}
        </p>
      ))}
      {entry.source && <SourceWords source={entry.source} />}
      {entry.facts.length > 0 && (
        <table className="mt-1 w-full text-left text-[15px] leading-snug">
          <tbody>
            {entry.facts.map((fact, i) => (
              <tr key={i} className="border-line border-t border-dashed align-baseline">
                <th className="py-0.5 pr-3 font-normal">{fact.what}</th>
                <td className="pr-3 font-semibold whitespace-nowrap">
                  {fact.unit === "d"
                    ? say("handbook.day-count", { count: fact.value })
                    : wording.value(fact.value, fact.unit)}
                </td>
                <td>
                  <SourceWords source={fact.source} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </article>
  );
}
