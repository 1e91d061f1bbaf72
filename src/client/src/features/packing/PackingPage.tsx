import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useParams } from "wouter";
import type { Order, PackingPlan, Reference, Tally } from "../../api/client";
import { orderQuery, referenceQuery } from "../../api/queries";
import { TextButton } from "../../ui/buttons";
import { How, HowOrder } from "../../ui/How";
import { ErrorNote, Waiting } from "../../ui/notes";
import { clock, longDayName, useWording } from "../../ui/units";
import { useUndoKeys } from "../../ui/useUndoKeys";
import type { Draft, Edit } from "../order/draft";
import { KeepingNote } from "../order/KeepingNote";
import { Packing } from "../order/Packing";
import { useDraft } from "../order/useDraft";
import { useTally } from "../order/useTally";
import { alike, exchanged, type Alike, type Place } from "./moves";
import { nameOf, PackageView } from "./PackageView";
import { usePacking } from "./usePacking";
import { say } from "../../wording/say";

/** What an order is packed in, and what goes where. */
export function PackingPage() {
  const { id = "" } = useParams();
  const order = useQuery(orderQuery(id, "packing"));
  const reference = useQuery(referenceQuery);
  const error = order.error ?? reference.error;
  if (error) return <ErrorNote error={error} retry={() => void order.refetch()} />;
  if (!order.data || !reference.data) return <Waiting />;
  return <PackingDesk key={id} order={order.data} reference={reference.data} />;
}

function PackingDesk({ order, reference }: { order: Order; reference: Reference }) {
  const desk = useDraft(order);
  const { draft, edit } = desk;
  const { of, tally } = useTally(draft, order.tally);
  const packing = usePacking(of);
  useUndoKeys(desk.undo, desk.redo);
  useEffect(() => {
    document.title = say("packing.packing-kondiba", { name: draft.name ?? say("ui.order") });
  }, [draft.name]);
  if (packing.error) return <ErrorNote error={packing.error} retry={() => void packing.refetch()} />;
  if (!packing.data) return <Waiting />;
  const plan = packing.data;
  const notes = Object.fromEntries(plan.problems.map((p) => [p.field, `${p.reason} ${p.remedy}`]));

  return (
    <HowOrder value={of}>
      <div className="mx-auto max-w-6xl px-4 pt-3 sm:px-10 print:px-0">
        <p className="flex flex-wrap gap-x-6 print:hidden">
          <Link to={`/orders/${order.id}`} className="text-act font-semibold">
            ← {draft.name || say("ui.order-4")}
          </Link>
          <Link to={`/orders/${order.id}/labels`} className="text-act ml-auto font-bold">
            {say("ui.labels")}
          </Link>
          <button className="text-act font-bold" onClick={() => window.print()}>
            {say("packing.print-packing-slip")}
          </button>
        </p>
        <h1 className="mt-1 font-serif text-[34px] leading-tight">
          {draft.name}
          {say("packing.packing-2")}
        </h1>
        <Slip draft={draft} plan={plan} number={desk.number} />
        <div className="mt-4 grid gap-x-12 gap-y-8 lg:grid-cols-[1fr_19rem] print:block">
          <Packages draft={of} tally={tally} plan={plan} reference={reference} edit={edit} />
          <aside aria-label={say("packing.packed")} className="self-start lg:sticky lg:top-24 print:hidden">
            <h2 className="font-serif text-[22px]">{say("packing.packed")}</h2>
            {draft.lines.length > 0 && (
              <Packing
                packing={draft.packing ?? []}
                lines={of.lines}
                amounts={plan.amounts}
                choosesLines
                reference={reference}
                notes={notes}
                edit={edit}
              />
            )}
            {plan.moved && (
              <p className="mt-4">
                {say("packing.you-moved-pieces")}{" "}
                <TextButton onClick={() => edit("boxes", (d) => ({ ...d, boxes: null }))}>
                  {say("packing.lay-out-again")}
                </TextButton>
              </p>
            )}
            <p className="text-ink2 mt-4 text-[15px] leading-snug">{say("packing.biggest-pieces-go-middle-row")}</p>
            <KeepingNote desk={desk} />
          </aside>
        </div>
      </div>
    </HowOrder>
  );
}

