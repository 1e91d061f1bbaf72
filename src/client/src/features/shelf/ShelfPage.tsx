import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useLocation, useSearchParams } from "wouter";
import { useHistoryState } from "wouter/use-browser-location";
import { answer, api, type Shelf } from "../../api/client";
import { referenceQuery, shelfQuery } from "../../api/queries";
import { ErrorNote, Waiting } from "../../ui/notes";
import { longDayName, useWording } from "../../ui/units";
import { useNewOrder } from "../order/useNewOrder";
import { plusDays } from "../../ui/localTime";
import { Board } from "./Board";
import { ToDo } from "./ToDo";
import { say } from "../../wording/say";

export function ShelfPage() {
  const [search] = useSearchParams();
  const from = search.get("from") ?? undefined;
  const shelf = useQuery(shelfQuery(from));
  const reference = useQuery(referenceQuery);
  const newOrder = useNewOrder();
  useEffect(() => {
    document.title = say("shelf.shelf-kondiba");
  }, []);
  const error = shelf.error ?? reference.error;
  if (error) return <ErrorNote error={error} retry={() => void shelf.refetch()} />;
  if (!shelf.data || !reference.data) return <Waiting />;
  return (
    <div className="px-4 sm:px-10">
      <header className="flex flex-wrap items-end gap-x-4 gap-y-2 pt-3">
        <h1 className="font-serif text-[38px] leading-tight">{say("shelf.shelf")}</h1>
        <Summary shelf={shelf.data} />
        <button
          className="bg-act text-on-act ml-auto rounded-full px-5 py-2 text-lg font-bold disabled:opacity-60"
          onClick={newOrder}
        >
          {say("ui.new-order")} <kbd className="ml-1 hidden font-sans opacity-80 sm:inline">N</kbd>
        </button>
      </header>
      <PutBack />
      <Board shelf={shelf.data} reference={reference.data} />
      <Pages shelf={shelf.data} />
      <ToDo shelf={shelf.data} reference={reference.data} />
    </div>
  );
}

function Summary({ shelf }: { shelf: Shelf }) {
  const wording = useWording();
  const pieces = shelf.orders.reduce((sum, order) => sum + order.pieces, 0);
  const coating = shelf.coating.reduce((sum, need) => sum + need.toMelt, 0);
  const { length } = shelf.orders;
  return (
    <p className="text-ink2 pb-1.5 text-[17px]">
      {longDayName(shelf.today)}
      {length > 0 && say("shelf.order-pieces-coating-melt", { length, pieces, coating: wording.mass(coating) })}
    </p>
  );
}

/** Orders before and after the days on the board. */
function Pages({ shelf }: { shelf: Shelf }) {
  const to = (days: number) => `/?from=${plusDays(shelf.from, days)}`;
  return (
    <nav aria-label={say("shelf.weeks")} className="text-act mt-2 flex justify-between text-[15px] font-semibold">
      <Link to={to(-shelf.days)}>
        {say("shelf.previous-2-weeks")}
        {shelf.earlier > 0 && say("shelf.earlier", { earlier: shelf.earlier })}
      </Link>
      {shelf.from !== shelf.today && <Link to="/">{say("ui.today")}</Link>}
      <Link to={to(shelf.days)}>
        {shelf.later > 0 && say("shelf.later", { later: shelf.later })}
        {say("shelf.next-2-weeks")}
      </Link>
    </nav>
  );
}

/** Offers to put an order back that was just removed. */
function PutBack() {
  const [, navigate] = useLocation();
  const queries = useQueryClient();
  const removed = useHistoryState<{ removed?: { id: string; name: string } } | null>()?.removed;
  const restore = useMutation({
    mutationFn: (id: string) => answer(api.POST("/api/orders/{id}/restore", { params: { path: { id } } })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["shelf"] });
      navigate("/", { replace: true, state: null });
    },
  });
  if (!removed) return null;
  return (
    <p role="status" className="border-go bg-panel mt-3 border-l-4 px-4 py-2">
      {say("shelf.was-deleted", { name: removed.name || say("ui.order-2") })}{" "}
      <button className="text-act ml-2 font-bold" onClick={() => restore.mutate(removed.id)}>
        {say("ui.undo")}
      </button>
    </p>
  );
}
