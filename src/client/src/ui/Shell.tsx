import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { Link, useLocation } from "wouter";
import { answer, api } from "../api/client";
import { sessionQuery, useKitchen } from "../api/queries";
import { useChanges } from "../api/useChanges";
import { useNewOrder } from "../features/order/useNewOrder";
import { AwayNote } from "./AwayNote";
import { Drip } from "./Drip";
import { Shortcuts } from "./Shortcuts";
import { useShortcuts } from "./useShortcuts";
import { say } from "../wording/say";

const rooms = [
  ["/", say("ui.shelf-2")],
  ["/orders", say("ui.orders")],
  ["/day", say("ui.day")],
  ["/bench", say("ui.bench")],
  ["/looks", say("ui.looks")],
  ["/colour", say("ui.colour")],
  ["/pantry", say("ui.pantry")],
  ["/logbook", say("ui.logbook")],
  ["/handbook", say("ui.handbook")],
  ["/kitchen", say("ui.kitchen")],
] as const;

/** Whether an address lies in a room. */
const isIn = (room: string, path: string) => path === room || (room !== "/" && path.startsWith(`${room}/`));

/** The cocoa band with the ways through the house, and the page under it. */
export function Shell({ children }: { children: ReactNode }) {
  const away = useChanges();
  const kitchen = useKitchen().data;
  const [help, setHelp] = useState(false);
  const [pathname, navigate] = useLocation();
  const bench = pathname === "/bench";
  const newOrder = useNewOrder();
  const menu = useRef<HTMLElement>(null);
  useEffect(() => {
    // On a phone the menu is wider than its row.
    const here = menu.current?.querySelector<HTMLElement>("[aria-current=page]");
    if (menu.current && here) menu.current.scrollLeft = here.offsetLeft - menu.current.clientWidth / 2;
  }, [pathname]);
  useShortcuts({
    n: newOrder,
    s: () => navigate("/"),
    o: () => navigate("/orders"),
    d: () => navigate("/day"),
    b: () => navigate("/bench"),
    p: () => navigate("/pantry"),
    l: () => navigate("/looks"),
    c: () => navigate("/colour"),
    g: () => navigate("/logbook"),
    r: () => navigate("/handbook"),
    k: () => navigate("/kitchen"),
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
        {say("ui.skip-content")}
      </a>
      <header className="sticky top-0 z-10 print:hidden">
        <div
          className={[
            "bg-cocoa text-cream flex min-h-14 items-center gap-x-3 px-3 whitespace-nowrap",
            "max-lg:flex-wrap max-lg:pt-2.5 sm:px-7 lg:gap-4 xl:gap-6",
          ].join(" ")}
        >
          <Link to="/" className="font-serif text-[20px] leading-none sm:text-[27px]">
            Kondiba
          </Link>
          <nav
            ref={menu}
            aria-label={say("ui.main-menu")}
            className={[
              "relative flex max-lg:order-last max-lg:w-full max-sm:gap-x-4 max-sm:overflow-x-auto",
              "[scrollbar-width:none] max-lg:py-1.5 sm:max-lg:justify-between lg:gap-4 xl:gap-6",
            ].join(" ")}
          >
            {rooms.map(([to, name]) => (
              <Link
                key={to}
                to={to}
                aria-current={isIn(to, pathname) ? "page" : undefined}
                className={`shrink-0 font-semibold ${isIn(to, pathname) ? "text-cream" : "text-cream2 hover:text-cream"}`}
              >
                {name}
              </Link>
            ))}
          </nav>
          <div className="ml-auto flex items-center gap-3">
            <UnitSwitch />
            <span className="border-cream2/50 hidden rounded-full border px-3 py-1 xl:inline">{kitchen?.name}</span>
            <button
              aria-label={say("ui.keyboard-shortcuts")}
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
  const session = useQuery(sessionQuery).data;
  const queries = useQueryClient();
  const change = useMutation({
    mutationFn: (units: "metric" | "us") => answer(api.PATCH("/api/session", { body: { units } })),
    onMutate: (units) =>
      queries.setQueryData(sessionQuery.queryKey, (old) => old && { ...old, reader: { ...old.reader, units } }),
    // What the server says in words is said in units too.
    onSettled: () => queries.invalidateQueries(),
  });
  const us = session?.reader.units === "us";
  return (
    <button
      title={us ? say("ui.switch-grams-c") : say("ui.switch-ounces-f")}
      className="border-cream2/50 rounded-full border px-2 py-1 max-sm:text-[13px] sm:px-3"
      onClick={() => change.mutate(us ? "metric" : "us")}
    >
      <span className="sr-only">{say("ui.units")} </span>
      {us ? say("ui.oz-f") : "g · °C"}
    </button>
  );
}
