import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link } from "wouter";
import type { OrderSummary } from "../../api/client";
import { colourOf, referenceQuery } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { states } from "../../ui/states";
import { clock, dayName } from "../../ui/units";
import { listed, say } from "../../wording/say";

/** An order in a list, with what stands at its end. */
export function OrderRow({ order, children }: { order: OrderSummary; children: ReactNode }) {
  return (
    <li
      className={[
        "border-line grid grid-cols-[1fr_auto] items-baseline gap-x-5 border-t border-dashed py-3",
        "@3xl:grid-cols-[9.5rem_1fr_11rem_12rem_auto]",
      ].join(" ")}
    >
      <span className="text-ink2 @max-3xl:order-3 @max-3xl:col-span-2">
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
      <span className="text-ink2 @max-3xl:order-4">
        <b className="text-ink">{order.pieces}</b> {say("ui.pieces-2")}
        <span className="text-[13px]"> {say("orders.n", { number: String(order.number) })}</span>
        <Worn pots={order.pots} />
      </span>
      <span className="@max-3xl:order-2">
        <b className={order.isTemplate ? "text-go" : states[order.state].tone}>
          {order.isTemplate ? say("orders.template") : states[order.state].name}
        </b>
        <span className="text-ink2 block text-[15px]">{order.next}</span>
      </span>
      {children}
    </li>
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
