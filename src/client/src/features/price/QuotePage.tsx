import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams } from "wouter";
import { answer, api, type Quote, type SharedQuote } from "../../api/client";
import { orderQuery, referenceQuery } from "../../api/queries";
import { settled } from "../../api/settling";
import { Dot } from "../../ui/Choice";
import { Drip } from "../../ui/Drip";
import { ErrorNote, Waiting } from "../../ui/notes";
import { clock, longDayName, useWording, wordingIn } from "../../ui/units";
import { portraits } from "../piece/portrait";
import { capital, listed, say } from "../../wording/say";
import { writeFor } from "../../wording/reader";

/** The quote of an order as it would be made out now, to print. */
export function QuotePage() {
  const { id = "" } = useParams();
  const quote = useQuery({
    queryKey: ["quote", id],
    queryFn: async () => {
      await settled(id);
      return answer(api.GET("/api/orders/{id}/quote", { params: { path: { id } } }));
    },
    gcTime: 0,
  });
  const wording = useWording();
  const pictures = usePortraits(id);
  if (quote.isError) return <ErrorNote error={quote.error} retry={() => void quote.refetch()} />;
  if (!quote.data) return <Waiting />;
  return (
    <div className="px-4 pt-3 sm:px-10">
      <p className="mx-auto flex max-w-3xl justify-between print:hidden">
        <Link to={`/orders/${id}/price`} className="text-act font-semibold">
          {say("price.price-4")}
        </Link>
        <button className="text-act font-bold" onClick={() => window.print()}>
          {say("ui.print")}
        </button>
      </p>
      <Paper quote={drawn(quote.data.quote, pictures)} money={wording.money} />
    </div>
  );
}

const drawn = (quote: Quote, pictures: string[] = []): Quote => ({
  ...quote,
  lines: quote.lines.map((line, i) => ({ ...line, picture: pictures[i] || null })),
});

/** A piece of each line of an order as it is now. */
function usePortraits(id: string) {
  const order = useQuery(orderQuery(id, "price")).data;
  const reference = useQuery(referenceQuery).data;
  return useQuery({
    queryKey: ["portraits", id, order?.version],
    queryFn: () => (order && reference ? portraits(reference, order.lines, order.tally) : []),
    enabled: !!order && !!reference,
    gcTime: 0,
  }).data;
}

/** A quote behind its link, for whoever has the link. */
export function SharedQuotePage() {
  const { secret = "" } = useParams();
  const quote = useQuery({
    queryKey: ["sharedQuote", secret],
    queryFn: async () => {
      const shared = await answer(api.GET("/api/quotes/{secret}", { params: { path: { secret } } }));
      writeFor(shared.reader);
      return shared;
    },
  });
  if (quote.isPending) return <Waiting />;
  return (
    <>
      <div className="print:hidden">
        <Drip tall />
      </div>
      <main className="px-4 py-8 sm:px-10">
        {quote.isError ? (
          <p className="mx-auto max-w-xl text-lg">{say("price.this-quote-no-longer-available")}</p>
        ) : (
          <>
            <Paper quote={quote.data.quote} money={wordingIn(false).money} />
            <Acceptance secret={secret} shared={quote.data} />
          </>
        )}
      </main>
    </>
  );
}

/** Where whoever has the link accepts, once. */
function Acceptance({ secret, shared }: { secret: string; shared: SharedQuote }) {
  const queries = useQueryClient();
  const { kitchen, validUntil } = shared.quote;
  const accept = useMutation({
    mutationFn: () => answer(api.POST("/api/quotes/{secret}/acceptance", { params: { path: { secret } } })),
    onSuccess: (accepted) => queries.setQueryData(["sharedQuote", secret], accepted),
  });
  return (
    <section
      role="status"
      className="bg-parchment text-parchment-ink mx-auto mt-4 max-w-3xl px-6 py-5 text-lg sm:px-12 print:hidden"
    >
      {shared.acceptedAt ? (
        <p className="font-semibold">
          {say("price.accepted-on", {
            on: longDayName(shared.acceptedAt),
            at: clock(shared.acceptedAt),
            kitchen,
          })}
        </p>
      ) : shared.isOpen ? (
        <div className="flex flex-wrap items-center gap-x-6 gap-y-3">
          <button
            className="bg-act text-on-act rounded-full px-6 py-2 font-bold disabled:opacity-60"
            disabled={accept.isPending}
            onClick={() => accept.mutate()}
          >
            {say("price.accept-quote")}
          </button>
          <p>
            {validUntil && say("price.valid-until", { on: longDayName(validUntil) })}{" "}
            {say("price.accepting-tells", { kitchen })}
          </p>
        </div>
      ) : (
        <p>{say("price.cannot-be-accepted", { kitchen })}</p>
      )}
      {accept.isError && <p className="text-parchment-mind mt-2 font-semibold">{accept.error.message}</p>}
    </section>
  );
}

