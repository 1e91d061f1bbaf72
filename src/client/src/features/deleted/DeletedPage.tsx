import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { answer, api, type DeletedView } from "../../api/client";
import { useOwner } from "../../api/queries";
import { TextButton } from "../../ui/buttons";
import { ErrorNote, Waiting } from "../../ui/notes";
import { dates } from "../../ui/units";
import { say } from "../../wording/say";

const day = dates({ day: "numeric", month: "short" });

/** What was deleted in the last 30 days, to be restored. */
export function DeletedPage() {
  const queries = useQueryClient();
  const owner = useOwner();
  const deleted = useQuery({ queryKey: ["deleted"], queryFn: () => answer(api.GET("/api/deleted")), staleTime: 0 });
  const restore = useMutation({
    mutationFn: ({ what, id }: DeletedView) => {
      const path = { params: { path: { id } } };
      if (what === "order") return answer(api.POST("/api/orders/{id}/restore", path));
      if (what === "batch") return answer(api.POST("/api/logbook/batches/{id}/restore", path));
      return answer(api.POST("/api/deleted/{id}/restore", path));
    },
    onSuccess: () => queries.invalidateQueries(),
  });
  useEffect(() => {
    document.title = say("deleted.deleted-kondiba");
  }, []);
  if (deleted.isError) return <ErrorNote error={deleted.error} retry={() => void deleted.refetch()} />;
  if (deleted.isPending) return <Waiting />;
  return (
    <div className="mx-auto max-w-3xl px-4 pt-3 sm:px-10">
      <h1 className="font-serif text-[38px] leading-tight">{say("deleted.deleted")}</h1>
      <p className="text-ink2">{say("deleted.for-thirty-days")}</p>
      <p role="status" className="text-go mt-2 font-semibold">
        {restore.isSuccess && say("deleted.restored", { name: restore.variables.name })}
      </p>
      {restore.isError && <ErrorNote error={restore.error} />}
      {deleted.data.length === 0 ? (
        <p className="mt-6 text-lg">{say("deleted.nothing")}</p>
      ) : (
        <ul className="mt-3">
          {deleted.data.map((d) => (
            <li key={d.id} className="border-line flex flex-wrap items-baseline gap-x-5 gap-y-1 border-b py-2.5">
              <span className="grow">
                <b>{d.name || say("ui.order-4")}</b> <span className="text-ink2">· {d.kind}</span>
              </span>
              <span className="text-ink2 text-[15px]">
                {say("deleted.until", { on: day.format(new Date(d.deletedAt)), until: day.format(new Date(d.until)) })}
              </span>
              {(owner || d.what !== "item") && (
                <TextButton label={say("deleted.restore-name", { name: d.name })} onClick={() => restore.mutate(d)}>
                  {say("logbook.restore")}
                </TextButton>
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
