import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { answer, api, type Logbook, type LoggedBatch, type Suggestion } from "../../api/client";
import { centreOf, logbookQuery, referenceQuery, signsQuery, useKitchen, useOwner } from "../../api/queries";
import { TextButton, Undoable } from "../../ui/buttons";
import { ErrorNote, Waiting } from "../../ui/notes";
import { dayName, span, useWording } from "../../ui/units";
import { groupsOf, row } from "./batches";
import { Glasses } from "./Glasses";
import { HandRows } from "./HandRows";
import { useLearning } from "./useLearning";

const shown = 8;
const month = new Intl.DateTimeFormat("en-GB", { month: "long", year: "numeric", timeZone: "UTC" });

/** What was weighed, what it taught, and what to do differently. */
export function LogbookPage() {
  const logbook = useQuery(logbookQuery);
  useEffect(() => {
    document.title = "Logbook · Kondiba";
  }, []);
  if (logbook.error) return <ErrorNote error={logbook.error} retry={() => void logbook.refetch()} />;
  if (!logbook.data) return <Waiting />;
  const { batches, hand, next, says, learning, totals } = logbook.data;
  return (
    <div className="mx-auto max-w-[80rem] px-4 pt-4 sm:px-10">
      <header className="flex flex-wrap items-center justify-between gap-x-6 gap-y-3">
        <h1 className="flex flex-wrap items-baseline gap-x-4">
          <span className="font-serif text-[40px] leading-tight">Logbook</span>
          <span className="text-ink2 text-base">
            {batches.length === 1 ? "1 batch" : `${batches.length} batches`}
            {says && ` · ${says}`}
          </span>
        </h1>
        <Link to="/logbook/new" className="bg-act text-on-act rounded-full px-6 py-2.5 font-bold">
          Log a batch
        </Link>
      </header>
      {batches.length === 0 ? (
        <Empty />
      ) : (
        <div className="mt-2 grid gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_20rem]">
          <div className="min-w-0">
            <Questioned batches={batches} />
            <Board batches={batches} />
            <h2 className="mt-8 font-serif text-2xl">What your hand does</h2>
            <p className="text-ink2">
              Beside what the tables say: the dot is your value, the band where it lies nine times in ten.
            </p>
            <HandRows hand={hand} learning={learning} />
            <StartOver learning={learning} />
            <Sums totals={totals} />
          </div>
          <aside className="flex flex-col gap-8">
            <Next next={next} />
            <Wrong batches={batches} />
          </aside>
        </div>
      )}
    </div>
  );
}

function Empty() {
  return (
    <div className="border-board bg-panel mt-6 max-w-[44em] border-l-4 px-6 py-5">
      <p className="font-serif text-xl">Weigh the pot twice, and the next plan is yours.</p>
      <p className="mt-2">
        Before the first piece and after the last: that tells how much coating your pieces really take. Until then every
        amount comes from the tables. Three batches are enough to see the difference.
      </p>
      <p className="mt-3">
        <Link to="/trouble" className="text-act font-semibold">
          Something is wrong now …
        </Link>
      </p>
    </div>
  );
}

