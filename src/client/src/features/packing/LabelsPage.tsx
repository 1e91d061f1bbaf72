import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useParams } from "react-router";
import { answer, ApiError, api, type LabelSheet } from "../../api/client";
import { useOwner } from "../../api/queries";
import { settled } from "../../api/settling";
import { TextButton } from "../../ui/buttons";
import { DateField, NumberField } from "../../ui/fields";
import { ErrorNote, Waiting } from "../../ui/notes";
import { Sheet } from "../../ui/Sheet";
import { useWording } from "../../ui/units";
import { Pages } from "../paper/Pages";
import { paperOf, perSheet, sheetsOf } from "./labels";
import { LabelSettingsForm } from "./LabelSettingsForm";
import { LabelView } from "./LabelView";
import { TestSheet } from "./TestSheet";

/** An order's labels on the sheet that they are printed on. */
export function LabelsPage() {
  const { id = "" } = useParams();
  const [madeOn, setMadeOn] = useState<string | null>(null);
  const labels = useQuery({
    queryKey: ["labels", id, madeOn],
    queryFn: async () => {
      await settled(id);
      return answer(api.POST("/api/orders/{id}/labels", { params: { path: { id } }, body: { madeOn } }));
    },
    placeholderData: keepPreviousData,
    gcTime: 0,
    retry: false,
  });
  const wrong = labels.error instanceof ApiError ? labels.error.errors.madeOn?.join(" ") : undefined;
  if (labels.error && !wrong) return <ErrorNote error={labels.error} retry={() => void labels.refetch()} />;
  const sheet = labels.data;
  if (!sheet && !wrong) return <Waiting />;
  return (
    <div className="mx-auto max-w-[77rem] px-4 pt-3 sm:px-8 print:m-0 print:max-w-none print:p-0">
      <p className="print:hidden">
        <Link to={`/orders/${id}/packing`} className="text-act font-semibold">
          ← packing
        </Link>
      </p>
      <div className="print:hidden">
        <h1 className="mt-1 font-serif text-[34px] leading-tight">{sheet?.order}: labels</h1>
        {wrong && (
          <p role="alert" className="border-mind bg-mind-ground mt-3 border-l-4 px-4 py-2">
            {wrong} <TextButton onClick={() => setMadeOn(null)}>Take the planned day</TextButton>
          </p>
        )}
      </div>
      {sheet && <Labels key={sheet.stock.code} sheet={sheet} setMadeOn={setMadeOn} />}
    </div>
  );
}

function Labels({ sheet, setMadeOn }: { sheet: LabelSheet; setMadeOn: (day: string | null) => void }) {
  const wording = useWording();
  const owner = useOwner();
  const [from, setFrom] = useState(1);
  const [test, setTest] = useState(false);
  const [editing, setEditing] = useState(false);
  const [tooSmall, setTooSmall] = useState(false);
  const { stock, settings, labels } = sheet;
  const sheets = sheetsOf(labels, stock, from);
  const count = labels.reduce((sum, l) => sum + l.count, 0);
  useEffect(() => {
    document.title = `Labels for ${sheet.order} · Kondiba`;
  }, [sheet.order]);
  const unknown = [...new Set(labels.flatMap((l) => l.notKnown))];
  return (
    <div className="mt-4 grid gap-x-8 gap-y-6 lg:grid-cols-[16rem_1fr] print:mt-0 print:block">
      <aside aria-label="Labels" className="space-y-5 self-start lg:sticky lg:top-24 print:hidden">
        <p>
          <b>{count === 1 ? "1 label" : `${count} labels`}</b> on {sheets.length}{" "}
          {sheets.length === 1 ? "sheet" : "sheets"}: {stock.name}.
        </p>
        <DateField
          label={sheet.planned ? "Made on (as planned)" : "Made on"}
          value={sheet.madeOn}
          onChange={setMadeOn}
        />
        <NumberField
          label="Begin with label no."
          value={from}
          onChange={(n) => setFrom(Math.min(perSheet(stock), Math.max(1, Math.round(n ?? 1))))}
        />
        <p className="flex flex-wrap gap-x-5 gap-y-2">
          <button className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold" onClick={() => window.print()}>
            {test ? "Print the test sheet" : "Print labels"}
          </button>
          <TextButton onClick={() => setTest(!test)}>{test ? "Back to the labels" : "Test sheet"}</TextButton>
        </p>
        {owner && <TextButton onClick={() => setEditing(true)}>What labels say, and their sheet</TextButton>}
        <div className="space-y-2" role="status">
          {unknown.length > 0 && (
            <Mind>
              Nobody has said what is in {unknown.join(", ")}. Enter its allergens from the packet in the kitchen before
              you print.
            </Mind>
          )}
          {!settings.maker && <Mind>Labels don’t say yet who made it and where.</Mind>}
          {!settings.notice && <Mind>If your local rule asks for a notice, type it once under “What labels say”.</Mind>}
          {tooSmall && (
            <Mind>
              The text doesn’t fit in letters that can be read (1.2 mm). Choose a larger label, or shorten your notice.
            </Mind>
          )}
        </div>
        <p className="text-ink2 text-[13px] leading-snug">
          Weights come from the order’s own figures; allergens from the packets as you entered them. The code leads to{" "}
          <a className="text-act font-semibold" href={sheet.path}>
            this page of ingredients
          </a>
          , where Kondiba can be reached. The batch number is on the page of each pot in the{" "}
          <Link className="text-act font-semibold" to="/logbook">
            logbook
          </Link>
          . Best-by days are common practice: your local rule comes first.
        </p>
      </aside>
      <Pages label="Label sheets">
        {test ? (
          <TestSheet stock={stock} settings={settings} />
        ) : (
          sheets.map((placed, i) => (
            <div key={i} className={`paper ${paperOf(stock)} shadow-lg print:shadow-none`} data-testid="sheet">
              {placed.map((p) => (
                <LabelView
                  key={`${p.x} ${p.y}`}
                  placed={p}
                  sheet={sheet}
                  stock={stock}
                  wording={wording}
                  tooSmall={() => setTooSmall(true)}
                />
              ))}
            </div>
          ))
        )}
        {labels.length === 0 && <p className="text-ink2 print:hidden">Nothing is on the order yet.</p>}
      </Pages>
      <Sheet open={editing} close={() => setEditing(false)} title="What labels say">
        <LabelSettingsForm sheet={sheet} done={() => setEditing(false)} />
      </Sheet>
    </div>
  );
}

function Mind({ children }: { children: React.ReactNode }) {
  return <p className="border-mind bg-mind-ground border-l-4 px-3 py-1.5 text-[15px] leading-snug">{children}</p>;
}
