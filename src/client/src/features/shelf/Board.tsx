import { Link } from "react-router";
import type { Reference, Shelf, ShelfOrder } from "../../api/client";
import { clock, dayName } from "../../ui/units";
import { Box } from "./Box";
import { plusDays } from "../../ui/localTime";

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
                  {dayName(order.pickup)}, {clock(order.pickup)} · {order.pieces} pieces
                </span>
              </span>
            </Link>
          </li>
        ))}
      </ol>
      {shelf.orders.length === 0 && (
        <p className="text-ink2 mt-6 text-center text-lg">
          Nothing stands on these days. <b>New order</b> puts the first box here.
        </p>
      )}
    </>
  );
}

/** A day's boxes, their names above in the order they stand, top first. */
function Pile({ orders, reference }: { orders: ShelfOrder[]; reference: Reference }) {
  const shown = orders.slice(0, most);
  const height = shown.length > 1 ? Math.max(34, 150 / shown.length) : 0;
  return (
    <>
      {orders.length > most && <p className="text-ink2 text-[13px]">{orders.length - most} more below</p>}
      {shown.map((order) => (
        <Link
          key={order.id}
          to={`/orders/${order.id}`}
          className="group mb-2 block w-[5.2rem] text-center leading-tight"
        >
          <span className="group-hover:text-act block font-serif text-[17px] wrap-break-word">{order.name}</span>
          <span className={`text-[13px] font-semibold ${order.minds.length > 0 ? "text-mind" : "text-ink2"}`}>
            {order.pieces} · {clock(order.pickup)}
          </span>
        </Link>
      ))}
      {shown.map((order) => (
        <Link key={order.id} to={`/orders/${order.id}`} tabIndex={-1} aria-hidden className="block">
          <Box order={order} reference={reference} height={height || 60 + Math.min(90, order.pieces)} />
        </Link>
      ))}
    </>
  );
}
