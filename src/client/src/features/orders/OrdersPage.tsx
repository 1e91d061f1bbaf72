import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { Search } from "lucide-react";
import { useDeferredValue, useEffect, useRef } from "react";
import { Link, useSearchParams } from "wouter";
import { answer, api, type OrderState } from "../../api/client";
import { ErrorNote, Waiting } from "../../ui/notes";
import { stateOrder, states } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";
import { Words } from "../../ui/Words";
import { OrderAgain } from "./CopyOrder";
import { OrderRow } from "./OrderRow";
import { say } from "../../wording/say";

type Shown = OrderState | "all" | "templates";

/** Every order of every year, found by any word of it. */
export function OrdersPage() {
  const [search, setSearch] = useSearchParams();
  const q = search.get("q") ?? "";
  const shown = (search.get("show") ?? "all") as Shown;
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
      <p className="mt-2 flex gap-5 text-[15px]">
        <Link to="/customers" className="text-act font-semibold">
          {say("customers.customers")}
        </Link>
        <Link to="/deleted" className="text-act font-semibold">
          {say("ui.deleted-items")}
        </Link>
      </p>
      <ul className="@container mt-4">
        {orders.map((order) => (
          <OrderRow key={order.id} order={order}>
            <OrderAgain order={order} className="text-right @max-3xl:order-5" />
          </OrderRow>
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
    </div>
  );
}
