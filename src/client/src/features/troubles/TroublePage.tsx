import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useParams, useSearchParams } from "wouter";
import { answer, api, type Cause, type LoggedBatch, type Trouble } from "../../api/client";
import { logbookQuery, signsQuery } from "../../api/queries";
import { ErrorNote, Waiting } from "../../ui/notes";
import { SignPicture } from "./SignPicture";
import { percentSign, say } from "../../wording/say";

/** What went wrong: from what is seen, by few questions, to what to do now. */
export function TroublePage() {
  const { sign } = useParams();
  const [params] = useSearchParams();
  const signs = useQuery(signsQuery);
  useEffect(() => {
    document.title = say("troubles.what-went-wrong-kondiba");
  }, []);
  if (signs.error) return <ErrorNote error={signs.error} retry={() => void signs.refetch()} />;
  if (!signs.data) return <Waiting />;
  const batch = params.get("batch");
  const query = batch ? `?batch=${batch}` : "";
  return (
    <div className="mx-auto max-w-[72rem] px-4 pt-4 sm:px-10">
      {sign ? (
        <Finding key={sign} sign={sign} batch={batch} />
      ) : (
        <>
          <h1 className="font-serif text-[32px] leading-tight">{say("troubles.what-do-you-see")}</h1>
          <ul className="mt-4 grid grid-cols-2 gap-x-6 gap-y-5 sm:grid-cols-3 lg:grid-cols-5">
            {signs.data.map((s) => (
              <li key={s.code}>
                <Link to={`/trouble/${s.code}${query}`} className="group block">
                  <span className="bg-panel block">
                    <SignPicture sign={s.code} />
                  </span>
                  <b className="mt-1.5 block leading-snug group-hover:underline">{s.name}</b>
                  {s.seenHere > 0 && (
                    <span className="text-ink2 text-[15px]">
                      {say("troubles.your-batches", { seenHere: s.seenHere })}
                    </span>
                  )}
                </Link>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

type Answers = Record<string, boolean>;

function Finding({ sign, batch }: { sign: string; batch: string | null }) {
  const [answers, setAnswers] = useState<Answers>({});
  // What nobody knows is not asked again.
  const [unknown, setUnknown] = useState<string[]>([]);
  const told = useQuery({
    queryKey: ["trouble", sign, answers, unknown, batch],
    queryFn: () => answer(api.POST("/api/troubles", { body: { sign, answers, batch, unknown } })),
    placeholderData: (before) => before,
  });
  if (told.error) return <ErrorNote error={told.error} retry={() => void told.refetch()} />;
  if (!told.data) return <Waiting />;
  const t = told.data;
  const ask = t.ask;
  const given = Object.keys(answers).length;
  return (
    <div className="grid gap-x-12 gap-y-6 md:grid-cols-[15rem_minmax(0,1fr)]">
      <aside>
        <span className="bg-panel block">
          <SignPicture sign={sign} />
        </span>
        <h1 className="mt-3 font-serif text-2xl leading-tight">{t.name}</h1>
        <p className="mt-2 flex flex-wrap gap-x-5">
          <Link className="text-act font-semibold" to={batch ? `/trouble?batch=${batch}` : "/trouble"}>
            {say("troubles.looks-different")}
          </Link>
          {given + unknown.length > 0 && (
            <button
              className="text-act font-semibold"
              onClick={() => {
                setAnswers({});
                setUnknown([]);
              }}
            >
              {say("troubles.start-over")}
            </button>
          )}
        </p>
        {Object.keys(t.known).length > 0 && (
          <p className="text-ink2 mt-3 text-[15px]">
            {say("troubles.answers-come-from-batch", { count: Object.keys(t.known).length })}
          </p>
        )}
      </aside>
      <section aria-label={say("troubles.causes")}>
        <div aria-live="polite" className="min-h-27">
          {ask ? (
            <>
              <p className="font-serif text-2xl leading-snug">{ask.ask}</p>
              <p className="mt-3 flex flex-wrap gap-3">
                {[
                  [say("troubles.yes"), true],
                  [say("troubles.no"), false],
                ].map(([says, yes]) => (
                  <button
                    key={String(says)}
                    className="bg-act text-on-act min-w-24 rounded-full px-6 py-2 font-bold"
                    onClick={() => setAnswers({ ...answers, [ask.code]: yes === true })}
                  >
                    {says}
                  </button>
                ))}
                <button className="text-act px-3 font-semibold" onClick={() => setUnknown([...unknown, ask.code])}>
                  {say("troubles.dont-know")}
                </button>
              </p>
            </>
          ) : (
            <p className="font-serif text-2xl leading-snug">
              {(t.causes[0]?.likely ?? 0) >= 0.6 ? say("troubles.most-likely") : say("troubles.may-one-these")}
            </p>
          )}
        </div>
        <ol className="mt-4">
          {t.causes.map((c, i) => (
            <CauseRow key={c.code} cause={c} first={i === 0} trouble={t} batch={batch} />
          ))}
        </ol>
      </section>
    </div>
  );
}

function CauseRow(props: { cause: Cause; first: boolean; trouble: Trouble; batch: string | null }) {
  const { cause, first, trouble, batch } = props;
  const percent = Math.round(cause.likely * 100);
  return (
    <li className="border-line border-t border-dashed py-3">
      <p className="flex items-baseline gap-4">
        <b className={first ? "text-lg" : ""}>{cause.name}</b>
        <span className="text-ink2 ml-auto whitespace-nowrap">
          {percent}${percentSign}
        </span>
      </p>
      <span aria-hidden className="bg-line mt-1 block h-1.5">
        <span className={`block h-full ${first ? "bg-act" : "bg-board"}`} style={{ width: `${percent}%` }} />
      </span>
      <details open={first} className="mt-2">
        <summary className="text-act cursor-pointer font-semibold">{say("troubles.what-do")}</summary>
        <p className="mt-1">
          <b>{say("troubles.now")}</b> {cause.now}
        </p>
        <p className="mt-1">
          <b>{say("troubles.next-time")}</b> {cause.next}
        </p>
        {(cause.because.length > 0 || cause.seenHere > 0) && (
          <ul className="text-ink2 mt-2 text-[15px]">
            {cause.because.map((b) => (
              <li key={b}>{b}</li>
            ))}
            {cause.seenHere > 0 && (
              <li>
                {cause.seenHere === 1
                  ? say("troubles.was-this-once-before-your")
                  : say("troubles.was-this-times-before-your", { seenHere: cause.seenHere })}
              </li>
            )}
          </ul>
        )}
        <p className="text-ink2 mt-1 text-[13px] italic">{cause.tag}</p>
        <Recorded sign={trouble.sign} cause={cause} batch={batch} />
      </details>
    </li>
  );
}

/** Puts into the logbook what it was: on the batch that it was seen on, or the newest. */
function Recorded({ sign, cause, batch }: { sign: string; cause: Cause; batch: string | null }) {
  const queries = useQueryClient();
  const batches = useQuery(logbookQuery).data?.batches ?? [];
  const on: LoggedBatch | undefined = batches.find((b) => b.id === batch) ?? batches[0];
  const keep = useMutation({
    mutationFn: async (to: LoggedBatch) => {
      const others = to.batch.wrong.filter((w) => w.sign !== sign);
      const seen = to.batch.wrong.find((w) => w.sign === sign);
      const wrong = [...others, { sign, pieces: seen?.pieces ?? null, cause: cause.code }];
      await answer(
        api.PUT("/api/logbook/batches/{id}", { params: { path: { id: to.id } }, body: { ...to.batch, wrong } }),
      );
    },
    onSuccess: () => queries.invalidateQueries(),
  });
  if (!on) return null;
  const isKept = on.batch.wrong.some((w) => w.sign === sign && w.cause === cause.code);
  return (
    <p className="mt-1">
      {isKept ? (
        <span role="status" className="text-go font-semibold">
          {say("troubles.saved-logbook-with", { name: on.name })}
        </span>
      ) : (
        <button className="text-act font-semibold" onClick={() => keep.mutate(on)}>
          {say("troubles.this-was-save-logbook-with", { name: on.name })}
        </button>
      )}
    </p>
  );
}
