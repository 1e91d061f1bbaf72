import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { newId, sentAs } from "../../api/newId";
import { useOwner } from "../../api/queries";
import { ErrorNote } from "../../ui/notes";
import { TextButton } from "../../ui/buttons";
import { say } from "../../wording/say";

const kinds = {
  kitchen: {
    name: say("files.whole-kitchen"),
    out: "/api/files/kitchen.json",
    file: "kondiba-kitchen.json",
    accept: ".json,application/json",
    says: say("files.everything-except-people-links-all"),
  },
  orders: {
    name: say("ui.orders"),
    out: "/api/files/orders.csv",
    file: "kondiba-orders.csv",
    accept: ".csv,text/csv",
    says: say("files.one-row-each-line-order"),
  },
  pantry: {
    name: say("ui.pantry"),
    out: "/api/files/pantry.csv",
    file: "kondiba-pantry.csv",
    accept: ".csv,text/csv",
    says: say("files.one-row-each-lot-importing"),
  },
  logbook: {
    name: say("ui.logbook"),
    out: "/api/files/logbook.csv",
    file: "kondiba-logbook.csv",
    accept: ".csv,text/csv",
    says: say("files.one-row-each-kind-piece"),
  },
} as const;

type Kind = keyof typeof kinds;

const send = (kind: Kind, text: string, apply: boolean, key: string) => {
  const [query, body, header] = [{ apply }, { text }, sentAs(key)];
  if (kind === "kitchen") return answer(api.POST("/api/files/kitchen", { params: { query }, body }));
  const request = { params: { query, header }, body };
  if (kind === "logbook") return answer(api.POST("/api/files/logbook", request));
  return answer(kind === "orders" ? api.POST("/api/files/orders", request) : api.POST("/api/files/pantry", request));
};

/** Files out and in: what an import would change is shown before it does. */
export function Files() {
  const owner = useOwner();
  if (!owner) return <p className="text-ink2">{say("files.files-contain-prices-so-only")}</p>;
  return (
    <div className="max-w-3xl">
      {(Object.keys(kinds) as Kind[]).map((kind) => (
        <FileKind key={kind} kind={kind} />
      ))}
      <p className="text-ink2 mt-6">
        {say("files.the")}{" "}
        <a
          className="text-act font-semibold"
          href="/api/files/kitchen.schema.json"
          download="kondiba-kitchen.schema.json"
        >
          {say("files.json-schema")}
        </a>{" "}
        {say("files.describes-file-whole-kitchen-csv")}
      </p>
    </div>
  );
}

function FileKind({ kind }: { kind: Kind }) {
  const { name, out, file, accept, says } = kinds[kind];
  const queries = useQueryClient();
  const [text, setText] = useState<string>();
  const [key, setKey] = useState(newId);
  const look = useMutation({ mutationFn: (text: string) => send(kind, text, false, key) });
  const take = useMutation({
    mutationFn: async (text: string) => {
      if (kind === "kitchen") {
        const copy = document.createElement("a");
        copy.href = URL.createObjectURL(await (await fetch(out)).blob());
        copy.download = "kondiba-kitchen-before.json";
        copy.click();
        URL.revokeObjectURL(copy.href);
      }
      return send(kind, text, true, key);
    },
    onSuccess: async () => {
      setText(undefined);
      await queries.invalidateQueries();
    },
  });
  const plan = take.data ?? look.data;
  const forget = () => {
    setText(undefined);
    look.reset();
    take.reset();
  };
  return (
    <section aria-label={name} className="border-line border-t border-dashed py-5 first:border-t-0 first:pt-0">
      <h2 className="font-serif text-[22px]">{name}</h2>
      <p className="text-ink2">{says}</p>
      <p className="mt-2 flex flex-wrap items-center gap-x-6 gap-y-2">
        <a className="text-act font-semibold" href={out} download={file}>
          {say("ui.export")} {file.split(".").at(-1)?.toUpperCase()}
        </a>
        <label className="text-act has-focus-visible:outline-act cursor-pointer font-semibold has-focus-visible:outline-2">
          {say("files.import-file")}
          <input
            type="file"
            aria-label={say("files.file-import", { name })}
            accept={accept}
            className="sr-only"
            onChange={(e) => {
              const chosen = e.target.files?.[0];
              if (!chosen) return;
              void chosen.text().then((read) => {
                take.reset();
                setText(read);
                setKey(newId());
                look.mutate(read);
              });
              e.target.value = "";
            }}
          />
        </label>
        {(look.isPending || take.isPending) && (
          <span role="status" className="text-ink2">
            {say("files.reading")}
          </span>
        )}
      </p>
      {(look.isError || take.isError) && <ErrorNote error={(look.error ?? take.error) as Error} />}
      {plan && plan.problems.length > 0 && (
        <div role="alert" className="border-mind bg-mind-ground mt-3 border-l-4 px-4 py-2">
          <p className="font-bold">{say("files.nothing-was-changed-correct-these")}</p>
          <ul className="mt-1 max-h-80 overflow-y-auto">
            {plan.problems.map((problem, i) => (
              <li key={i} className="py-0.5">
                {problem.line > 0 && <b>{say("files.line", { line: problem.line })} </b>}
                {problem.field && <span className="text-mind font-semibold">{problem.field}: </span>}
                {problem.reason}
              </li>
            ))}
          </ul>
        </div>
      )}
      {plan && plan.problems.length === 0 && (
        <div role="status" className="border-go bg-panel mt-3 border-l-4 px-4 py-2">
          <p className="font-bold">
            {plan.done ? "Done:" : plan.changes.length > 0 ? say("files.this-would-change") : say("files.no-changes")}
          </p>
          <ul className="mt-1 max-h-80 overflow-y-auto">
            {plan.changes.map((change) => (
              <li key={change}>{change}</li>
            ))}
          </ul>
          {!plan.done && text !== undefined && (
            <p className="mt-2 flex gap-5">
              <button
                className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold disabled:opacity-60"
                disabled={take.isPending}
                onClick={() => take.mutate(text)}
              >
                {say("ui.import")}
              </button>
              <TextButton onClick={forget}>{say("ui.cancel")}</TextButton>
            </p>
          )}
        </div>
      )}
    </section>
  );
}
