import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useParams } from "wouter";
import type { Order, Reference } from "../../api/client";
import { orderQuery, referenceQuery } from "../../api/queries";
import { Tick } from "../../ui/fields";
import { ErrorNote, Waiting } from "../../ui/notes";
import { draftOf } from "../order/draft";
import { useTally } from "../order/useTally";
import { Pages } from "./Pages";
import { PotCards } from "./PotCards";
import { SetDownPages } from "./SetDownPages";
import { TemplatePages } from "./TemplatePages";
import { useSetDownMaps } from "./usePaper";
import { say } from "../../wording/say";

const kinds = [
  ["trays", say("paper.set-down-maps"), say("paper.where-each-piece-goes-rounds")],
  ["templates", say("paper.templates"), say("paper.outlines-dip-edge-drizzle-lines")],
  ["pots", say("paper.pot-cards"), say("paper.one-card-pot-what-melt")],
] as const;

/** Paper for the counter. */
export function PaperPage() {
  const { id = "" } = useParams();
  const order = useQuery(orderQuery(id, "paper"));
  const reference = useQuery(referenceQuery);
  const error = order.error ?? reference.error;
  if (error) return <ErrorNote error={error} retry={() => void order.refetch()} />;
  if (!order.data || !reference.data) return <Waiting />;
  return <Paper order={order.data} reference={reference.data} />;
}

function Paper({ order, reference }: { order: Order; reference: Reference }) {
  const { kind = "trays" } = useParams();
  const draft = draftOf(order);
  const { tally } = useTally(draft, order.tally);
  const maps = useSetDownMaps(draft);
  const [trueSize, setTrueSize] = useState(false);
  const [mirrored, setMirrored] = useState(false);
  const shown = kinds.find(([path]) => path === kind) ?? kinds[0];
  useEffect(() => {
    document.title = say("paper.kondiba", { shown: shown[1], name: order.name ?? say("ui.order") });
  }, [shown, order.name]);
  return (
    <div className="mx-auto max-w-[77rem] px-4 pt-3 sm:px-8 print:m-0 print:max-w-none print:p-0">
      <div className="print:hidden">
        <p>
          <Link to={`/orders/${order.id}`} className="text-act font-semibold">
            ← {order.name ?? say("ui.order-4")}
          </Link>
        </p>
        <h1 className="mt-1 font-serif text-[34px] leading-tight">
          {order.name}
          {say("paper.print-counter")}
        </h1>
        <nav aria-label={say("paper.kinds-paper")} className="border-line mt-3 flex flex-wrap gap-x-6 border-b">
          {kinds.map(([path, name]) => (
            <Link
              key={path}
              to={`/orders/${order.id}/paper/${path}`}
              replace
              aria-current={path === shown[0] ? "page" : undefined}
              className={[
                "-mb-px border-b-[3px] pb-2 font-semibold",
                path === shown[0] ? "border-act text-ink" : "text-ink2 border-transparent",
              ].join(" ")}
            >
              {name}
            </Link>
          ))}
        </nav>
        <div className="my-4 flex flex-wrap items-center gap-x-6 gap-y-2">
          <button className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold" onClick={() => window.print()}>
            {say("ui.print")}
          </button>
          {shown[0] === "trays" && (
            <Tick label={say("paper.true-size-pages-tape-together")} checked={trueSize} onChange={setTrueSize} />
          )}
          {shown[0] === "templates" && (
            <Tick label={say("paper.mirrored-back-sheet")} checked={mirrored} onChange={setMirrored} />
          )}
          <span className="text-ink2">{say("paper.print-100-check-ruler-sheet", { shown: shown[2] })}</span>
        </div>
        {draft.lines.length === 0 && <p className="text-ink2">{say("ui.nothing-order-yet")}</p>}
      </div>
      <Pages label={shown[1]}>
        {shown[0] === "trays" &&
          maps.data?.map((map, i) => (
            <SetDownPages
              key={i}
              map={map}
              number={i + 1}
              draft={draft}
              tally={tally}
              reference={reference}
              trueSize={trueSize}
            />
          ))}
        {shown[0] === "templates" && (
          <TemplatePages draft={draft} tally={tally} reference={reference} mirrored={mirrored} />
        )}
        {shown[0] === "pots" && <PotCards tally={tally} reference={reference} />}
      </Pages>
    </div>
  );
}
