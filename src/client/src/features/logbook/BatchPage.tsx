import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useLocation, useParams, useSearchParams } from "wouter";
import { answer, ApiError, api, type Batch, type LoggedBatch, type Reference } from "../../api/client";
import { newId } from "../../api/newId";
import { logbookQuery, referenceQuery, useKitchen } from "../../api/queries";
import { ErrorNote, Waiting } from "../../ui/notes";
import { useKeep } from "../../ui/useKeep";
import { BatchForm } from "./BatchForm";
import { PhotoRow } from "../photos/PhotoRow";
import { capital, say } from "../../wording/say";

/** A batch: a new one, empty or as its order or its pot knows it, or one of the logbook. */
export function BatchPage() {
  const { id = "" } = useParams();
  const [params] = useSearchParams();
  const isNew = id === "new";
  const query = { order: params.get("order"), pot: params.get("pot"), melt: params.get("melt") };
  const isDrafted = isNew && (query.melt ?? query.order) !== null;
  const reference = useQuery(referenceQuery);
  const logbook = useQuery({ ...logbookQuery, enabled: !isNew });
  const draft = useQuery({
    queryKey: ["batchDraft", query],
    queryFn: () =>
      answer(
        api.GET("/api/logbook/draft", {
          params: {
            query: {
              ...(query.order && { order: query.order }),
              ...(query.pot && { pot: query.pot }),
              ...(query.melt && { melt: query.melt }),
            },
          },
        }),
      ),
    enabled: isDrafted,
    gcTime: 0,
    retry: false,
  });
  const today = useKitchen().data?.now.slice(0, 10);
  useEffect(() => {
    document.title = say("logbook.batch-kondiba");
  }, []);
  const error = reference.error ?? logbook.error ?? draft.error;
  if (error) return <ErrorNote error={error} retry={() => void draft.refetch()} />;
  if (!reference.data || !today || (isDrafted && !draft.data) || (!isNew && !logbook.data)) return <Waiting />;
  const logged = logbook.data?.batches.find((b) => b.id === id);
  if (!isNew && !logged) return <ErrorNote error={new Error(say("logbook.there-no-such-batch-may"))} />;
  const batch = logged?.batch ?? draft.data ?? emptyBatch(reference.data, today);
  return <Logging key={id} logged={logged} batch={batch} reference={reference.data} />;
}

function emptyBatch(reference: Reference, today: string): Batch {
  const colour = reference.colours.find((c) => c.coating === reference.usualCoating) ?? reference.colours[0];
  return {
    madeOn: today,
    coating: colour?.coating ?? "",
    colour: colour?.code ?? "",
    pieces: [],
    drying: [],
    wrong: [],
  };
}

function Logging({
  logged,
  batch,
  reference,
}: {
  logged: LoggedBatch | undefined;
  batch: Batch;
  reference: Reference;
}) {
  const [, navigate] = useLocation();
  const queries = useQueryClient();
  const [id] = useState(() => logged?.id ?? newId());
  const [form, setForm] = useState(batch);
  const settle = () => queries.invalidateQueries();
  const keep = useKeep(
    (body: Batch) => answer(api.PUT("/api/logbook/batches/{id}", { params: { path: { id } }, body })),
    () => navigate("/logbook"),
    logbookQuery.queryKey,
  );
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE("/api/logbook/batches/{id}", { params: { path: { id } } })),
    onSuccess: settle,
  });
  const restore = useMutation({
    mutationFn: () => answer(api.POST("/api/logbook/batches/{id}/restore", { params: { path: { id } } })),
    onSuccess: async () => {
      remove.reset();
      await settle();
    },
  });
  if (remove.isSuccess)
    return (
      <p role="status" className="border-go bg-panel m-6 max-w-xl border-l-4 px-4 py-3 sm:m-10">
        {say("logbook.batch-was-deleted")}{" "}
        <button className="text-act font-semibold" onClick={() => restore.mutate()}>
          {say("logbook.restore")}
        </button>{" "}
        <button className="text-act ml-3 font-semibold" onClick={() => navigate("/logbook")}>
          {say("logbook.logbook")}
        </button>
      </p>
    );
  return (
    <form
      className="mx-auto max-w-[64rem] px-4 pt-4 sm:px-10"
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate(form);
      }}
    >
      <h1 className="font-serif text-[32px] leading-tight">
        {logged ? capital(logged.name) : say("logbook.log-batch")}
      </h1>
      {logged?.lot && (
        <p>
          {say("logbook.its-labels")} <b>{say("logbook.batch", { lot: logged.lot })}</b>.
          {logged.batch.orderId && (
            <Link className="text-act ml-3 font-semibold" to={`/orders/${logged.batch.orderId}/labels`}>
              {say("ui.labels")}
            </Link>
          )}
        </p>
      )}
      <p className="text-ink2">{say("logbook.weigh-pot-before-first-piece")}</p>
      {logged?.questioned && (
        <Question
          confirm={() => keep.mutate({ ...form, confirmed: true })}
          leaveOut={() => keep.mutate({ ...form, leftOut: true })}
        />
      )}
      <BatchForm
        batch={form}
        change={(part) => setForm((f) => ({ ...f, ...part }))}
        reference={reference}
        errorOf={keep.errorOf}
      />
      {logged && <PhotoRow subject="batches" of={logged.id} name={logged.name} />}
      {keep.error && (
        <p role="alert" className="border-mind bg-mind-ground mt-5 border-l-4 px-3 py-1.5">
          {keep.error.message}{" "}
          {keep.error instanceof ApiError &&
            Object.keys(keep.error.errors).length > 0 &&
            say("ui.fix-highlighted-fields")}
        </p>
      )}
      <p className="mt-6 flex flex-wrap items-center gap-6">
        <button
          type="submit"
          className="bg-act text-on-act rounded-full px-6 py-2 font-bold disabled:opacity-60"
          disabled={keep.isPending}
        >
          {say("ui.save")}
        </button>
        <button type="button" className="text-ink2 font-semibold" onClick={() => navigate("/logbook")}>
          {say("ui.cancel")}
        </button>
        {logged && (
          <button type="button" className="text-act ml-auto font-semibold" onClick={() => remove.mutate()}>
            {say("logbook.delete")}
          </button>
        )}
      </p>
    </form>
  );
}

/** Something in it is so far from the other batches that the maker is asked. */
function Question(props: { confirm: () => void; leaveOut: () => void }) {
  return (
    <div role="status" className="border-mind bg-mind-ground mt-4 border-l-4 px-4 py-3">
      <p>{say("logbook.this-batch-far-from-your")}</p>
      <p className="mt-2 flex flex-wrap gap-6">
        <button type="button" className="text-act font-semibold" onClick={props.confirm}>
          {say("logbook.its-correct")}
        </button>
        <button type="button" className="text-act font-semibold" onClick={props.leaveOut}>
          {say("logbook.leave-out")}
        </button>
      </p>
    </div>
  );
}
