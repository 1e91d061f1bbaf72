import { Undoable } from "../../ui/buttons";
import { receiptOf } from "./receiptOf";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { Link } from "wouter";
import { answer, api, type Lot, type Pantry, type Ware } from "../../api/client";
import { colourOf, pantryQuery, referenceQuery } from "../../api/queries";
import { daysFrom } from "../../ui/localTime";
import { ErrorNote, Waiting } from "../../ui/notes";
import { amountIn, dayName, useWording } from "../../ui/units";
import { useShortcuts } from "../../ui/useShortcuts";
import { LotSheet } from "./LotSheet";
import { PutIn } from "./PutIn";
import { WareSheet } from "./WareSheet";
import { capital, say } from "../../wording/say";

const soon = 21;

/** What is at home: lots of everything that is used, the first to expire first. */
export function PantryPage() {
  const pantry = useQuery(pantryQuery);
  useEffect(() => {
    document.title = say("pantry.pantry-kondiba");
  }, []);
  if (pantry.isError) return <ErrorNote error={pantry.error} retry={() => void pantry.refetch()} />;
  if (!pantry.data) return <Waiting />;
  return <Shelves pantry={pantry.data} />;
}

function Shelves({ pantry }: { pantry: Pantry }) {
  const [putting, setPutting] = useState(false);
  const [lot, setLot] = useState<Lot>();
  const [ware, setWare] = useState<Ware>();
  const undo = useUndoMovement();
  useShortcuts({ i: () => setPutting(true) });
  const held = useMemo(() => Map.groupBy(pantry.lots, (l) => l.ware), [pantry.lots]);
  const total = (code: string) => (held.get(code) ?? []).reduce((sum, l) => sum + l.amount, 0);
  const shown = pantry.wares.filter((w) => held.has(w.code) || w.low > 0);
  const low = shown.filter((w) => w.low > 0 && total(w.code) < w.low);
  const sections = [...Map.groupBy(shown, (w) => w.section)].sort(([a], [b]) => a.localeCompare(b));
  const wording = useWording();

  return (
    <div className="mx-auto max-w-6xl px-4 pt-3 sm:px-10">
      <header className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <h1 className="font-serif text-[38px] leading-tight">{say("pantry.pantry")}</h1>
        <span className="ml-auto flex flex-wrap items-center gap-5">
          <Link to="/shopping" className="text-act text-lg font-bold">
            {say("pantry.shopping-list")}
          </Link>
          <button
            className="bg-act text-on-act rounded-full px-5 py-2 text-lg font-bold"
            onClick={() => setPutting(true)}
          >
            {say("ui.add-pantry")}
          </button>
        </span>
      </header>
      {undo.last && <Undoable says={undo.last.says} act={say("ui.undo")} undo={() => undo.mutate()} />}
      {undo.isError && <ErrorNote error={undo.error} />}
      {low.length > 0 && (
        <section aria-labelledby="low" className="border-mind bg-mind-ground mt-4 border-l-4 px-4 py-2">
          <h2 id="low" className="font-bold">
            {say("pantry.running-low")}
          </h2>
          {low.map((w) => (
            <p key={w.code}>
              {say("pantry.left-reorder", {
                name: w.name,
                total: amountIn(wording, total(w.code), w.unit),
                low: amountIn(wording, w.low, w.unit),
              })}
            </p>
          ))}
        </section>
      )}
      {shown.length === 0 && (
        <p className="text-ink2 mt-8 max-w-2xl text-lg">{say("pantry.nothing-here-yet-add-what")}</p>
      )}
      <div className="mt-6 gap-x-12 lg:columns-2">
        {sections.map(([section, wares]) => (
          <section key={section} aria-label={section} className="mb-8 break-inside-avoid">
            <h2 className="border-board border-b-[6px] pb-1 font-serif text-[22px]">{capital(section)}</h2>
            <ul>
              {wares.map((w) => (
                <WareRow
                  key={w.code}
                  ware={w}
                  lots={held.get(w.code) ?? []}
                  total={total(w.code)}
                  today={pantry.today}
                  openLot={setLot}
                  openWare={() => setWare(w)}
                />
              ))}
            </ul>
          </section>
        ))}
      </div>
      {putting && (
        <PutIn
          pantry={pantry}
          close={() => setPutting(false)}
          done={(lot, name) => undo.remember({ lot: lot.id, says: say("pantry.pantry-2", { name }) })}
        />
      )}
      {lot && (
        <LotSheet
          lot={lot}
          ware={pantry.wares.find((w) => w.code === lot.ware)}
          close={() => setLot(undefined)}
          done={(movement, says) => undo.remember({ movement, says })}
        />
      )}
      {ware && <WareSheet ware={ware} close={() => setWare(undefined)} />}
    </div>
  );
}

