import { Link } from "wouter";
import type { Reference, Shelf, ShelfOrder } from "../../api/client";
import { clock, dayName } from "../../ui/units";
import { Box } from "./Box";
import { plusDays } from "../../ui/localTime";
import { say } from "../../wording/say";
import { states } from "../../ui/states";

const most = 4;

/** The fortnight as one shelf: each order a box on its pickup day; several on a day stand on one another. */
export function Board({ shelf, reference }: { shelf: Shelf; reference: Reference }) {
  const days = Array.from({ length: shelf.days }, (_, i) => plusDays(shelf.from, i));
  const on = (day: string) => shelf.orders.filter((order) => order.pickup.startsWith(day));
  return (
    <>
      <div className="hidden md:block">
        <ol className="grid min-h-66 grid-cols-[repeat(14,minmax(0,1fr))] items-end px-2">
          {days.map((day) => (
            <li key={day} className="flex min-w-0 flex-col items-center">
              <Pile orders={on(day)} reference={reference} />
            </li>
          ))}
        </ol>
        <div className="bg-board -mx-10 h-4.5" />
        <div className="bg-board-edge -mx-10 h-2" />
        <ol aria-hidden className="mt-3 grid grid-cols-[repeat(14,minmax(0,1fr))] px-2 text-center text-[14px]">
          {days.map((day) => {
            const [weekday, date] = dayName(day).replace(",", "").split(" ");
            return (
              <li
                key={day}
                className={`${weekday === "Sat" || weekday === "Sun" ? "text-ink font-bold" : "text-ink2"} ${day === shelf.today ? "text-ink font-bold" : ""}`}
              >
                <span className={day === shelf.today ? "border-act border-b-[3px] pb-1" : ""}>
                  {weekday} {date}
                </span>
              </li>
            );
          })}
        </ol>
      </div>
      <ol className="mt-5 md:hidden">
        {shelf.orders.map((order) => (
          <li key={order.id}>
            <Link to={`/orders/${order.id}`} className="border-board flex items-end gap-5 border-b-8 px-2 pt-4">
              <Box order={order} reference={reference} height={74} />
              <span className="pb-2">
                <b className="block font-serif text-xl leading-tight font-normal">{order.name}</b>
                <span className="text-ink2">
                  {say("shelf.pieces", {
                    pickup: dayName(order.pickup),
                    pickup2: clock(order.pickup),
                    pieces: order.pieces,
                  })}
                </span>
              </span>
            </Link>
          </li>
        ))}
      </ol>
      {shelf.orders.length === 0 && (
        <p className="text-ink2 mt-6 text-center text-lg">
          {say("shelf.no-orders-these-two-weeks")} <b>{say("ui.new-order")}</b> {say("shelf.starts-one")}{" "}
          <Link to="/welcome" className="text-act font-semibold">
            {say("welcome.set-up")}
          </Link>
        </p>
      )}
    </>
  );
}

/** A day's jars: the name of one above it, of several on each. */
function Pile({ orders, reference }: { orders: ShelfOrder[]; reference: Reference }) {
  const shown = orders.slice(0, most);
  const isPile = shown.length > 1;
  const height = isPile ? Math.max(40, 150 / shown.length) : 0;
  return (
    <>
      {orders.length > most && (
        <p className="text-ink2 text-[13px]">{say("shelf.more-below", { count: orders.length - most })}</p>
      )}
      {shown.map((order) => (
        <Link
          key={order.id}
          to={`/orders/${order.id}`}
          className={`group relative block text-center ${isPile ? "leading-none" : "leading-tight"}`}
        >
          <span
            className={
              isPile
                ? "bg-panel text-ink absolute inset-x-1 top-[58%] z-[1] -translate-y-1/2 overflow-hidden rounded-sm px-0.5 py-0.5 shadow-sm"
                : "mb-2 block w-[5.2rem]"
            }
          >
            <span
              className={`group-hover:text-act block font-serif ${isPile ? "truncate text-[13px]" : "text-[17px] wrap-break-word"}`}
            >
              {order.name}
            </span>
            <span className={`text-[12px] font-semibold ${order.minds.length > 0 ? "text-mind" : "text-ink2"}`}>
              {order.pieces} · {clock(order.pickup)}
            </span>
            <span className="sr-only">
              {", "}
              {states[order.state].name}
            </span>
          </span>
          <Box order={order} reference={reference} height={height || 60 + Math.min(90, order.pieces)} />
        </Link>
      ))}
    </>
  );
}
