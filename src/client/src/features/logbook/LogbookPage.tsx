import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useSearchParams } from "wouter";
import { answer, api, type Logbook, type LoggedBatch, type Suggestion } from "../../api/client";
import { centreOf, logbookQuery, referenceQuery, signsQuery, useKitchen, useOwner } from "../../api/queries";
import { TextButton, Undoable } from "../../ui/buttons";
import { ErrorNote, Waiting } from "../../ui/notes";
import { dates, dayName, span, useWording } from "../../ui/units";
import { groupsOf, row } from "./batches";
import { Glasses } from "./Glasses";
import { HandRows } from "./HandRows";
import { useLearning } from "./useLearning";
import { noon } from "../../ui/localTime";
import { capital, say } from "../../wording/say";

const shown = 8;
const month = dates({ month: "long", year: "numeric", timeZone: "UTC" });

/** What was weighed, what it taught, and what to do differently. */
export function LogbookPage() {
  const logbook = useQuery(logbookQuery);
  useEffect(() => {
    document.title = say("logbook.logbook-kondiba");
  }, []);
  if (logbook.error) return <ErrorNote error={logbook.error} retry={() => void logbook.refetch()} />;
  if (!logbook.data) return <Waiting />;
  const { batches, hand, next, says, learning, totals } = logbook.data;
  return (
    <div className="mx-auto max-w-[80rem] px-4 pt-4 sm:px-10">
      <header className="flex flex-wrap items-center justify-between gap-x-6 gap-y-3">
        <h1 className="flex flex-wrap items-baseline gap-x-4">
          <span className="font-serif text-[40px] leading-tight">{say("ui.logbook")}</span>
          <span className="text-ink2 text-base">
            {say("logbook.batch-count", { count: batches.length })}
            {says && ` · ${says}`}
          </span>
        </h1>
        <Link to="/logbook/new" className="bg-act text-on-act rounded-full px-6 py-2.5 font-bold">
          {say("logbook.log-batch")}
        </Link>
      </header>
      {batches.length === 0 ? (
        <Empty />
      ) : (
        <div className="mt-2 grid gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_20rem]">
          <div className="min-w-0">
            <Questioned batches={batches} />
            <Board batches={batches} />
            <h2 className="mt-8 font-serif text-2xl">{say("logbook.how-you-work")}</h2>
            <p className="text-ink2">{say("logbook.compared-with-tables-dot-your")}</p>
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
      <p className="font-serif text-xl">{say("logbook.weigh-pot-twice-next-plan")}</p>
      <p className="mt-2">{say("logbook.before-first-piece-after-last")}</p>
      <p className="mt-3">
        <Link to="/trouble" className="text-act font-semibold">
          {say("logbook.something-wrong-now")}
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
    <section aria-label={say("logbook.planned-weighed")}>
      <div role="group" aria-label={say("ui.kind")} className="flex flex-wrap gap-x-5 gap-y-1">
        {groups.map((g) => (
          <button
            key={g.key}
            aria-pressed={g === at}
            className={`border-b-3 py-1 ${g === at ? "border-act font-bold" : "text-ink2 border-transparent"}`}
            onClick={() => setParams({ of: g.key }, { replace: true })}
          >
            {capital(g.name)}
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
      {say("logbook.so-far-from-others-nothing", {
        count: odd.length === 1 ? say("logbook.one-batch") : say("logbook.batches-2", { count: odd.length }),
        count2: odd.length,
      })}{" "}
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
        {say("logbook.next-time")}
      </h2>
      {before && keep.isSuccess && (
        <Undoable
          says={say("logbook.from-now", { says: before.says })}
          act={say("ui.undo")}
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
      {next.length === 0 && <p className="text-ink2 mt-2">{say("logbook.nothing-change-so-far")}</p>}
      <ul>
        {next.map((s) => (
          <li key={s.code} className="border-line border-t border-dashed py-3 leading-snug first:mt-2">
            <b className="block">{capital(s.title)}</b>
            <span className="text-[15px]">{s.evidence}</span>
            {s.ways && owner && (
              <span className="mt-1 block">
                <TextButton onClick={() => void adopt(s)} label={say("logbook.use-from-now", { title: s.title })}>
                  {say("logbook.use-from-now-2")}
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
        {say("ui.what-went-wrong")}
      </h2>
      <ul className="mt-2">
        {wrong.length === 0 && <li className="text-ink2">{say("logbook.nothing-so-far")}</li>}
        {wrong.map(({ b, w }) => (
          <li key={`${b.id}.${w.sign}`} className="border-line border-t border-dashed py-2.5 leading-snug">
            <Link to={`/logbook/${b.id}`} className="font-bold">
              {signs.find((s) => s.code === w.sign)?.name ?? w.sign}
            </Link>
            <span className="text-ink2 block text-[15px]">
              {dayName(b.batch.madeOn)}
              {w.pieces ? say("logbook.on-pieces", { pieces: w.pieces }) : ""}
              {!w.cause && (
                <>
                  {" · "}
                  <Link className="text-act font-semibold" to={`/trouble/${w.sign}?batch=${b.id}`}>
                    {say("logbook.find-out-why")}
                  </Link>
                </>
              )}
            </span>
          </li>
        ))}
      </ul>
      <p className="border-line border-t border-dashed pt-3">
        <Link to="/trouble" className="text-act font-semibold">
          {say("logbook.something-wrong-now")}
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
          {say("logbook.batches-before-ignored", { from: dayName(learning.from) })}{" "}
          <TextButton onClick={() => keep.mutate({ from: null })}>{say("logbook.use-all-them-again")}</TextButton>
        </>
      ) : (
        <>
          {say("logbook.new-bowls-or-new-kitchen")}{" "}
          <TextButton onClick={() => keep.mutate({ from: today })}>
            {say("logbook.start-learning-from-scratch-today")}
          </TextButton>
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
          {say("logbook.totals")}
        </h2>
        {owner && (
          <a className="text-act font-semibold" href="/api/files/logbook.csv" download="logbook.csv">
            {say("ui.export")}
          </a>
        )}
      </div>
      <ul className="mt-2">
        {totals.kinds.map((k) => (
          <li key={k.centre} className={row}>
            <b>{capital((reference && centreOf(reference, k.centre)?.plural) ?? k.centre)}</b>
            <span aria-hidden className="bg-board h-3 rounded-full" style={{ width: `${(100 * k.made) / most}%` }} />
            <span>
              {say("logbook.made-3", { made: k.made })}
              {k.spoilt > 0 && say("logbook.went-wrong-2", { spoilt: k.spoilt })}
              {k.dozen !== null && say("logbook.dipping-dozen", { dozen: span(k.dozen) })}
            </span>
          </li>
        ))}
      </ul>
      <ul className="mt-4">
        {totals.months.map((m) => (
          <li key={m.month} className="border-line flex flex-wrap gap-x-6 border-t border-dashed py-1.5">
            <b className="w-44">{month.format(noon(m.month))}</b>
            <span>
              {m.off !== null && say("logbook.weighed-within-plan", { off: Math.ceil(m.off * 100) })}
              {say("logbook.left-over", { left: wording.mass(m.left) })}
              {owner && m.lost > 0 && say("logbook.lost-with-with-what-went", { lost: wording.money(m.lost) })}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