/** One tab for each kind of batch, and its glasses. */
function Board({ batches }: { batches: LoggedBatch[] }) {
  const groups = groupsOf(batches);
  const [params, setParams] = useSearchParams();
  const at = groups.find((g) => g.key === params.get("of")) ?? groups[0];
  if (!at) return null;
  return (
    <section aria-label="Planned and weighed">
      <div role="group" aria-label="Kind" className="flex flex-wrap gap-x-5 gap-y-1">
        {groups.map((g) => (
          <button
            key={g.key}
            aria-pressed={g === at}
            className={`border-b-3 py-1 first-letter:uppercase ${g === at ? "border-act font-bold" : "text-ink2 border-transparent"}`}
            onClick={() => setParams({ of: g.key }, { replace: true })}
          >
            {g.name}
          </button>
        ))}
      </div>
      <Glasses batches={at.batches.slice(-shown)} />
      {at.batches.length > shown && (
        <ul className="mt-3 flex flex-wrap gap-x-4 text-[15px]">
          {at.batches.slice(0, -shown).map((b) => (
            <li key={b.id}>
              <Link className="text-act font-semibold" to={`/logbook/${b.id}`}>
                {dayName(b.batch.madeOn)}
              </Link>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** Batches in which something is likelier a slip of the scale than not. */
function Questioned({ batches }: { batches: LoggedBatch[] }) {
  const odd = batches.filter((b) => b.questioned);
  if (odd.length === 0) return null;
  return (
    <p role="status" className="border-mind bg-mind-ground mb-4 border-l-4 px-4 py-2">
      {odd.length === 1 ? "One batch is" : `${odd.length} batches are`} so far from the others that nothing is learned
      from {odd.length === 1 ? "it" : "them"} until you have looked again:{" "}
      {odd.map((b, i) => (
        <span key={b.id}>
          {i > 0 && ", "}
          <Link className="text-act font-semibold" to={`/logbook/${b.id}`}>
            {dayName(b.batch.madeOn)}
          </Link>
        </span>
      ))}
      .
    </p>
  );
}

/** What the logbook suggests changing; one tap makes it so. */
function Next({ next }: { next: Suggestion[] }) {
  const queries = useQueryClient();
  const owner = useOwner();
  const [before, setBefore] = useState<{ says: string; ways: NonNullable<Suggestion["ways"]> }>();
  const keep = useMutation({
    mutationFn: (ways: NonNullable<Suggestion["ways"]>) => answer(api.PUT("/api/kitchen/ways", { body: ways })),
    onSuccess: () => queries.invalidateQueries(),
  });
  const adopt = async (s: Suggestion) => {
    if (!s.ways) return;
    const now = (await answer(api.GET("/api/kitchen/things"))).ways;
    setBefore({ says: s.title, ways: now });
    keep.mutate(s.ways);
  };
  return (
    <section aria-labelledby="next">
      <h2 id="next" className="font-serif text-2xl">
        Next time
      </h2>
      {before && keep.isSuccess && (
        <Undoable
          says={`${before.says}: from now on.`}
          act="Undo"
          undo={() => {
            keep.mutate(before.ways);
            setBefore(undefined);
          }}
        />
      )}
      {keep.error && (
        <p role="alert" className="text-mind">
          {keep.error.message}
        </p>
      )}
      {next.length === 0 && <p className="text-ink2 mt-2">Nothing to change so far.</p>}
      <ul>
        {next.map((s) => (
          <li key={s.code} className="border-line border-t border-dashed py-3 leading-snug first:mt-2">
            <b className="block first-letter:uppercase">{s.title}</b>
            <span className="text-[15px]">{s.evidence}</span>
            {s.ways && owner && (
              <span className="mt-1 block">
                <TextButton onClick={() => void adopt(s)} label={`use it from now on: ${s.title}`}>
                  Use it from now on
                </TextButton>
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What went wrong, newest first. */
function Wrong({ batches }: { batches: LoggedBatch[] }) {
  const signs = useQuery(signsQuery).data ?? [];
  const wrong = batches.flatMap((b) => b.batch.wrong.map((w) => ({ b, w }))).slice(0, 6);
  return (
    <section aria-labelledby="wrong">
      <h2 id="wrong" className="font-serif text-2xl">
        What went wrong
      </h2>
      <ul className="mt-2">
        {wrong.length === 0 && <li className="text-ink2">Nothing, so far.</li>}
        {wrong.map(({ b, w }) => (
          <li key={`${b.id}.${w.sign}`} className="border-line border-t border-dashed py-2.5 leading-snug">
            <Link to={`/logbook/${b.id}`} className="font-bold">
              {signs.find((s) => s.code === w.sign)?.name ?? w.sign}
            </Link>
            <span className="text-ink2 block text-[15px]">
              {dayName(b.batch.madeOn)}
              {w.pieces ? ` · on ${w.pieces}` : ""}
              {!w.cause && (
                <>
                  {" · "}
                  <Link className="text-act font-semibold" to={`/trouble/${w.sign}?batch=${b.id}`}>
                    find out why
                  </Link>
                </>
              )}
            </span>
          </li>
        ))}
      </ul>
      <p className="border-line border-t border-dashed pt-3">
        <Link to="/trouble" className="text-act font-semibold">
          Something is wrong now …
        </Link>
      </p>
    </section>
  );
}

/** Forgets, from a day on; the batches stay. */
function StartOver({ learning }: { learning: Logbook["learning"] }) {
  const owner = useOwner();
  const today = useKitchen().data?.now.slice(0, 10);
  const keep = useLearning(learning);
  if (!owner || !today) return null;
  return (
    <p className="border-line text-ink2 mt-1 border-t border-dashed pt-3 text-[15px]">
      {learning.from ? (
        <>
          Batches before {dayName(learning.from)} teach nothing.{" "}
          <TextButton onClick={() => keep.mutate({ from: null })}>Use all of them again</TextButton>
        </>
      ) : (
        <>
          New bowls, another kitchen?{" "}
          <TextButton onClick={() => keep.mutate({ from: today })}>Start learning anew from today</TextButton>
        </>
      )}
    </p>
  );
}

/** What it comes to: pieces, time, what was left over. */
function Sums({ totals }: { totals: Logbook["totals"] }) {
  const wording = useWording();
  const owner = useOwner();
  const reference = useQuery(referenceQuery).data;
  const most = Math.max(1, ...totals.kinds.map((k) => k.made));
  return (
    <section aria-labelledby="sums" className="mt-8">
      <div className="flex items-baseline justify-between gap-4">
        <h2 id="sums" className="font-serif text-2xl">
          What it comes to
        </h2>
        {owner && (
          <a className="text-act font-semibold" href="/api/files/logbook.csv" download="logbook.csv">
            Export
          </a>
        )}
      </div>
      <ul className="mt-2">
        {totals.kinds.map((k) => (
          <li key={k.centre} className={row}>
            <b className="first-letter:uppercase">{(reference && centreOf(reference, k.centre)?.plural) ?? k.centre}</b>
            <span aria-hidden className="bg-board h-3 rounded-full" style={{ width: `${(100 * k.made) / most}%` }} />
            <span>
              {k.made} made{k.spoilt > 0 && `, ${k.spoilt} went wrong`}
              {k.dozen !== null && `; ${span(k.dozen)} of dipping a dozen`}
            </span>
          </li>
        ))}
      </ul>
      <ul className="mt-4">
        {totals.months.map((m) => (
          <li key={m.month} className="border-line flex flex-wrap gap-x-6 border-t border-dashed py-1.5">
            <b className="w-44">{month.format(new Date(`${m.month}T12:00:00Z`))}</b>
            <span>
              {m.off !== null && `weighed within ${Math.ceil(m.off * 100)} % of the plan; `}
              {wording.mass(m.left)} left over
              {owner && m.lost > 0 && `; ${wording.money(m.lost)} lost with it and with what went wrong`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
