import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams } from "react-router";
import { answer, api, type Quote } from "../../api/client";
import { settled } from "../../api/settling";
import { Dot } from "../../ui/Choice";
import { Drip } from "../../ui/Drip";
import { ErrorNote, Waiting } from "../../ui/notes";
import { clock, longDayName, useWording, wordingIn } from "../../ui/units";

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
  if (quote.isError) return <ErrorNote error={quote.error} retry={() => void quote.refetch()} />;
  if (!quote.data) return <Waiting />;
  return (
    <div className="px-4 pt-3 sm:px-10">
      <p className="mx-auto flex max-w-3xl justify-between print:hidden">
        <Link to={`/orders/${id}/price`} className="text-act font-semibold">
          ← price
        </Link>
        <button className="text-act font-bold" onClick={() => window.print()}>
          Print
        </button>
      </p>
      <Paper quote={quote.data.quote} money={wording.money} />
    </div>
  );
}

/** A quote behind its link, for whoever has the link. */
export function SharedQuotePage() {
  const { secret = "" } = useParams();
  const quote = useQuery({
    queryKey: ["shared quote", secret],
    queryFn: () => answer(api.GET("/api/quotes/{secret}", { params: { path: { secret } } })),
  });
  if (quote.isPending) return <Waiting />;
  return (
    <>
      <div className="print:hidden">
        <Drip tall />
      </div>
      <main className="px-4 py-8 sm:px-10">
        {quote.isError ? (
          <p className="mx-auto max-w-xl text-lg">
            This quote is not to be had any more. Ask the kitchen that sent it for a new link.
          </p>
        ) : (
          <Paper quote={quote.data} money={wordingIn(false).money} />
        )}
      </main>
    </>
  );
}

function Paper({ quote, money }: { quote: Quote; money: (amount: number) => string }) {
  useEffect(() => {
    document.title = `${quote.name} · ${quote.kitchen}`;
  }, [quote]);
  return (
    <article className="bg-panel mx-auto mt-3 max-w-3xl px-6 py-8 sm:px-12 print:m-0 print:max-w-none print:p-0">
      <header className="flex flex-wrap items-baseline justify-between gap-x-6">
        <p className="font-serif text-2xl">{quote.kitchen}</p>
        <p className="text-ink2 text-[15px]">
          order {quote.number} · {longDayName(quote.on)} {quote.on.slice(0, 4)}
        </p>
      </header>
      <h1 className="mt-6 font-serif text-4xl">{quote.name}</h1>
      <p className="mt-1 text-lg">
        {quote.client && <>for {quote.client} · </>}
        {quote.pickup && (
          <>
            {quote.handover === "pickup" ? "collected" : "brought"} {longDayName(quote.pickup)}, {clock(quote.pickup)}
          </>
        )}
        {quote.place && `, ${quote.place}`}
      </p>
      <ul className="mt-6">
        {quote.lines.map((line, i) => (
          <li key={i} className="border-line grid grid-cols-[2.6rem_1fr_auto] gap-x-3 border-t border-dashed py-2.5">
            <b className="text-right text-lg">{line.pieces}</b>
            <span>
              <b>
                <Dot srgb={line.srgb} />
                {line.what}
              </b>
              <span className="text-ink2 block text-[15px]">{line.how}</span>
            </span>
            <span className="text-lg">{money(line.price)}</span>
          </li>
        ))}
      </ul>
      <p className="border-ink flex justify-between border-t pt-2 text-2xl font-bold">
        <span>together</span>
        <span data-testid="total">{money(quote.price)}</span>
      </p>
      <p className="text-ink2 flex justify-between">
        <span>of which ahead, as a deposit</span>
        <span>{money(quote.deposit)}</span>
      </p>
      <div className="mt-8 grid gap-6 sm:grid-cols-2 print:grid-cols-2">
        <section>
          <h2 className="font-serif text-xl">Allergens</h2>
          <p className="mt-1">
            {quote.contains.length > 0 ? (
              <>
                Contains <b>{quote.contains.join(", ")}</b>.
              </>
            ) : (
              quote.notKnown.length === 0 && "No major allergens."
            )}
            {quote.mayContain.length > 0 && <> May contain {quote.mayContain.join(", ")}.</>}
            {quote.notKnown.length > 0 && (
              <>
                {" "}
                <b>Not known</b> for {quote.notKnown.join(", ")}: please ask.
              </>
            )}
            {quote.without.length > 0 && <> Made without {quote.without.join(" and ")}, as you asked.</>} Based on
            package labels.
          </p>
        </section>
        <section>
          <h2 className="font-serif text-xl">Keeping it</h2>
          {quote.storage.map((s) => (
            <p key={s.what} className="mt-1">
              <b className="inline-block first-letter:uppercase">{s.what}</b>: {s.how}
            </p>
          ))}
        </section>
      </div>
      <p className="text-ink2 mt-8 text-[15px] whitespace-pre-line">{quote.terms}</p>
    </article>
  );
}
