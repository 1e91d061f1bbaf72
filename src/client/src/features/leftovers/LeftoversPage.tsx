import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useParams } from "wouter";
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
import { useStill } from "../../ui/useStill";
import { takeBack } from "../pantry/receiptOf";
import { listed, say } from "../../wording/say";

type Plan = Leftovers["after"][number];

/** What becomes of what the pots of an order leave; and what is at home that could start them. */
export function LeftoversPage() {
  const { id = "" } = useParams();
  const [typed, setWeighed] = useState<Record<string, number>>({});
  const weighed = useStill(typed);
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
    document.title = say("leftovers.leftovers-kondiba", { order: found.data?.order ?? say("ui.order") });
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
      <h1 className="mt-1 font-serif text-[34px] leading-tight">{say("leftovers.leftovers", { order })}</h1>
      {before.length > 0 && <Before starts={before} />}
      <p className="text-ink2 mt-1 text-lg">
        {after.length === 0
          ? say("leftovers.nothing-order-yet-so-nothing")
          : say("leftovers.as-planned-type-what-scale")}
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
        {say("leftovers.before-you-melt")}
      </h2>
      <ul>
        {starts.map((start) => (
          <li key={start.lot + start.into.pot}>
            {say("leftovers.you-have-could-go-into", {
              has: wording.mass(start.has),
              name: start.name,
              takes: wording.mass(start.into.takes),
            })}{" "}
            <Dot srgb={start.into.srgb} />
            {say("leftovers.pot", { lines: listed(start.into.lines) || say("ui.drizzle"), off: start.into.off })}
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
      aria-label={say("leftovers.left", { name: colour?.name ?? plan.pot })}
      className="border-line mt-6 border-t border-dashed pt-4"
    >
      <div className="flex flex-wrap items-end justify-between gap-x-8 gap-y-3">
        <div>
          <h2 className="font-serif text-[24px]">
            <Dot srgb={colour?.srgb ?? "#888888"} />
            {colour?.name}
            {say("leftovers.left-2", { mass: wording.mass(plan.mass) })}
          </h2>
          <p className="text-ink2 text-[15px]">
            {plan.contains === null
              ? say("leftovers.allergens-this-coating-not-entered")
              : plan.contains.length > 0 && say("leftovers.its-allergens-stay", { contains: plan.contains.join(", ") })}
            {plan.mayContain.length > 0 && say("leftovers.may-contain", { mayContain: plan.mayContain.join(", ") })}
          </p>
        </div>
        <NumberField
          className="w-40"
          label={say("leftovers.weighed")}
          unit="g"
          value={grams ?? Math.round(plan.mass)}
          onChange={(value) => {
            setGrams(value);
            if (value !== null && value >= 0) weigh(value);
          }}
        />
      </div>
      {nothing ? (
        <p className="mt-2">{say("leftovers.too-little-keep-wipe-out")}</p>
      ) : (
        <ul className="mt-3 grid gap-x-10 gap-y-4 sm:grid-cols-2">
          {plan.folded.slice(0, 4).map((fold) => (
            <li key={fold.order + fold.pot}>
              <h3 className="font-bold">
                {say("leftovers.pot-2", {
                  pot: fold.pot === plan.pot ? say("leftovers.start") : say("leftovers.fold-into"),
                  name: fold.name,
                })}
              </h3>
              <p className="flex items-center gap-2">
                <Swatch srgb={fold.srgb} label={say("leftovers.its-own-colour")} />→
                <Swatch srgb={fold.mixed} label={say("leftovers.stirred-together")} />
                <span>
                  {say("leftovers.its", {
                    takes: wording.mass(fold.takes),
                    wanted: wording.mass(fold.wanted),
                    off: fold.off,
                  })}
                </span>
              </p>
              <p className="text-ink2 text-[15px]">
                {say("leftovers.used", { lines: fold.lines.join(", ") || say("leftovers.its-drizzle") })}
                {fold.pickup && say("leftovers.picked-up", { pickup: longDayName(fold.pickup) })}.
              </p>
              <Put
                says={say("leftovers.keep-pot")}
                receipt={{ ware: fold.ware, amount: fold.takes, bestBefore: plan.kept?.bestBefore ?? null }}
                place={say("leftovers.left-3", { order, name: fold.name })}
              />
            </li>
          ))}
          {plan.kept && (
            <li>
              <h3 className="font-bold">{say("leftovers.keep")}</h3>
              <p>
                {say("leftovers.pour-into-block-store-airtight", {
                  bestBefore: longDayName(plan.kept.bestBefore),
                  bestBefore2: plan.kept.bestBefore.slice(0, 4),
                })}
              </p>
              <Put
                says={say("leftovers.put-pantry")}
                receipt={{ ware: plan.kept.ware, amount: plan.mass, bestBefore: plan.kept.bestBefore }}
                place={say("leftovers.left-4", { order })}
              />
            </li>
          )}
          {plan.bark && (
            <li>
              <h3 className="font-bold">{say("leftovers.bark")}</h3>
              <p>
                {say("leftovers.stir")}{" "}
                <HowLines what={say("leftovers.bark-2")} lines={plan.bark.working}>
                  {say("leftovers.nuts-or-dried-fruit", { with: wording.mass(plan.bark.with) })}
                </HowLines>{" "}
                {say("leftovers.spread-over-nuts-add-their", { spread: wording.value(plan.bark.spread, "cm²") })}
              </p>
            </li>
          )}
          {plan.accents.map((accents) => (
            <li key={accents.ware}>
              <h3 className="font-bold">
                {accents.count} {accents.name}
              </h3>
              <p>
                {say("leftovers.each-good-until", {
                  each: wording.mass(accents.each),
                  bestBefore: longDayName(accents.bestBefore),
                })}
                {accents.for.length > 0 && <b>{say("leftovers.wanted", { for: accents.for.join(", ") })}</b>}.
              </p>
              <Put
                says={say("leftovers.moulded-put-them-pantry")}
                receipt={{ ware: accents.ware, amount: accents.count, bestBefore: accents.bestBefore }}
                place={say("leftovers.moulded-from-what-left", { order })}
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
  const undo = useMutation({
    mutationFn: () => takeBack(id),
    onSuccess: async () => {
      setId(newId());
      put.reset();
      await refresh();
    },
  });
  if (put.isSuccess)
    return (
      <p role="status" className="text-go font-semibold">
        {say("leftovers.pantry")} <TextButton onClick={() => undo.mutate()}>{say("ui.undo")}</TextButton>
      </p>
    );
  return (
    <p>
      <TextButton onClick={() => put.mutate()}>{props.says}</TextButton>
      {put.error && <span role="alert"> {put.error.message}</span>}
    </p>
  );
}
