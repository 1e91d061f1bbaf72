import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useParams } from "react-router";
import { answer, ApiError, api, type Leftovers, type Receipt, type Reference } from "../../api/client";
import { newId } from "../../api/newId";
import { colourOf, referenceQuery } from "../../api/queries";
import { settled } from "../../api/settling";
import { TextButton } from "../../ui/buttons";
import { Dot } from "../../ui/Choice";
import { NumberField } from "../../ui/fields";
import { HowLines } from "../../ui/How";
import { ErrorNote, Waiting } from "../../ui/notes";
import { longDayName, useWording } from "../../ui/units";

type Plan = Leftovers["after"][number];

/** What becomes of what the pots of an order leave; and what is at home that could start them. */
export function LeftoversPage() {
  const { id = "" } = useParams();
  const [weighed, setWeighed] = useState<Record<string, number>>({});
  const reference = useQuery(referenceQuery);
  const found = useQuery({
    queryKey: ["leftovers", id, weighed],
    queryFn: async () => {
      await settled(id);
      return answer(api.POST("/api/orders/{id}/leftovers", { params: { path: { id } }, body: { weighed } }));
    },
    placeholderData: keepPreviousData,
    gcTime: 0,
    retry: false,
  });
  useEffect(() => {
    document.title = `Leftovers of ${found.data?.order ?? "an order"} · Kondiba`;
  }, [found.data?.order]);
  const error = found.error instanceof ApiError && found.data ? null : (found.error ?? reference.error);
  if (error) return <ErrorNote error={error} retry={() => void found.refetch()} />;
  if (!found.data || !reference.data) return <Waiting />;
  const { order, after, before } = found.data;
  return (
    <div className="mx-auto max-w-5xl px-4 pt-3 sm:px-10">
      <p>
        <Link to={`/orders/${id}`} className="text-act font-semibold">
          ← {order}
        </Link>
      </p>
      <h1 className="mt-1 font-serif text-[34px] leading-tight">{order}: leftovers</h1>
      {before.length > 0 && <Before starts={before} />}
      <p className="text-ink2 mt-1 text-lg">
        {after.length === 0
          ? "Nothing is on the order yet, so nothing will be left."
          : "As planned; type what the scale shows when you are done, and the choices follow."}
      </p>
      {after.map((plan) => (
        <PotLeft
          key={plan.pot}
          plan={plan}
          order={order}
          reference={reference.data}
          weigh={(grams) => setWeighed((w) => ({ ...w, [plan.pot]: grams }))}
        />
      ))}
    </div>
  );
}

/** Before the run: what is at home in another colour that could go into a pot of this order. */
function Before({ starts }: { starts: Leftovers["before"] }) {
  const wording = useWording();
  return (
    <section aria-labelledby="before" className="border-go bg-panel mt-4 border-l-4 px-4 py-2">
      <h2 id="before" className="font-bold">
        Before you melt
      </h2>
      <ul>
        {starts.map((start) => (
          <li key={start.lot + start.into.pot}>
            You have {wording.mass(start.has)} of {start.name}: {wording.mass(start.into.takes)} of it could go into the{" "}
            <Dot srgb={start.into.srgb} />
            pot for {start.into.lines.join(" and ") || "drizzle"} ({start.into.off}).
          </li>
        ))}
      </ul>
    </section>
  );
}

