import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { Link, NavLink, useMatch, useNavigate } from "react-router";
import { answer, api } from "../api/client";
import { kitchenQuery, useKitchen } from "../api/queries";
import { useChanges } from "../api/useChanges";
import { useNewOrder } from "../features/order/useNewOrder";
import { AwayNote } from "./AwayNote";
import { Drip } from "./Drip";
import { Shortcuts } from "./Shortcuts";
import { useShortcuts } from "./useShortcuts";

const rooms = [
  ["/", "Shelf"],
  ["/orders", "Orders"],
  ["/day", "The day"],
  ["/bench", "Bench"],
  ["/looks", "Looks"],
  ["/colour", "Colour"],
  ["/pantry", "Pantry"],
  ["/logbook", "Logbook"],
  ["/handbook", "Handbook"],
  ["/kitchen", "Kitchen"],
] as const;

/** The cocoa band with the ways through the house, and the page under it. */
export function Shell({ children }: { children: ReactNode }) {
  const away = useChanges();
  const kitchen = useKitchen().data;
  const [help, setHelp] = useState(false);
  const navigate = useNavigate();
  const bench = useMatch("/bench");
  const newOrder = useNewOrder();
  useShortcuts({
    n: newOrder,
    s: () => void navigate("/"),
    o: () => void navigate("/orders"),
    d: () => void navigate("/day"),
    b: () => void navigate("/bench"),
    p: () => void navigate("/pantry"),
    l: () => void navigate("/looks"),
    c: () => void navigate("/colour"),
    g: () => void navigate("/logbook"),
    r: () => void navigate("/handbook"),
    k: () => void navigate("/kitchen"),
    "?": () => setHelp(true),
  });

  const page = (
    <>
      <AwayNote away={away} />
      <main id="page" tabIndex={-1} className="outline-none">
        {children}
      </main>
      <Shortcuts open={help} close={() => setHelp(false)} />
    </>
  );
  // At the bench there is nothing but the step.
  if (bench) return <div className="night bg-ground text-ink min-h-screen">{page}</div>;
  return (
    <div className="min-h-screen pb-12 print:min-h-0 print:pb-0">
      <a
        href="#page"
        className="focus:bg-panel sr-only focus:not-sr-only focus:absolute focus:top-3 focus:left-4 focus:z-20 focus:p-2"
      >
        Skip to the page
      </a>
      <header className="sticky top-0 z-10 print:hidden">
        <div className="bg-cocoa text-cream flex min-h-14 items-center gap-x-3 px-3 whitespace-nowrap max-lg:flex-wrap max-lg:pt-2.5 sm:px-7 lg:gap-4 xl:gap-6">
          <Link to="/" className="font-serif text-[20px] leading-none sm:text-[27px]">
            Kondiba
          </Link>
          <nav
            aria-label="Rooms"
            className={[
              "flex max-lg:order-last max-lg:w-full max-lg:flex-wrap",
              "max-lg:py-1.5 max-sm:gap-x-3.5 max-sm:text-[13px] sm:max-lg:justify-between lg:gap-4 xl:gap-6",
            ].join(" ")}
          >
            {rooms.map(([to, name]) => (
              <NavLink
                key={to}
                to={to}
                end={to === "/"}
                className={({ isActive }) =>
                  `font-semibold ${isActive ? "text-cream" : "text-cream2 hover:text-cream"}`
                }
              >
                {name}
              </NavLink>
            ))}
          </nav>
          <div className="ml-auto flex items-center gap-3">
            <UnitSwitch />
            <span className="border-cream2/50 hidden rounded-full border px-3 py-1 xl:inline">{kitchen?.name}</span>
            <button
              aria-label="Keyboard shortcuts"
              className="border-cream2/50 hidden size-8 rounded-full border font-bold sm:block"
              onClick={() => setHelp(true)}
            >
              ?
            </button>
          </div>
        </div>
        <Drip />
      </header>
      {page}
    </div>
  );
}

function UnitSwitch() {
  const kitchen = useKitchen().data;
  const queries = useQueryClient();
  const change = useMutation({
    mutationFn: (units: "metric" | "us") => answer(api.PATCH("/api/kitchen", { body: { units } })),
    onMutate: (units) => queries.setQueryData(kitchenQuery.queryKey, (old) => old && { ...old, units }),
    onSettled: () => queries.invalidateQueries({ queryKey: kitchenQuery.queryKey }),
  });
  const us = kitchen?.units === "us";
  return (
    <button
      title={us ? "Switch to grams and °C" : "Switch to ounces and °F"}
      className="border-cream2/50 rounded-full border px-2 py-1 max-sm:text-[13px] sm:px-3"
      onClick={() => change.mutate(us ? "metric" : "us")}
    >
      <span className="sr-only">Units: </span>
      {us ? "oz · °F" : "g · °C"}
    </button>
  );
}