/** What the helper who packs reads first: for whom, when, how many of what. */
function Slip({ draft, plan, number }: { draft: Draft; plan: PackingPlan; number: number }) {
  const packs = new Map<string, number>();
  for (const p of plan.packages) packs.set(p.name, (packs.get(p.name) ?? 0) + 1);
  return (
    <p className="text-ink2 mt-1 text-lg">
      {number > 0 && say("packing.order", { number })}
      {draft.client && say("ui.for-client", { client: draft.client })}
      {draft.pickup &&
        say("packing.handover-pickup-at-pickup2", {
          handover: draft.handover === "delivery" ? say("packing.delivered") : say("packing.picked-up"),
          pickup: longDayName(draft.pickup),
          pickup2: clock(draft.pickup),
        })}
      {packs.size > 0 && `: ${[...packs].map(([name, count]) => `${count} ${name}`).join(", ")}`}.
    </p>
  );
}

function Packages(props: { draft: Draft; tally: Tally; plan: PackingPlan; reference: Reference; edit: Edit }) {
  const { draft, tally, plan, reference, edit } = props;
  const groups = alike(plan.packages);
  const [held, setHeld] = useState<Place>();
  const choose = (place: Place) => {
    setHeld(held ? undefined : place);
    if (!held || (held.box === place.box && held.cell === place.cell)) return;
    edit("boxes", (d) => ({ ...d, boxes: exchanged(plan.packages, groups, held, place) }));
  };
  return (
    <section aria-label={say("packing.boxes-bags")} className="min-w-0">
      {plan.unpacked.length > 0 && <Unpacked draft={draft} plan={plan} reference={reference} edit={edit} />}
      {draft.lines.length === 0 && <p className="text-ink2 text-lg">{say("packing.nothing-order-yet-add-what")}</p>}
      {plan.problems
        .filter((p) => p.field === "boxes")
        .map((p) => (
          <p key={p.code} role="note" className="border-mind bg-mind-ground mb-4 border-l-4 px-4 py-2">
            {p.reason} {p.remedy}
          </p>
        ))}
      <ul className="grid gap-x-8 gap-y-7 sm:grid-cols-2 print:grid-cols-2">
        {groups.map((group, box) => (
          <li key={group.at[0]} className="break-inside-avoid" data-testid="package">
            <Title group={group} box={box} draft={draft} reference={reference} />
            <div className={group.first.kind === "bag" ? "w-1/3" : ""}>
              <PackageView
                pack={group.first}
                draft={draft}
                tally={tally}
                reference={reference}
                held={held?.box === box ? held.cell : undefined}
                choose={(cell) => choose({ box, cell })}
              />
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Title(props: { group: Alike; box: number; draft: Draft; reference: Reference }) {
  const { group, draft, reference } = props;
  const wording = useWording();
  const { first, at } = group;
  const path = `packages[${at[0] ?? 0}]`;
  return (
    <header className="mb-1.5">
      <h2 className="text-[17px] font-bold">
        {at.length > 1 && `${at.length} × `}
        {first.name}
        {at.length > 1 && first.rows > 0 && <span className="text-ink2 font-normal"> {say("packing.all-alike")}</span>}
      </h2>
      <p className="text-[15px]">
        {first.holds.map((h) => `${h.count} ${nameOf(h.line, draft, reference, h.count)}`).join(", ")}
      </p>
      {first.bouquet && (
        <p className="text-ink2 text-[15px]">
          {say("packing.tie-tops-level-then-join", { groups: first.bouquet.groups.join(" + ") })}{" "}
          <How what={say("packing.ribbon")} of={`${path}.ribbon`} from="packing">
            {say("packing.ribbon-2", { ribbon: wording.value(first.bouquet.ribbon.value, "mm") })}
          </How>
          ,{" "}
          <How what={say("ui.film")} of={`${path}.film`} from="packing">
            {say("packing.film", { film: wording.value(first.bouquet.film.value, "mm") })}
          </How>{" "}
          {say("packing.round-sticks-stand-food-safe")}
        </p>
      )}
    </header>
  );
}

function Unpacked(props: { draft: Draft; plan: PackingPlan; reference: Reference; edit: Edit }) {
  const { draft, plan, reference, edit } = props;
  const suggested = plan.suggested;
  const left = plan.unpacked.map((u) => `${u.count} ${nameOf(u.line, draft, reference, u.count)}`).join(", ");
  return (
    <div role="note" className="border-mind bg-mind-ground mb-5 border-l-4 px-4 py-2 print:hidden">
      <p>
        <b>{say("packing.not-packed-yet")}</b> {left}.
      </p>
      {suggested && (
        <p className="mt-1">
          <TextButton onClick={() => edit("packing.list", (d) => ({ ...d, packing: suggested }))}>
            {say("packing.pack-them", {
              suggested: suggested
                .slice((draft.packing ?? []).length)
                .map((p) => reference.supplies.find((s) => s.code === p.supply)?.name ?? p.supply)
                .join(", "),
            })}
          </TextButton>
        </p>
      )}
    </div>
  );
}
