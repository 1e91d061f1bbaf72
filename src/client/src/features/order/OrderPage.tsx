import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { useParams } from "wouter";
import { useHistoryState } from "wouter/use-browser-location";
import type { Order, Reference, SharedPot, Tally } from "../../api/client";
import { colourOf, orderQuery, referenceQuery, sharedQuery, useKitchen } from "../../api/queries";
import { freshOrder } from "./freshOrder";
import type { Keeping } from "./Keeper";
import { HowOrder } from "../../ui/How";
import { ErrorNote, Waiting } from "../../ui/notes";
import { Pots } from "./Pots";
import { Slip } from "./Slip";
import { Trays } from "./Trays";
import { useDraft } from "./useDraft";
import { useTally } from "./useTally";
import { useUndoKeys } from "../../ui/useUndoKeys";
import { useStill } from "../../ui/useStill";
import { useWording, type Wording } from "../../ui/units";
import { say } from "../../wording/say";

export function OrderPage() {
  const { id = "" } = useParams();
  const fresh = useHistoryState<{ fresh?: boolean } | null>()?.fresh;
  const queries = useQueryClient();
  const kept = orderQuery(id, "order");
  const order = useQuery({ ...kept, queryFn: fresh ? () => freshOrder(id, queries) : kept.queryFn });
  const reference = useQuery(referenceQuery);
  const error = order.error ?? reference.error;
  if (error) return <ErrorNote error={error} retry={() => void order.refetch()} />;
  if (!order.data || !reference.data) return <Waiting />;
  return <OrderDesk key={id} order={order.data} reference={reference.data} />;
}

function OrderDesk({ order, reference }: { order: Order; reference: Reference }) {
  const desk = useDraft(order);
  const { of, tally, problem } = useTally(desk.draft, order.tally);
  useUndoKeys(desk.undo, desk.redo);
  const wording = useWording();
  const shared = useShared(desk.draft.pickup, desk.keeping, order);

  return (
    <HowOrder value={desk.draft}>
      <div className="grid gap-x-6 gap-y-8 px-4 pt-2 sm:px-7 md:grid-cols-[18.5rem_1fr] xl:grid-cols-[18.5rem_1fr_20.5rem]">
        <Slip
          order={order}
          desk={desk}
          tally={tally}
          reference={reference}
          problem={problem}
          now={useKitchen().data?.now}
        />
        <Pots draft={of} pots={desk.draft.pots} edit={desk.edit} tally={tally} reference={reference} shared={shared} />
        <Trays draft={of} tally={tally} reference={reference} />
      </div>
      <p role="status" className="sr-only">
        {useStill(whatToMelt(tally, reference, wording))}
      </p>
    </HowOrder>
  );
}

/** What the order comes to, for who does not see it change. */
function whatToMelt(tally: Tally, reference: Reference, wording: Wording): string {
  const pots = tally.pots.map((pot) =>
    say("order.name-mass", {
      name: colourOf(reference, pot.coating, pot.colour)?.name ?? pot.colour,
      mass: wording.mass(pot.toMelt.value),
    }),
  );
  return pots.length === 0 ? "" : say("order.pieces-melt", { count: tally.pieces, pots: pots.join(", ") });
}

const none: SharedPot[] = [];

/** Pots that this order shares, and with which others of its day, as they are kept. */
function useShared(pickup: string | null, keeping: Keeping, order: Order): SharedPot[] {
  const queries = useQueryClient();
  const day = pickup?.slice(0, 10);
  const kept = keeping === "kept";
  useEffect(() => {
    if (kept && day) void queries.invalidateQueries(sharedQuery(day));
  }, [kept, day, queries, order.id]);
  const shared = useQuery({ ...sharedQuery(day ?? "", order.id), enabled: !!day }).data;
  return shared ?? none;
}
