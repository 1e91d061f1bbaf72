import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { answer, api } from "../../api/client";
import { newId, sentAs } from "../../api/newId";
import { TextButton } from "../../ui/buttons";
import { say } from "../../wording/say";
import type { Costing } from "../../api/client";
import { useKitchen } from "../../api/queries";
import { ExamplePrices } from "./ExamplePrices";
import { momentName, useWording } from "../../ui/units";

/** The quote: to look at, to print, and to send as a link that can be taken back. */
export function QuoteCorner(props: {
  id: string;
  kept: boolean;
  client: string;
  costing: Costing;
  /** Draws a piece of each line. */
  draw: () => Promise<string[]>;
}) {
  const isSample = useKitchen().data?.isSample;
  const isOnExamples = props.costing.sample.length > 0 && isSample === false;
  return (
    <section aria-labelledby="quote">
      <h2 id="quote" className="font-serif text-[22px]">
        {say("price.quote")}
      </h2>
      {isOnExamples ? <ExamplePrices costing={props.costing} /> : <Sharing {...props} />}
    </section>
  );
}

function Sharing({ id, kept, client, costing, draw }: Parameters<typeof QuoteCorner>[0]) {
  const { money } = useWording();
  const queries = useQueryClient();
  const path = { params: { path: { id } } };
  const quote = useQuery({
    queryKey: ["quote", id],
    queryFn: () => answer(api.GET("/api/orders/{id}/quote", path)),
    enabled: kept,
    gcTime: 0,
  });
  const [links, setLinks] = useState<Record<string, string>>({});
  const [copied, setCopied] = useState("");
  const refresh = () => queries.invalidateQueries({ queryKey: ["quote", id] });
  const [key, setKey] = useState(newId);
  const share = useMutation({
    mutationFn: async () => {
      const pictures = await draw();
      const link = await answer(
        api.POST("/api/orders/{id}/quote/shares", { params: { path: { id }, header: sentAs(key) } }),
      );
      await answer(
        api.PUT("/api/orders/{id}/quote/shares/{share}/pictures", {
          params: { path: { id, share: link.id } },
          body: { pictures },
        }),
      );
      return link;
    },
    onSuccess: (link) => {
      setKey(newId());
      setLinks((before) => ({ ...before, [link.id]: new URL(link.path, location.href).href }));
      return refresh();
    },
  });
  const revoke = useMutation({
    mutationFn: (share: string) =>
      answer(api.DELETE("/api/orders/{id}/quote/shares/{share}", { params: { path: { id, share } } })),
    onSuccess: refresh,
  });
  return (
    <>
      <p className="text-ink2">
        {say("price.one-page-what-when-price", { client: client && say("ui.for-client", { client }) })}
      </p>
      <p className="mt-2 flex flex-wrap items-baseline gap-5">
        <Link to={`/orders/${id}/quote`} className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold">
          {say("price.view-print")}
        </Link>
        <TextButton onClick={() => share.mutate()}>{say("price.create-link-send")}</TextButton>
      </p>
      {share.error && <p className="text-mind mt-1">{share.error.message}</p>}
      <ul className="mt-3">
        {quote.data?.shares.map((s) => (
          <li key={s.id} className="border-line border-t border-dashed py-2">
            <span className="flex flex-wrap items-baseline gap-x-5">
              <span className={s.revoked ? "text-ink2 line-through" : ""}>
                {say("price.shared", {
                  text: momentName(s.sharedAt),
                })}
              </span>
              {s.revoked ? (
                <span className="text-ink2">{say("price.link-turned-off")}</span>
              ) : (
                <TextButton onClick={() => revoke.mutate(s.id)}>{say("price.turn-off")}</TextButton>
              )}
            </span>
            {s.acceptedAt && (
              <span className="text-go block font-semibold" data-testid="accepted">
                {say("price.accepted", { text: momentName(s.acceptedAt), price: money(s.price) })}
                {s.price !== costing.price.value && (
                  <span className="text-mind block">
                    {say("price.now-comes-to", { price: money(costing.price.value) })}
                  </span>
                )}
              </span>
            )}
            {links[s.id] && !s.revoked && (
              <span className="mt-1 flex flex-wrap items-baseline gap-x-4">
                <a className="text-act wrap-anywhere underline" data-testid="share-link" href={links[s.id]}>
                  {links[s.id]}
                </a>
                <TextButton
                  onClick={() => {
                    void navigator.clipboard.writeText(links[s.id] ?? "").then(() => setCopied(s.id));
                  }}
                >
                  {copied === s.id ? say("price.copied") : say("price.copy")}
                </TextButton>
                <span className="text-ink2 text-[14px]">{say("price.copy-now-wont-shown-again")}</span>
              </span>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
