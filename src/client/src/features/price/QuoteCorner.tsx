import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api } from "../../api/client";
import { newId, sentAs } from "../../api/newId";
import { TextButton } from "../../ui/buttons";

/** The quote: to look at, to print, and to send as a link that can be taken back. */
export function QuoteCorner({ id, kept, client }: { id: string; kept: boolean; client: string }) {
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
    mutationFn: () =>
      answer(api.POST("/api/orders/{id}/quote/shares", { params: { path: { id }, header: sentAs(key) } })),
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
    <section aria-labelledby="quote">
      <h2 id="quote" className="font-serif text-[22px]">
        The quote
      </h2>
      <p className="text-ink2">
        One page{client && ` for ${client}`}: what, when, what it costs, deposit, allergens, how to keep it. It shows no
        cost of yours.
      </p>
      <p className="mt-2 flex flex-wrap items-baseline gap-5">
        <Link to={`/orders/${id}/quote`} className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold">
          Look at it and print
        </Link>
        <TextButton onClick={() => share.mutate()}>Make a link to send</TextButton>
      </p>
      <ul className="mt-3">
        {quote.data?.shares.map((s) => (
          <li key={s.id} className="border-line border-t border-dashed py-2">
            <span className="flex flex-wrap items-baseline gap-x-5">
              <span className={s.revoked ? "text-ink2 line-through" : ""}>
                shared {new Date(s.sharedAt).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" })}
              </span>
              {s.revoked ? (
                <span className="text-ink2">taken back: the link shows nothing</span>
              ) : (
                <TextButton onClick={() => revoke.mutate(s.id)}>Take back</TextButton>
              )}
            </span>
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
                  {copied === s.id ? "copied" : "Copy"}
                </TextButton>
                <span className="text-ink2 text-[14px]">Told once: the kitchen keeps no copy of it.</span>
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