/** Offers to take the last change back. */
function useUndoMovement() {
  const queries = useQueryClient();
  const [last, remember] = useState<{ movement?: string; lot?: string; says: string }>();
  const undo = useMutation({
    mutationFn: async () => {
      const id = last?.movement ?? (last?.lot && (await receiptOf(last.lot)));
      if (id) await answer(api.DELETE("/api/pantry/movements/{id}", { params: { path: { id } } }));
    },
    onSuccess: () => {
      remember(undefined);
      return queries.invalidateQueries({ queryKey: ["pantry"] });
    },
  });
  return { ...undo, last, remember };
}

function WareRow(props: {
  ware: Ware;
  lots: Lot[];
  total: number;
  today: string;
  openLot: (lot: Lot) => void;
  openWare: () => void;
}) {
  const { ware, lots, total, today } = props;
  const wording = useWording();
  const reference = useQuery(referenceQuery).data;
  const [, coating = "", colour = ""] = ware.code.split(".");
  const srgb = ware.code.startsWith("coating.") && reference ? colourOf(reference, coating, colour)?.srgb : undefined;
  const low = ware.low > 0 && total < ware.low;
  return (
    <li className="border-line grid grid-cols-[2rem_1fr] gap-x-3 border-b border-dashed py-2">
      <Jar
        full={total / (ware.low || lots.reduce((sum, l) => sum + (l.pack ?? l.amount), 0) || 1)}
        srgb={srgb}
        low={low}
      />
      <div className="min-w-0">
        <div className="flex items-baseline gap-3">
          <button
            data-ware={ware.code}
            className="hover:text-act min-w-0 grow text-left font-semibold"
            onClick={props.openWare}
          >
            {ware.name}
          </button>
          <b className={`text-lg ${low ? "text-mind" : ""}`}>
            {amountIn(wording, total, ware.unit)}
            {low && <span className="text-[13px]"> {say("pantry.low")}</span>}
          </b>
        </div>
        <ul className="text-ink2 text-[15px]">
          {lots.map((l) => {
            const days = l.bestBefore ? daysFrom(today, l.bestBefore) : undefined;
            return (
              <li key={l.id}>
                <button
                  className="hover:text-act flex w-full items-baseline gap-3 py-0.5 text-left"
                  onClick={() => props.openLot(l)}
                >
                  <span className="grow">
                    {lots.length > 1 && <b>{amountIn(wording, l.amount, ware.unit)} </b>}
                    {l.bestBefore ? (
                      <span className={days !== undefined && days < soon ? "text-mind font-semibold" : ""}>
                        {days !== undefined && days < 0 ? say("pantry.past-its-date") : say("pantry.best-before-2")}
                        {dayName(l.bestBefore)} {l.bestBefore.slice(0, 4)}
                      </span>
                    ) : (
                      say("pantry.no-date")
                    )}
                    {l.place && ` · ${l.place}`}
                  </span>
                  <span className="text-act font-semibold">
                    {say("pantry.use-some")}
                    <span className="sr-only"> {say("ui.of-name", { name: ware.name })}</span>
                  </span>
                </button>
              </li>
            );
          })}
        </ul>
      </div>
    </li>
  );
}

/** A jar as full as its packs are, or as its mark wants it. */
function Jar({ full, srgb, low }: { full: number; srgb: string | undefined; low: boolean }) {
  const height = 25 * Math.min(1, Math.max(0.04, full));
  return (
    <svg aria-hidden viewBox="0 0 32 40" className="mt-0.5 h-9">
      <rect x="4.5" y="9.5" width="23" height="28" rx="5" className="fill-glass stroke-rim" strokeWidth="1.5" />
      <rect
        x="6.5"
        y={36 - height}
        width="19"
        height={height}
        rx="3"
        fill={srgb}
        className={srgb ? "" : low ? "fill-mind" : "fill-board"}
      />
      <rect x="7" y="3" width="18" height="6.5" rx="2" className="fill-board-edge" />
    </svg>
  );
}
