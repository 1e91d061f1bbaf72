import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useSearchParams } from "wouter";
import { answer, api, type Shopping, type ShoppingLine } from "../../api/client";
import { ErrorNote, Waiting } from "../../ui/notes";
import { putBy } from "../../ui/putBy";
import { states } from "../../ui/states";
import { amountIn, dayName, useWording } from "../../ui/units";
import { useBasket } from "./useBasket";
import { capital, say } from "../../wording/say";

// The list as it was last seen, for when the server is out of reach.
const key = "shopping";

const standing = {
  ticked: say("pantry.stands-ticked"),
  stored: say("pantry.stands-stored"),
  returning: say("pantry.stands-returning"),
};

/** What to buy for the orders chosen, to walk through the shop with. */
export function ShoppingPage() {
  const [search, setSearch] = useSearchParams();
  const chosen = search.getAll("order");
  const list = useQuery({
    queryKey: ["shopping", chosen],
    queryFn: async () => {
      const list = await answer(api.GET("/api/shopping", { params: { query: { order: chosen } } }));
      putBy.write(key, list);
      return list;
    },
    placeholderData: (previous) => keepPreviousData(previous) ?? (putBy.read(key) as Shopping | undefined),
  });
  const { basket, away, tick, untick, clear } = useBasket();
  const wording = useWording();
  useEffect(() => {
    document.title = say("pantry.shopping-kondiba");
  }, []);
  if (list.isError && !list.data) return <ErrorNote error={list.error} retry={() => void list.refetch()} />;
  if (!list.data) return <Waiting />;
  const { orders, list: shopping } = list.data;
  const ticked = new Set(basket.filter((b) => !b.refused).map((b) => b.ware));
  const toBuy = shopping.lines.filter((l) => l.toBuy > 0 && !ticked.has(l.ware.code));
  const atHome = shopping.lines.filter((l) => l.toBuy === 0);
  const sections = [...Map.groupBy(toBuy, (l) => l.ware.section)];
  const csv = `/api/shopping.csv?${chosen.map((id) => `order=${id}`).join("&")}`;
  const choose = (id: string, on: boolean) => {
    const now = orders.filter((o) => (o.id === id ? on : o.chosen)).map((o) => o.id);
    setSearch(
      now.map((order) => ["order", order] as [string, string]),
      { replace: true },
    );
  };

  return (
    <div className="mx-auto max-w-6xl px-4 pt-3 sm:px-10 print:max-w-none print:px-0 print:text-[13px]">
      <header className="flex flex-wrap items-end gap-x-5 gap-y-1">
        <h1 className="font-serif text-[38px] leading-tight print:text-2xl">{say("pantry.shopping")}</h1>
        <span className="ml-auto flex gap-5 pb-1 print:hidden">
          <Link to="/pantry" className="text-act font-semibold">
            {say("pantry.pantry-3")}
          </Link>
          <a className="text-act font-semibold" href={csv} download="kondiba-shopping.csv">
            {say("pantry.as-csv")}
          </a>
          <button className="text-act font-bold" onClick={() => window.print()}>
            {say("ui.print")}
          </button>
        </span>
      </header>
      <fieldset className="mt-1 flex flex-wrap gap-x-6 gap-y-1">
        <legend className="sr-only">{say("pantry.which-orders")}</legend>
        {orders.map((order) => (
          <label
            key={order.id}
            className={`flex cursor-pointer items-baseline gap-2 ${order.chosen ? "" : "print:hidden"}`}
          >
            <input
              type="checkbox"
              className="accent-act size-4 self-center print:hidden"
              checked={order.chosen}
              onChange={(e) => choose(order.id, e.target.checked)}
            />
            <span>
              <b>{order.name}</b> <span className="text-ink2">{dayName(order.pickup)}</span>{" "}
              {order.state !== "agreed" && <span className={states[order.state].tone}>{states[order.state].name}</span>}
            </span>
          </label>
        ))}
      </fieldset>
      {away && (
        <p role="status" className="text-mind mt-2 font-semibold">
          {say("pantry.offline-ticks-saved-this-device")}
        </p>
      )}
      {orders.length === 0 ? (
        <p className="text-ink2 mt-8 text-lg">{say("pantry.no-open-orders-next-six")}</p>
      ) : toBuy.length === 0 && basket.length === 0 ? (
        <p className="text-go mt-8 text-lg font-semibold">
          {orders.some((o) => o.chosen)
            ? say("pantry.everything-pantry-already")
            : say("pantry.choose-order-shop-confirmed-orders")}
        </p>
      ) : null}
      <div className="mt-5 gap-x-12 lg:columns-2 print:columns-2">
        {sections.map(([section, lines]) => (
          <section key={section} aria-label={section} className="mb-6 print:mb-3">
            <h2 className="border-board border-b-4 pb-0.5 font-serif text-[22px] print:text-lg">{capital(section)}</h2>
            <ul>
              {lines.map((line) => (
                <Line key={line.ware.code} line={line} tick={() => tick(line)} />
              ))}
            </ul>
          </section>
        ))}
      </div>
      {toBuy.length > 0 && (
        <p className="border-ink flex justify-between border-t pt-2 text-xl font-bold">
          <span>{say("pantry.still-buy")}</span>
          <span>{wording.money(toBuy.reduce((sum, l) => sum + l.cover.price, 0))}</span>
        </p>
      )}
      {basket.length > 0 && (
        <section aria-labelledby="basket" className="mt-8 print:hidden">
          <h2 id="basket" className="flex items-baseline gap-5 font-serif text-[22px]">
            {say("pantry.basket")}
            <button className="text-act font-sans text-[15px] font-semibold" onClick={clear}>
              {say("pantry.move-pantry")}
            </button>
          </h2>
          <ul className="lg:columns-2">
            {basket.map((bought) => (
              <li key={bought.ware} className="flex items-baseline gap-3 py-1">
                <span className={bought.refused ? "text-mind" : "text-ink2 line-through"}>
                  {bought.name}, {amountIn(wording, bought.amount, bought.unit)}
                </span>
                <span className="text-[14px]">
                  {bought.refused ?? (
                    <span className={bought.stands === "stored" ? "text-go" : ""}>{standing[bought.stands]}</span>
                  )}
                </span>
                <button
                  className="text-act text-[15px] font-semibold"
                  aria-label={say("pantry.undo", { name: bought.name })}
                  onClick={() => untick(bought)}
                >
                  {say("pantry.undo-2")}
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {atHome.length > 0 && (
        <section aria-labelledby="home" className="text-ink2 mt-8 print:hidden">
          <h2 id="home" className="text-ink font-serif text-[22px]">
            {say("pantry.pantry-already")}
          </h2>
          <p>{atHome.map((l) => `${l.ware.name} ${amountIn(wording, l.need.value, l.ware.unit)}`).join(" · ")}</p>
        </section>
      )}
    </div>
  );
}

function Line({ line, tick }: { line: ShoppingLine; tick: () => void }) {
  const wording = useWording();
  const { ware, cover } = line;
  return (
    <li className="border-line break-inside-avoid border-b border-dashed">
      <label className="flex cursor-pointer items-start gap-3 py-2 print:py-0.5">
        <input
          type="checkbox"
          aria-label={say("pantry.bought", { name: ware.name })}
          className="accent-go mt-1 size-5 shrink-0"
          checked={false}
          onChange={tick}
        />
        <span className="min-w-0 grow">
          <b>{ware.name}</b>
          <span className="text-ink2 block text-[14px] print:text-[11px]">
            {say("pantry.need-for-for", {
              need: amountIn(wording, line.need.value, ware.unit),
              for: line.for.join(", "),
            })}
            {cover.fromStock > 0 &&
              say("pantry.pantry-4", { fromStock: amountIn(wording, cover.fromStock, ware.unit) })}
          </span>
        </span>
        <span className="shrink-0 text-right">
          <b>
            {cover.packs.length > 0
              ? cover.packs
                  .map((p) => (p.holds === 1 ? p.count : `${p.count} × ${amountIn(wording, p.holds, ware.unit)}`))
                  .join(" + ")
              : amountIn(wording, line.toBuy, ware.unit)}
          </b>
          <span className="text-ink2 block text-[14px] print:text-[11px]">
            {cover.packs.length > 0 ? wording.money(cover.price) : say("pantry.no-pack-or-price-known")}
          </span>
        </span>
      </label>
    </li>
  );
}
