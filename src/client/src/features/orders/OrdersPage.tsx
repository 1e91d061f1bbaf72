import { keepPreviousData, useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { Search } from "lucide-react";
import { useDeferredValue, useEffect, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { answer, api, type OrderState, type OrderSummary } from "../../api/client";
import { colourOf, referenceQuery } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { ErrorNote, Waiting } from "../../ui/notes";
import { stateOrder, states } from "../../ui/states";
import { clock, dayName } from "../../ui/units";
import { useShortcuts } from "../../ui/useShortcuts";
import { Words } from "../../ui/Words";
import { CopyOrder } from "./CopyOrder";
import { listed, say } from "../../wording/say";

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
    document.title = say("orders.orders-kondiba");
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
      <h1 className="font-serif text-[38px] leading-tight">{say("ui.orders")}</h1>
      <label className="border-act mt-2 flex items-center gap-3 border-b-2 text-xl">
        <Search size={20} className="text-ink2" aria-hidden />
        <span className="sr-only">{say("ui.find-order")}</span>
        <input
          ref={field}
          type="search"
          placeholder={say("orders.regatta-choir-plum-twist-17")}
          className="placeholder:text-ink2 min-w-0 grow bg-transparent py-2 outline-none"
          value={q}
          onChange={(e) => set({ q: e.target.value })}
        />
      </label>
      <div className="mt-3 text-[17px]">
        <Words<Shown>
          label={say("orders.which-orders")}
          value={shown}
          options={[
            { value: "all", label: say("orders.all") },
            ...stateOrder.map((state) => ({ value: state, label: states[state].name })),
            { value: "templates", label: say("orders.templates") },
          ]}
          onChange={(show) => set({ show })}
        />
      </div>
      {found.isError && <ErrorNote error={found.error} retry={() => void found.refetch()} />}
      {found.isPending && <Waiting />}
      {found.isSuccess && orders.length === 0 && (
        <p className="text-ink2 mt-8 text-lg">
          {q
            ? say("orders.no-orders-match-kondiba-searches", { q })
            : shown === "templates"
              ? say("orders.no-templates-yet-open-order")
              : say("orders.no-orders-yet-start-one")}
        </p>
      )}
      <p className="mt-2">
        <Link to="/deleted" className="text-act text-[15px] font-semibold">
          {say("ui.deleted-items")}
        </Link>
      </p>
      <ul className="mt-4">
        {orders.map((order) => (
          <li
            key={order.id}
            className={[
              "border-line grid grid-cols-[1fr_auto] items-baseline gap-x-5 border-t border-dashed py-3",
              "md:grid-cols-[9.5rem_1fr_11rem_12rem_auto]",
            ].join(" ")}
          >
            <span className="text-ink2 max-md:order-3 max-md:col-span-2">
              {order.isTemplate
                ? say("ui.order-3", { number: String(order.number) })
                : `${dayName(order.pickup).replace(",", "")} ${order.pickup.slice(0, 4)}`}
            </span>
            <Link to={`/orders/${order.id}`} className="hover:text-act min-w-0">
              <b className="block font-serif text-xl leading-tight font-normal">{order.name}</b>
              <span className="text-ink2 text-[15px]">
                {[order.client, !order.isTemplate && clock(order.pickup), order.place].filter(Boolean).join(" · ")}
              </span>
            </Link>
            <span className="text-ink2 max-md:order-4">
              <b className="text-ink">{order.pieces}</b> {say("ui.pieces-2")}
              <span className="text-[13px]"> {say("orders.n", { number: String(order.number) })}</span>
              <Worn pots={order.pots} />
            </span>
            <span className="max-md:order-2">
              <b className={order.isTemplate ? "text-go" : states[order.state].tone}>
                {order.isTemplate ? say("orders.template") : states[order.state].name}
              </b>
              <span className="text-ink2 block text-[15px]">{order.next}</span>
            </span>
            <button
              className="text-act text-right font-semibold max-md:order-5"
              aria-label={say("orders.again-2", { name: order.name })}
              onClick={() => setCopied(order)}
            >
              {say("orders.order-again")}
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
          {say("orders.earlier-ones")}
        </button>
      )}
      {copied && <CopyOrder key={copied.id} order={copied} close={() => setCopied(undefined)} />}
    </div>
  );
}

/** The colours that an order's pieces wear, each once. */
function Worn({ pots }: { pots: string[] }) {
  const reference = useQuery(referenceQuery).data;
  if (!reference) return null;
  const colours = [...new Set(pots)].flatMap((pot) => {
    const [coating = "", colour = ""] = pot.split(".");
    return colourOf(reference, coating, colour) ?? [];
  });
  if (colours.length === 0) return null;
  const says = say("orders.dipped-in", { colours: listed(colours.map((c) => c.name)) });
  return (
    <span className="mt-1 flex flex-wrap gap-1" role="img" aria-label={says}>
      {colours.map((c) => (
        <Dot key={c.code} srgb={c.srgb} className="size-5" />
      ))}
    </span>
  );
}
