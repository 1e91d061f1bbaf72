import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { Search } from "lucide-react";
import { useDeferredValue, useEffect, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { answer, api, type OrderState, type OrderSummary } from "../../api/client";
import { ErrorNote, Waiting } from "../../ui/notes";
import { stateOrder, states } from "../../ui/states";
import { clock, dayName } from "../../ui/units";
import { useShortcuts } from "../../ui/useShortcuts";
import { Words } from "../../ui/Words";
import { CopyOrder } from "./CopyOrder";

type Shown = OrderState | "all" | "templates";

/** Every order of every year, found by any word of it. */
export function OrdersPage() {
  const [search, setSearch] = useSearchParams();
  const q = search.get("q") ?? "";
  const shown = (search.get("show") ?? "all") as Shown;
  const [copied, setCopied] = useState<OrderSummary>();
  const field = useRef<HTMLInputElement>(null);
  useShortcuts({ "/": () => field.current?.focus() });
  useEffect(() => {
    document.title = "Orders · Kondiba";
  }, []);
  const set = (part: { q?: string; show?: string }) =>
    setSearch(
      (before) => {
        for (const [key, value] of Object.entries(part))
          if (value && value !== "all") before.set(key, value);
          else before.delete(key);
        return before;
      },
      { replace: true },
    );

  const sought = useDeferredValue(q);
  const found = useInfiniteQuery({
    queryKey: ["orders", sought, shown],
    initialPageParam: 0,
    queryFn: ({ pageParam, signal }) =>
      answer(
        api.GET("/api/orders", {
          params: {
            query: {
              q: sought,
              skip: pageParam,
              templates: shown === "templates",
              ...(shown !== "all" && shown !== "templates" ? { state: shown } : {}),
            },
          },
          signal,
        }),
      ),
    getNextPageParam: (page, pages) => (page.more ? pages.reduce((sum, p) => sum + p.orders.length, 0) : undefined),
    placeholderData: keepPreviousData,
  });
  const orders = found.data?.pages.flatMap((page) => page.orders) ?? [];

  return (
    <div className="mx-auto max-w-6xl px-4 pt-3 sm:px-10">
      <h1 className="font-serif text-[38px] leading-tight">Orders</h1>
      <label className="border-act mt-2 flex items-center gap-3 border-b-2 text-xl">
        <Search size={20} className="text-ink2" aria-hidden />
        <span className="sr-only">Find an order</span>
        <input
          ref={field}
          type="search"
          placeholder="regatta, choir, plum twist, 17 …"
          className="placeholder:text-ink2 min-w-0 grow bg-transparent py-2 outline-none"
          value={q}
          onChange={(e) => set({ q: e.target.value })}
        />
      </label>
      <div className="mt-3 text-[17px]">
        <Words<Shown>
          label="Which orders"
          value={shown}
          options={[
            { value: "all", label: "all" },
            ...stateOrder.map((state) => ({ value: state, label: states[state].name })),
            { value: "templates", label: "templates" },
          ]}
          onChange={(show) => set({ show })}
        />
      </div>
      {found.isError && <ErrorNote error={found.error} retry={() => void found.refetch()} />}
      {found.isPending && <Waiting />}
      {found.isSuccess && orders.length === 0 && (
        <p className="text-ink2 mt-8 text-lg">
          {q
            ? `No order holds “${q}”. Every word of it is looked for: in names, clients, places, notes, centres, colours and looks.`
            : shown === "templates"
              ? "No template yet. Open an order that comes again and again, and make one of it here with “again”."
              : "Nothing here yet. New order on the shelf makes the first."}
        </p>
      )}
      <ul className="mt-4">
        {orders.map((order) => (
          <li
            key={order.id}
            className="border-line grid grid-cols-[1fr_auto] items-baseline gap-x-5 border-t border-dashed py-3 md:grid-cols-[9.5rem_1fr_13rem_6rem_auto]"
          >
            <span className="text-ink2 max-md:order-3 max-md:col-span-2">
              {order.isTemplate
                ? `order ${order.number}`
                : `${dayName(order.pickup).replace(",", "")} ${order.pickup.slice(0, 4)}`}
            </span>
            <Link to={`/orders/${order.id}`} className="hover:text-act min-w-0">
              <b className="block font-serif text-xl leading-tight font-normal">{order.name}</b>
              <span className="text-ink2 text-[15px]">
                {[order.client, !order.isTemplate && clock(order.pickup), order.place].filter(Boolean).join(" · ")}
              </span>
            </Link>
            <span className="text-ink2 max-md:order-4">
              <b className="text-ink">{order.pieces}</b> pieces<span className="text-[13px]"> · nº {order.number}</span>
            </span>
            <span className={`font-bold max-md:order-2 ${order.isTemplate ? "text-go" : states[order.state].tone}`}>
              {order.isTemplate ? "template" : states[order.state].name}
            </span>
            <button
              className="text-act text-right font-semibold max-md:order-5"
              aria-label={`Again: ${order.name}`}
              onClick={() => setCopied(order)}
            >
              again
            </button>
          </li>
        ))}
      </ul>
      {found.hasNextPage && (
        <button
          className="text-act mt-4 font-bold"
          disabled={found.isFetchingNextPage}
          onClick={() => void found.fetchNextPage()}
        >
          Earlier ones
        </button>
      )}
      {copied && <CopyOrder key={copied.id} order={copied} close={() => setCopied(undefined)} />}
    </div>
  );
}
