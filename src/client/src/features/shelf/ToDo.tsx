import { Link } from "wouter";
import type { Reference, Shelf } from "../../api/client";
import { colourOf } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { states } from "../../ui/states";
import { packs, clock, dayName, useWording } from "../../ui/units";
import { listed, say } from "../../wording/say";

/** Orders of which something is still to be melted. */
const open = new Set(["asked", "quoted", "agreed"]);

/** What the boxes want: order by order, colour by colour, and what to mind. */
export function ToDo({ shelf, reference }: { shelf: Shelf; reference: Reference }) {
  const wording = useWording();
  if (shelf.orders.length === 0) return null;
  const minded = shelf.orders.filter((order) => order.minds.length > 0);
  return (
    <div className="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-[1.35fr_1fr]">
      <section aria-labelledby="next">
        <h2 id="next" className="font-serif text-[22px]">
          {say("shelf.next")}
        </h2>
        <ul className="mt-1">
          {shelf.orders.map((order) => (
            <li key={order.id} className="border-line border-t border-dashed">
              <Link
                to={`/orders/${order.id}`}
                className="hover:text-act grid grid-cols-[1fr_auto] items-baseline gap-x-4 py-2.5 sm:grid-cols-[9.5rem_1fr_auto]"
              >
                <span className="text-ink2 col-span-2 sm:col-span-1">
                  {dayName(order.pickup).replace(",", "")}, {clock(order.pickup)}
                </span>
                <span>
                  <b>{order.name}</b>{" "}
                  <span className={`font-semibold ${states[order.state].tone}`}>{states[order.state].name}</span>
                  {order.next && `: ${order.next}`}
                  <span className="text-ink2 block text-[15px]">
                    {order.pieces === 0
                      ? say("shelf.nothing-yet")
                      : say("shelf.pieces-2", {
                          pieces: order.pieces,
                          toMelt: open.has(order.state)
                            ? say("shelf.melt", { toMelt: wording.mass(order.toMelt) })
                            : "",
                        })}
                    {order.client && say("ui.for-client", { client: order.client })}
                  </span>
                </span>
                <span className="text-act font-semibold">{say("shelf.open")}</span>
              </Link>
            </li>
          ))}
        </ul>
      </section>
      <div className="grid content-start gap-8">
        {minded.length > 0 && (
          <section aria-labelledby="mind">
            <h2 id="mind" className="font-serif text-[22px]">
              {say("shelf.needs-attention")}
            </h2>
            {minded.map((order) => (
              <Link
                key={order.id}
                to={`/orders/${order.id}`}
                className="border-mind bg-mind-ground mt-2 block border-l-4 px-4 py-2"
              >
                <b>{order.name}</b>
                {order.minds.map((mind) => (
                  <span key={mind} className="block">
                    {mind}
                  </span>
                ))}
              </Link>
            ))}
          </section>
        )}
        <section aria-labelledby="coating">
          <h2 id="coating" className="font-serif text-[22px]">
            {say("shelf.coating-these-days")}
          </h2>
          <ul className="mt-1">
            {shelf.coating.map((need) => (
              <li
                key={need.key}
                className="border-line grid grid-cols-[1fr_auto_5rem] gap-x-4 border-t border-dashed py-1.5"
              >
                <span>
                  <Dot srgb={colourOf(reference, need.coating, need.colour)?.srgb} />
                  {colourOf(reference, need.coating, need.colour)?.name}
                </span>
                <span className="text-right">{wording.mass(need.toMelt)}</span>
                <b className="text-right">{packs(need.packs)}</b>
              </li>
            ))}
          </ul>
          {shelf.shared.map((pot) => (
            <p key={pot.key + pot.orders.join()} className="text-go mt-2">
              {say("shelf.share", { orders: listed(pot.orders) })}{" "}
              {colourOf(reference, ...(pot.key.split(".") as [string, string]))?.name}{" "}
              {say("shelf.pot-saves", {
                together: wording.mass(pot.together),
                apart: wording.mass(pot.apart - pot.together),
              })}
            </p>
          ))}
        </section>
      </div>
    </div>
  );
}
