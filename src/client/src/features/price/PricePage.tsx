import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams } from "wouter";
import type { Costing, Order, PriceDraft, Reference } from "../../api/client";
import { centreOf, orderQuery, referenceQuery, useOwner } from "../../api/queries";
import { NumberField } from "../../ui/fields";
import { HowOrder, How } from "../../ui/How";
import { ErrorNote, Waiting } from "../../ui/notes";
import { notesOf } from "../../ui/problems";
import { numberTyped, span, useWording } from "../../ui/units";
import { useUndoKeys } from "../../ui/useUndoKeys";
import { Words } from "../../ui/Words";
import { portraits } from "../piece/portrait";
import { KeepingNote } from "../order/KeepingNote";
import { useDraft } from "../order/useDraft";
import { Payments } from "./Payments";
import { QuoteCorner } from "./QuoteCorner";
import { usePrice } from "./usePrice";
import { percentSign, say } from "../../wording/say";

/** What an order costs, what drives it, and what to ask. */
export function PricePage() {
  const { id = "" } = useParams();
  const owner = useOwner();
  const order = useQuery(orderQuery(id, "price"));
  const reference = useQuery(referenceQuery);
  if (!owner) return <ErrorNote error={new Error(say("price.only-kitchens-owner-sees-prices"))} />;
  const error = order.error ?? reference.error;
  if (error) return <ErrorNote error={error} retry={() => void order.refetch()} />;
  if (!order.data || !reference.data) return <Waiting />;
  return <PriceDesk key={id} order={order.data} reference={reference.data} />;
}

const tones = ["#b01f4a", "#7a4a2e", "#a98a5f", "#4f6c22", "#9c520b", "#6e4e3f", "#c3b8aa", "#e5d3b1", "#24306a"];

