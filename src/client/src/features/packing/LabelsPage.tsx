import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useParams } from "wouter";
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
import { say } from "../../wording/say";

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
          {say("packing.packing")}
        </Link>
      </p>
      <div className="print:hidden">
        <h1 className="mt-1 font-serif text-[34px] leading-tight">
          {sheet?.order}
          {say("packing.labels")}
        </h1>
        {wrong && (
          <p role="alert" className="border-mind bg-mind-ground mt-3 border-l-4 px-4 py-2">
            {wrong} <TextButton onClick={() => setMadeOn(null)}>{say("packing.use-planned-day")}</TextButton>
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
    document.title = say("packing.labels-kondiba", { order: sheet.order });
  }, [sheet.order]);
  const unknown = [...new Set(labels.flatMap((l) => l.notKnown))];
  return (
    <div className="mt-4 grid gap-x-8 gap-y-6 lg:grid-cols-[16rem_1fr] print:mt-0 print:block">
      <aside aria-label={say("ui.labels")} className="space-y-5 self-start lg:sticky lg:top-24 print:hidden">
        <p>
          <b>{say("packing.label-count", { count })}</b>{" "}
          {say("packing.sheet", { count: sheets.length, name: stock.name })}
        </p>
        <DateField
          label={sheet.planned ? say("packing.made-as-planned") : say("ui.made-2")}
          value={sheet.madeOn}
          onChange={setMadeOn}
        />
        <NumberField
          label={say("packing.start-with-label-no")}
          value={from}
          onChange={(n) => setFrom(Math.min(perSheet(stock), Math.max(1, Math.round(n ?? 1))))}
        />
        <p className="flex flex-wrap gap-x-5 gap-y-2">
          <button className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold" onClick={() => window.print()}>
            {test ? say("packing.print-test-sheet") : say("packing.print-labels")}
          </button>
          <TextButton onClick={() => setTest(!test)}>
            {test ? say("packing.back-labels") : say("packing.test-sheet")}
          </TextButton>
        </p>
        {owner && (
          <TextButton onClick={() => setEditing(true)}>{say("packing.what-labels-say-their-sheet")}</TextButton>
        )}
        <div className="space-y-2" role="status">
          {unknown.length > 0 && (
            <Mind>{say("packing.allergens-not-entered-yet-enter", { unknown: unknown.join(", ") })}</Mind>
          )}
          {!settings.maker && <Mind>{say("packing.labels-dont-say-yet-who")}</Mind>}
          {!settings.notice && <Mind>{say("packing.if-your-local-rule-asks")}</Mind>}
          {tooSmall && <Mind>{say("packing.text-doesnt-fit-readable-letters")}</Mind>}
        </div>
        <p className="text-ink2 text-[13px] leading-snug">
          {say("packing.weights-come-from-orders-own")}{" "}
          <a className="text-act font-semibold" href={sheet.path}>
            {say("packing.this-page-ingredients")}
          </a>
          {say("packing.where-kondiba-can-reached-batch")}{" "}
          <Link className="text-act font-semibold" to="/logbook">
            {say("packing.logbook")}
          </Link>
          {say("packing.best-by-days-common-practice")}
        </p>
      </aside>
      <Pages label={say("packing.label-sheets")}>
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
        {labels.length === 0 && <p className="text-ink2 print:hidden">{say("ui.nothing-order-yet")}</p>}
      </Pages>
      <Sheet open={editing} close={() => setEditing(false)} title={say("packing.what-labels-say")}>
        <LabelSettingsForm sheet={sheet} done={() => setEditing(false)} />
      </Sheet>
    </div>
  );
}

function Mind({ children }: { children: React.ReactNode }) {
  return <p className="border-mind bg-mind-ground border-l-4 px-3 py-1.5 text-[15px] leading-snug">{children}</p>;
}
