import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, type ReactNode } from "react";
import { Link, useLocation, useParams, useSearchParams } from "wouter";
import { answer, api } from "../../api/client";
import { kitchenQuery, priceListQuery, referenceQuery, thingsQuery } from "../../api/queries";
import { ErrorNote, Waiting } from "../../ui/notes";
import { useKeep } from "../../ui/useKeep";
import { say } from "../../wording/say";
import { Hours } from "../kitchen/Hours";
import type { Room } from "../kitchen/KitchenPage";
import { Writing } from "../kitchen/SetupForm";
import { Vessels } from "../kitchen/Vessels";
import { useNewOrder } from "../order/useNewOrder";
import { PriceRows } from "../price/PriceRows";

const steps = ["place", "dips", "vessels", "prices", "hours"] as const;
type Step = (typeof steps)[number];

const titles: Record<Step, string> = {
  place: say("welcome.place"),
  dips: say("welcome.dips"),
  vessels: say("welcome.vessels"),
  prices: say("welcome.prices"),
  hours: say("welcome.hours"),
};
const whys: Record<Step, string> = {
  place: say("welcome.place-why"),
  dips: say("welcome.dips-why"),
  vessels: say("welcome.vessels-why"),
  prices: say("welcome.prices-why"),
  hours: say("welcome.hours-why"),
};

/** The first five things to tell a new kitchen, each of which can be left for later. */
export function WelcomePage() {
  const { step = "place" } = useParams();
  const at = Math.max(0, steps.indexOf(step as Step));
  const now = steps[at] ?? "place";
  const next = steps[at + 1];
  const [search] = useSearchParams();
  const [, navigate] = useLocation();
  const newOrder = useNewOrder();
  const kitchen = useQuery(kitchenQuery);
  const things = useQuery(thingsQuery);
  const reference = useQuery(referenceQuery);
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    document.title = say("welcome.welcome-kondiba");
    heading.current?.focus();
  }, [now]);
  const error = kitchen.error ?? things.error ?? reference.error;
  if (error) return <ErrorNote error={error} />;
  if (!kitchen.data || !things.data || !reference.data) return <Waiting />;
  const room: Room = { things: things.data, reference: reference.data };
  const views: Record<Step, ReactNode> = {
    place: <Writing kitchen={kitchen.data} />,
    dips: <Dips {...room} />,
    vessels: <Vessels {...room} />,
    prices: <Prices />,
    hours: <Hours {...room} />,
  };
  const on = () => (next ? navigate(`/welcome/${next}?${search.toString()}`) : newOrder());
  return (
    <div className="mx-auto max-w-5xl px-4 pt-3 sm:px-10">
      <p className="text-ink2">{say("welcome.step-of", { number: at + 1, count: steps.length })}</p>
      <h1 ref={heading} tabIndex={-1} className="font-serif text-[38px] leading-tight outline-none">
        {titles[now]}
      </h1>
      <p className="text-ink2 mb-6 max-w-2xl text-lg">{whys[now]}</p>
      {views[now]}
      <p className="border-line mt-10 flex flex-wrap items-center gap-6 border-t pt-5">
        <button className="bg-act text-on-act rounded-full px-6 py-2 text-lg font-bold" onClick={on}>
          {next ? say("welcome.next", { title: titles[next] }) : say("welcome.first-order")}
        </button>
        {at > 0 && (
          <Link to={`/welcome/${steps[at - 1]}?${search.toString()}`} className="text-act font-semibold">
            {say("welcome.back")}
          </Link>
        )}
        <Link to="/" className="text-ink2 font-semibold">
          {say("welcome.later")}
        </Link>
      </p>
    </div>
  );
}

/** What is dipped here and in what: the next pages ask only for these, and a new line starts with the first coating. */
function Dips({ things, reference }: Room) {
  const [search, setSearch] = useSearchParams();
  const ways = useKeep((body: Room["things"]["ways"]) => answer(api.PUT("/api/kitchen/ways", { body })));
  const toggle = (key: "centre" | "coating", code: string) => {
    const chosen = search.getAll(key);
    const after = chosen.includes(code) ? chosen.filter((c) => c !== code) : [...chosen, code];
    setSearch(
      (before) => {
        before.delete(key);
        after.forEach((c) => before.append(key, c));
        return before;
      },
      { replace: true },
    );
    if (key === "coating") ways.mutate({ ...things.ways, coating: after[0] ?? null });
  };
  const chips = (key: "centre" | "coating", all: { code: string; name: string }[], title: string) => (
    <fieldset className="mt-5">
      <legend className="font-serif text-[22px]">{title}</legend>
      <div className="mt-2 flex flex-wrap gap-2.5">
        {all.map(({ code, name }) => (
          <label
            key={code}
            className={[
              "border-line cursor-pointer rounded-full border px-4 py-2",
              "has-checked:border-act has-checked:bg-act has-checked:text-on-act",
              "has-focus-visible:outline-act has-focus-visible:outline-2",
            ].join(" ")}
          >
            <input
              type="checkbox"
              className="sr-only"
              checked={search.getAll(key).includes(code)}
              onChange={() => toggle(key, code)}
            />
            {name}
          </label>
        ))}
      </div>
    </fieldset>
  );
  return (
    <>
      {chips(
        "centre",
        reference.centres.map((c) => ({ code: c.code, name: c.plural })),
        say("welcome.what-you-dip"),
      )}
      {chips("coating", reference.coatings, say("welcome.in-what"))}
    </>
  );
}

/** What those cost that were chosen, and what they are packed in; everything where nothing was chosen. */
function Prices() {
  const [search] = useSearchParams();
  const list = useQuery(priceListQuery);
  if (!list.data) return <Waiting />;
  const [centres, coatings] = [search.getAll("centre"), search.getAll("coating")];
  const wanted = list.data.filter(
    ({ code }) =>
      coatings.some((c) => code === `coating.${c}`) ||
      centres.some((c) => code.startsWith(`centre.${c}.`)) ||
      /^supply\.(cup|box|bag)/.test(code),
  );
  return <PriceRows items={centres.length + coatings.length > 0 ? wanted : list.data} />;
}