function PriceDesk({ order, reference }: { order: Order; reference: Reference }) {
  const desk = useDraft(order);
  const { draft, edit } = desk;
  const wording = useWording();
  const costing = usePrice(draft);
  useUndoKeys(desk.undo, desk.redo);
  useEffect(() => {
    document.title = say("price.price-kondiba", { name: draft.name ?? say("ui.order") });
  }, [draft.name]);
  if (!costing) return <Waiting />;
  const notes = notesOf(costing.problems);
  const isCancelled = order.state === "cancelled";
  // A cancelled order asks for nothing: what was paid is to be given back.
  const balance = isCancelled ? -costing.paid : costing.balance;
  const setPrice = (price: PriceDraft) => edit("price", (d) => ({ ...d, price }));

  return (
    <HowOrder value={draft}>
      <div className="mx-auto max-w-6xl px-4 pt-3 sm:px-10">
        <p>
          <Link to={`/orders/${order.id}`} className="text-act font-semibold">
            ← {draft.name || say("ui.order-4")}
          </Link>
        </p>
        <h1 className="sr-only">
          {say("price.price")} {draft.name}
        </h1>
        {draft.lines.length === 0 ? (
          <p className="text-ink2 mt-6 text-lg">{say("price.nothing-order-yet-so-nothing")}</p>
        ) : (
          <div className="mt-2 grid gap-x-8 gap-y-8 md:grid-cols-[16rem_1fr] lg:grid-cols-[21rem_1fr] lg:gap-x-12">
            <section aria-label={say("price.price-2")} className="self-start">
              <Tag costing={costing} />
              <dl className="mt-3">
                <Fact name={say("price.profit")} hint={say("price.profit-hint")}>
                  <span className="text-2xl">{wording.money(costing.profit)}</span>
                </Fact>
                {(!isCancelled || balance < 0) && (
                  <Fact name={owed(balance, costing.paid)}>
                    <span data-testid="balance">{wording.money(Math.abs(balance || costing.paid))}</span>
                  </Fact>
                )}
              </dl>
              <div className="mt-4 space-y-3">
                <Words<PriceDraft["by"]>
                  label={say("price.price-by")}
                  value={costing.by.by}
                  options={[
                    { value: "margin", label: say("price.by-margin") },
                    { value: "dozen", label: say("price.by-dozen") },
                    { value: "set", label: say("price.fixed-price") },
                  ]}
                  onChange={(by) =>
                    setPrice({
                      by,
                      value: by === "margin" ? 0.3 : by === "set" ? costing.price.value : perDozen(costing),
                    })
                  }
                />
                {costing.by.by === "margin" ? (
                  <NumberField
                    label={say("ui.margin-price")}
                    unit="%"
                    value={Math.round(costing.by.value * 1000) / 10}
                    onChange={(percent) => setPrice({ by: "margin", value: (percent ?? 0) / 100 })}
                    error={notes["price.value"]}
                  />
                ) : (
                  <NumberField
                    label={costing.by.by === "dozen" ? say("price.dozen") : say("price.whole-order")}
                    unit="money"
                    value={costing.by.value}
                    onChange={(value) => setPrice({ by: costing.by.by, value: value ?? 0 })}
                    error={notes["price.value"]}
                  />
                )}
                <NumberField
                  label={say("price.deposit-blank-usual-share")}
                  unit="money"
                  value={draft.deposit ?? null}
                  placeholder={numberTyped(costing.deposit, 2)}
                  onChange={(deposit) => edit("deposit", (d) => ({ ...d, deposit }))}
                />
              </div>
              <dl className="mt-4 space-y-1">
                <Fact name={say("price.lowest")} hint={say("price.below-this-you-lose-money")}>
                  {wording.money(costing.floor)}
                </Fact>
                <Fact name={say("price.cost-with-time")}>{wording.money(costing.cost)}</Fact>
                <Fact name={say("price.you-earn")}>{costing.wage === null ? "—" : wording.money(costing.wage)}</Fact>
                <Fact name={say("ui.hands-time")}>
                  <How what={say("ui.hands-time")} of="hands" from="prices">
                    {span(costing.hands.value)}
                  </How>
                </Fact>
              </dl>
              <KeepingNote desk={desk} />
              <div className="mt-5">
                <QuoteCorner
                  costing={costing}
                  id={order.id}
                  kept={desk.keeping === "kept"}
                  client={draft.client ?? ""}
                  draw={() => portraits(reference, draft.lines, order.tally)}
                />
              </div>
              <p className="mt-3 text-[15px]">
                <Link className="text-act font-semibold" to="/kitchen/rates">
                  {say("price.your-hour-margin-terms")}
                </Link>
              </p>
            </section>
            <div className="min-w-0 space-y-8">
              <Payments draft={draft} costing={costing} notes={notes} edit={edit} />
              <section aria-labelledby="parts">
                <h2 id="parts" className="font-serif text-[22px]">
                  {say("price.what-costs")}
                </h2>
                <Ribbon costing={costing} />
                <ul className="mt-3">
                  {costing.parts.map((part, i) => (
                    <li
                      key={part.code}
                      className="border-line grid grid-cols-[1rem_1fr_auto_4rem] items-baseline gap-x-3 border-t border-dashed py-1.5"
                    >
                      <svg aria-hidden viewBox="0 0 10 10" className="size-3">
                        <rect width="10" height="10" rx="3" fill={tones[i % tones.length]} />
                      </svg>
                      <span>{part.name}</span>
                      <b>
                        <How what={part.name} of={`parts.${part.code}`} from="prices">
                          {wording.money(part.cost.value)}
                        </How>
                      </b>
                      <span className="text-ink2 text-right">{share(part.cost.value, costing.cost)}</span>
                    </li>
                  ))}
                  <li className="border-ink grid grid-cols-[1rem_1fr_auto_4rem] gap-x-3 border-t py-2 text-lg font-bold">
                    <span />
                    <span>{say("price.cost")}</span>
                    <span data-testid="cost">{wording.money(costing.cost)}</span>
                    <span />
                  </li>
                </ul>
                <ul className="text-ink2 mt-2 space-y-0.5">
                  {costing.drivers.map((driver) => (
                    <li key={driver}>{driver}</li>
                  ))}
                </ul>
                {costing.problems
                  .filter((p) => p.field !== "price.value")
                  .map((p) => (
                    <p key={p.field} className="border-mind mt-2 border-l-[3px] pl-2 text-[15px]">
                      {p.reason}{" "}
                      <Link className="text-act font-semibold" to="/pantry">
                        {p.remedy}
                      </Link>
                    </p>
                  ))}
              </section>
              <section aria-labelledby="pieces">
                <h2 id="pieces" className="font-serif text-[22px]">
                  {say("price.piece-by-piece")}
                </h2>
                <ul className="mt-1">
                  {costing.lines.map((line) => {
                    const wanted = draft.lines[line.line];
                    return (
                      <li
                        key={line.line}
                        className="border-line grid grid-cols-[1fr_auto] gap-x-6 border-t border-dashed py-2 sm:grid-cols-[1fr_10rem_10rem]"
                      >
                        <span>
                          <b>{line.pieces}</b> {wanted?.look ?? centreOf(reference, wanted?.centre ?? null)?.plural}
                        </span>
                        <span className="text-ink2 text-right">
                          {say("price.cost-each", { perPiece: wording.money(line.perPiece) })}
                        </span>
                        <span className="text-right max-sm:col-span-2">
                          {say("price.price-each")} <b>{wording.money(line.price / line.pieces)}</b>
                        </span>
                      </li>
                    );
                  })}
                </ul>
              </section>
            </div>
          </div>
        )}
      </div>
    </HowOrder>
  );
}

