import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Reference } from "../../api/client";
import { vesselOf, wayOf } from "../../api/queries";
import { ErrorNote, Waiting } from "../../ui/notes";
import { say } from "../../wording/say";

/** How many of each piece some coating makes: asked for by a press, as it wants a moment. */
export function Covers(props: { coating: string; colour: string; grams: number; reference: Reference }) {
  const { coating, colour, reference } = props;
  const [asked, setAsked] = useState(false);
  const grams = Math.round(props.grams);
  const covered = useQuery({
    queryKey: ["covered", coating, colour, grams],
    queryFn: () => answer(api.GET("/api/amounts/covered", { params: { query: { coating, colour, grams } } })),
    enabled: asked && grams >= 1,
  });
  if (grams < 1) return null;
  if (!asked)
    return (
      <button className="text-act mt-1 font-semibold" onClick={() => setAsked(true)}>
        {say("order.what-can-i-make-with")}
      </button>
    );
  if (covered.isError) return <ErrorNote error={covered.error} retry={() => void covered.refetch()} />;
  if (!covered.data) return <Waiting />;
  const some = covered.data.filter((c) => c.count > 0).sort((a, b) => b.count - a.count);
  if (some.length === 0) return <p className="mt-1">{say("order.not-enough-single-piece-mould")}</p>;
  return (
    <ul className="mt-2 grid gap-x-6 sm:grid-cols-2" data-testid="covers">
      {some.map((c) => (
        <li
          key={`${c.centre}.${c.size}`}
          className="border-line flex items-baseline justify-between gap-3 border-t border-dashed py-1"
        >
          <span>
            {c.name}
            <span className="text-ink2 block text-[13px]">
              {wayOf(reference, c.way)?.name}, {vesselOf(reference, c.vessel)?.name}
            </span>
          </span>
          <b>{c.count}</b>
        </li>
      ))}
    </ul>
  );
}