function PotLeft(props: { plan: Plan; order: string; reference: Reference; weigh: (grams: number) => void }) {
  const { plan, order, reference, weigh } = props;
  const [coating, code] = plan.pot.split(".") as [string, string];
  const colour = colourOf(reference, coating, code);
  const wording = useWording();
  const [grams, setGrams] = useState<number | null>(null);
  const nothing = !plan.kept && plan.folded.length === 0 && plan.accents.length === 0;
  return (
    <section
      aria-label={`Left of ${colour?.name ?? plan.pot}`}
      className="border-line mt-6 border-t border-dashed pt-4"
    >
      <div className="flex flex-wrap items-end justify-between gap-x-8 gap-y-3">
        <div>
          <h2 className="font-serif text-[24px]">
            <Dot srgb={colour?.srgb ?? "#888888"} />
            {colour?.name}: {wording.mass(plan.mass)} left
          </h2>
          <p className="text-ink2 text-[15px]">
            {plan.contains === null
              ? "Nobody has said what is in this coating."
              : plan.contains.length > 0 && `It keeps its allergens: ${plan.contains.join(", ")}.`}
            {plan.mayContain.length > 0 && ` May contain ${plan.mayContain.join(", ")}.`}
          </p>
        </div>
        <NumberField
          className="w-40"
          label="Weighed"
          unit="g"
          value={grams ?? Math.round(plan.mass)}
          onChange={(value) => {
            setGrams(value);
            if (value !== null && value >= 0) weigh(value);
          }}
        />
      </div>
      {nothing ? (
        <p className="mt-2">Too little to keep: wipe it out.</p>
      ) : (
        <ul className="mt-3 grid gap-x-10 gap-y-4 sm:grid-cols-2">
          {plan.folded.slice(0, 4).map((fold) => (
            <li key={fold.order + fold.pot}>
              <h3 className="font-bold">
                {fold.pot === plan.pot ? "Start" : "Fold into"} the pot of {fold.name}
              </h3>
              <p className="flex items-center gap-2">
                <Swatch srgb={fold.srgb} label="its own colour" />→
                <Swatch srgb={fold.mixed} label="stirred together" />
                <span>
                  {wording.mass(fold.takes)} of its {wording.mass(fold.wanted)} ({fold.off})
                </span>
              </p>
              <p className="text-ink2 text-[15px]">
                Worn by {fold.lines.join(", ") || "its drizzle"}
                {fold.pickup && `, picked up ${longDayName(fold.pickup)}`}.
              </p>
              <Put
                says="Keep it for that pot"
                receipt={{ ware: fold.ware, amount: fold.takes, bestBefore: plan.kept?.bestBefore ?? null }}
                place={`left of ${order}, for ${fold.name}`}
              />
            </li>
          ))}
          {plan.kept && (
            <li>
              <h3 className="font-bold">Keep it</h3>
              <p>
                Set it in a block, airtight and cool: good until {longDayName(plan.kept.bestBefore)}{" "}
                {plan.kept.bestBefore.slice(0, 4)}.
              </p>
              <Put
                says="Put it into the pantry"
                receipt={{ ware: plan.kept.ware, amount: plan.mass, bestBefore: plan.kept.bestBefore }}
                place={`left of ${order}`}
              />
            </li>
          )}
          {plan.bark && (
            <li>
              <h3 className="font-bold">Bark</h3>
              <p>
                Stir in{" "}
                <HowLines what="bark" lines={plan.bark.working}>
                  {wording.mass(plan.bark.with)} of nuts or dried fruit
                </HowLines>{" "}
                and spread it over {wording.value(plan.bark.spread, "cm²")}. Nuts add their own allergens.
              </p>
            </li>
          )}
          {plan.accents.map((accents) => (
            <li key={accents.ware}>
              <h3 className="font-bold">
                {accents.count} {accents.name}
              </h3>
              <p>
                {wording.mass(accents.each)} each, good until {longDayName(accents.bestBefore)}
                {accents.for.length > 0 && <b>. Wanted for {accents.for.join(", ")}</b>}.
              </p>
              <Put
                says="They are moulded"
                receipt={{ ware: accents.ware, amount: accents.count, bestBefore: accents.bestBefore }}
                place={`moulded from what ${order} left`}
              />
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Swatch({ srgb, label }: { srgb: string; label: string }) {
  return (
    <svg role="img" aria-label={label} viewBox="0 0 26 26" className="size-6.5 shrink-0">
      <circle cx="13" cy="13" r="12" fill={srgb} className="stroke-rim" />
    </svg>
  );
}

/** Puts what became of it into the pantry, once; it can be taken back there and then. */
function Put(props: { says: string; receipt: Pick<Receipt, "ware" | "amount" | "bestBefore">; place: string }) {
  const queries = useQueryClient();
  const [id, setId] = useState(newId);
  const refresh = () => {
    queries.removeQueries({ queryKey: ["tally"] });
    return queries.invalidateQueries({ queryKey: ["pantry"] });
  };
  const put = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/pantry/lots", {
          body: {
            id,
            ware: props.receipt.ware,
            amount: Math.round(props.receipt.amount),
            pack: null,
            price: null,
            bestBefore: props.receipt.bestBefore,
            place: props.place.slice(0, 60),
          },
        }),
      ),
    onSuccess: refresh,
  });
  const takeBack = useMutation({
    mutationFn: async () => {
      const movements = await answer(api.GET("/api/pantry/lots/{id}/movements", { params: { path: { id } } }));
      const [received] = movements;
      if (received) await answer(api.DELETE("/api/pantry/movements/{id}", { params: { path: { id: received.id } } }));
    },
    onSuccess: async () => {
      setId(newId());
      put.reset();
      await refresh();
    },
  });
  if (put.isSuccess)
    return (
      <p role="status" className="text-go font-semibold">
        In the pantry. <TextButton onClick={() => takeBack.mutate()}>Undo</TextButton>
      </p>
    );
  return (
    <p>
      <TextButton onClick={() => put.mutate()}>{props.says}</TextButton>
      {put.error && <span role="alert"> {put.error.message}</span>}
    </p>
  );
}