/** What the balance is called. */
function owed(balance: number, paid: number) {
  if (balance < 0) return say("price.to-give-back");
  return balance === 0 && paid > 0 ? say("price.paid-in-full") : say("price.still-to-pay");
}

const perDozen = (costing: Costing) => {
  const pieces = costing.lines.reduce((sum, l) => sum + l.pieces, 0);
  return Math.ceil((costing.price.value / Math.max(1, pieces)) * 12 * 2) / 2;
};

const share = (part: number, all: number) => `${Math.round((100 * part) / (all || 1))}${percentSign}`;

function Fact({ name, hint, children }: { name: string; hint?: string; children: React.ReactNode }) {
  return (
    <div className="flex items-baseline justify-between gap-4">
      <dt className="text-ink2">
        {name}
        {hint && <span className="block text-[13px]">{hint}</span>}
      </dt>
      <dd className="text-lg font-bold">{children}</dd>
    </div>
  );
}

/** The price on a swing tag, as it hangs on a box. */
function Tag({ costing }: { costing: Costing }) {
  const wording = useWording();
  return (
    <div className="text-parchment-ink bg-parchment relative rounded-r-xl py-4 pr-5 pl-12 [clip-path:polygon(1.8rem_0,100%_0,100%_100%,1.8rem_100%,0_72%,0_28%)]">
      <svg aria-hidden viewBox="0 0 20 20" className="absolute top-1/2 left-4 size-5 -translate-y-1/2">
        <circle cx="10" cy="10" r="7" className="fill-ground stroke-board-edge" strokeWidth="2" />
      </svg>
      <p className="text-[15px]">{say("price.your-price")}</p>
      <p className="font-serif text-4xl leading-tight" data-testid="ask">
        <How what={say("price.price-3")} of="price" from="prices">
          {wording.money(costing.price.value)}
        </How>
      </p>
      <p className="text-[15px]">{say("price.deposit", { deposit: wording.money(costing.deposit) })}</p>
    </div>
  );
}

/** The parts of the cost side by side, as long as they are dear. */
function Ribbon({ costing }: { costing: Costing }) {
  const starts = costing.parts.map((_, i) => costing.parts.slice(0, i).reduce((sum, p) => sum + p.cost.value, 0));
  return (
    <svg
      role="img"
      aria-label={costing.parts.map((p) => `${p.name} ${share(p.cost.value, costing.cost)}`).join(", ")}
      viewBox="0 0 1000 44"
      preserveAspectRatio="none"
      className="mt-2 h-9 w-full rounded-md"
    >
      {costing.parts.map((part, i) => (
        <rect
          key={part.code}
          x={(1000 * (starts[i] ?? 0)) / (costing.cost || 1)}
          width={(1000 * part.cost.value) / (costing.cost || 1)}
          height="44"
          fill={tones[i % tones.length]}
        />
      ))}
    </svg>
  );
}