function Paper({ quote, money }: { quote: Quote; money: (amount: number) => string }) {
  const paid = quote.paid ?? 0;
  useEffect(() => {
    document.title = `${quote.name} · ${quote.kitchen}`;
  }, [quote]);
  return (
    <article className="bg-panel mx-auto mt-3 max-w-3xl px-6 py-8 sm:px-12 print:m-0 print:max-w-none print:p-0">
      <header className="flex flex-wrap items-baseline justify-between gap-x-6">
        <p className="font-serif text-2xl">{quote.kitchen}</p>
        <p className="text-ink2 text-[15px]">
          {say("price.order", { number: String(quote.number), on: longDayName(quote.on), on2: quote.on.slice(0, 4) })}
        </p>
      </header>
      <h1 className="mt-6 font-serif text-4xl">{quote.name}</h1>
      <p className="mt-1 text-lg">
        {quote.client && <>{say("price.for-client", { client: quote.client })} </>}
        {quote.pickup && (
          <>
            {quote.handover === "pickup" ? say("ui.pickup") : say("price.delivery")} {longDayName(quote.pickup)},{" "}
            {clock(quote.pickup)}
          </>
        )}
        {quote.place && `, ${quote.place}`}
      </p>
      <ul className="mt-6">
        {quote.lines.map((line, i) => (
          <li
            key={i}
            className={[
              "border-line grid grid-cols-[auto_2.5rem_minmax(0,1fr)_auto] items-center gap-x-2 border-t border-dashed py-2.5",
              "sm:grid-cols-[2.6rem_3.5rem_1fr_auto] sm:gap-x-3 print:grid-cols-[2.6rem_3.5rem_1fr_auto]",
            ].join(" ")}
          >
            <b className="text-right text-lg">{line.pieces}</b>
            {line.picture ? (
              <img src={line.picture} alt="" className="size-10 object-contain sm:size-14 print:size-14" />
            ) : (
              <Dot srgb={line.srgb} className="size-8 justify-self-center" />
            )}
            <span>
              <b>{line.what}</b>
              <span className="text-ink2 block text-[15px]">{line.how}</span>
            </span>
            <span className="text-lg">{money(line.price)}</span>
          </li>
        ))}
      </ul>
      <p className="border-ink flex justify-between border-t pt-2 text-2xl font-bold">
        <span>{say("price.total")}</span>
        <span data-testid="total">{money(quote.price)}</span>
      </p>
      <dl className="text-ink2 grid grid-cols-[1fr_auto]">
        <dt>{say("price.deposit-2")}</dt>
        <dd>{money(quote.deposit)}</dd>
        {paid > 0 && (
          <>
            <dt>{say("price.paid-already")}</dt>
            <dd data-testid="paid">{money(paid)}</dd>
          </>
        )}
      </dl>
      <div className="mt-8 grid gap-6 sm:grid-cols-2 print:grid-cols-2">
        <section>
          <h2 className="font-serif text-xl">{say("price.allergens")}</h2>
          <p className="mt-1">
            {quote.contains.length > 0 ? (
              <>
                {say("ui.contains-3")} <b>{quote.contains.join(", ")}</b>.
              </>
            ) : (
              quote.notKnown.length === 0 && say("price.no-major-allergens")
            )}
            {quote.mayContain.length > 0 && (
              <> {say("price.may-contain", { mayContain: quote.mayContain.join(", ") })}</>
            )}
            {quote.notKnown.length > 0 && (
              <>
                {" "}
                <b>{say("price.not-known")}</b> {say("price.please-ask", { notKnown: quote.notKnown.join(", ") })}
              </>
            )}
            {quote.without.length > 0 && (
              <> {say("price.made-without-as-you-asked", { without: listed(quote.without) })}</>
            )}{" "}
            {say("price.based-package-labels")}
          </p>
        </section>
        <section>
          <h2 className="font-serif text-xl">{say("price.how-store")}</h2>
          {quote.storage.map((s) => (
            <p key={s.what} className="mt-1">
              <b className="inline-block">{capital(s.what)}</b>: {s.how}
            </p>
          ))}
        </section>
      </div>
      <p className="text-ink2 mt-8 text-[15px] whitespace-pre-line">{quote.terms}</p>
      <p className="text-ink2 mt-2 text-[15px]">
        {quote.validUntil && say("price.valid-until", { on: longDayName(quote.validUntil) })}{" "}
        {quote.contact && say("price.questions", { contact: quote.contact })}
      </p>
    </article>
  );
}
