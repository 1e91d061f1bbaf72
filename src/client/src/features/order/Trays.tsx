import { EmptyTray } from "../../ui/EmptyTray";
import { memo, useState } from "react";
import type { LineTally, OrderLine, Reference, Tally, Tray } from "../../api/client";
import { centreOf, colourOf, sizeOf } from "../../api/queries";
import { How } from "../../ui/How";
import { later } from "../../ui/later";
import { Waiting } from "../../ui/notes";
import { Sheet } from "../../ui/Sheet";
import { span } from "../../ui/units";
import type { Draft } from "./draft";
import { PartShape } from "../piece/FigurePicture";
import { overhang, stickOf } from "../piece/points";
import { useLineLook } from "../piece/useLineLook";
import { usePictures } from "../piece/usePictures";
import { say } from "../../wording/say";

const HowItSets = later(() => import("./HowItSets"), "HowItSets", <Waiting />);

const variants = 4;

/** The pieces as they will look, laid on parchment in the rows they will be dipped in. */
export const Trays = memo(function Trays(props: { draft: Draft; tally: Tally; reference: Reference }) {
  const { draft, tally, reference } = props;
  return (
    <section aria-labelledby="trays" className="min-w-0 md:col-start-2 xl:row-start-1">
      <header className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 id="trays" className="font-serif text-xl">
          {say("ui.trays-2")}
        </h2>
        {tally.trays.length > 0 && (
          <p className="text-ink2 text-[15px]">
            {say("order.tray-dipping-order-left-right", { count: tally.trays.length })}
          </p>
        )}
      </header>
      <div className="mt-2 grid gap-4">
        {tally.trays.map((tray, i) => (
          <TrayView key={i} number={i + 1} tray={tray} draft={draft} tally={tally} reference={reference} />
        ))}
        {tally.trays.length === 0 && (
          <EmptyTray title={say("order.nothing-dip-yet")}>{say("order.type-what-dip-left-straw")}</EmptyTray>
        )}
      </div>
    </section>
  );
});

function TrayView(props: { number: number; tray: Tray; draft: Draft; tally: Tally; reference: Reference }) {
  const { tray, draft, tally, reference, number } = props;
  const lines = [...new Set(tray.rows.map((row) => row.line))];
  const onTray = (line: number) =>
    tray.rows.filter((r) => r.line === line && !r.part).reduce((sum, r) => sum + r.count, 0);
  const top = Math.max(
    0,
    ...tray.rows.slice(0, 1).map((row) => {
      const line = draft.lines[row.line];
      const centre = centreOf(reference, line?.centre ?? null);
      return overhang({ centre, stick: line && centre ? stickOf(reference, line, centre) : 0 }) - row.y;
    }),
  );

  return (
    <article className="rounded-tray border-rim bg-parchment text-parchment-ink relative border-8" data-testid="tray">
      <svg aria-hidden viewBox="0 0 26 26" className="absolute top-0 right-0 size-6.5">
        <path d="M0 0H26V26Z" className="fill-ground" />
        <path d="M0 0V18Q0 26 8 26H26Z" className="fill-curl" />
      </svg>
      <header className="px-4 pt-2.5 pr-9">
        <h3 className="font-bold">
          {say("order.tray", { number })}
          <span className="text-parchment-ink2 font-normal">
            {" · "}
            {lines
              .map((i) => {
                const line = draft.lines[i];
                const centre = centreOf(reference, line?.centre ?? null);
                const count = onTray(i);
                const parts = centre?.figure?.parts.flatMap((p) => {
                  const laid = tray.rows.filter((r) => r.line === i && r.part === p.code);
                  return laid.length > 0 ? [`${laid.reduce((sum, r) => sum + r.count, 0)} ${p.name}`] : [];
                });
                const whole = count > 0 ? [`${count} ${count === 1 ? centre?.name : centre?.plural}`] : [];
                return [...whole, ...(parts ?? [])].join(", ");
              })
              .join(", ")}
          </span>
        </h3>
        <SetTimes
          lines={tally.lines.filter((l) => lines.includes(l.line))}
          name={(line) => centreOf(reference, draft.lines[line]?.centre ?? null)?.plural ?? ""}
          reference={reference}
        />
      </header>
      <svg
        role="img"
        aria-label={say("order.tray-2", {
          number,
          lines: lines
            .map((i) => {
              const { centre = null, coating = null, colour = null } = draft.lines[i] ?? {};
              const kind = centreOf(reference, centre)?.plural;
              return `${onTray(i)} ${kind}, ${colourOf(reference, coating, colour)?.name}`;
            })
            .join("; "),
        })}
        viewBox={`0 ${-top} ${tray.width} ${tray.used + top}`}
        className="block w-full"
      >
        {lines.map((i) => (
          <LineRows
            key={i}
            seed={i * 31}
            rows={tray.rows.filter((row) => row.line === i)}
            line={draft.lines[i]}
            tally={tally.lines.find((l) => l.line === i)}
            reference={reference}
          />
        ))}
      </svg>
    </article>
  );
}

interface RowsProps {
  seed: number;
  rows: Tray["rows"];
  line: OrderLine | undefined;
  tally: LineTally | undefined;
  reference: Reference;
}

/** A line's pieces on a tray. */
function LineRows({ seed, rows, line, tally, reference }: RowsProps) {
  const look = useLineLook(line, tally, reference);
  const pictures = usePictures(look, seed, variants);
  const length = sizeOf(reference, line?.centre ?? null, line?.size ?? null)?.length ?? 40;
  const steady = 18 / length;
  return rows.map((row, r) => {
    const part = partOf(row, line, reference);
    return Array.from({ length: row.count }, (_, i) => {
      const key = `${r}-${i}`;
      const x = row.x + row.pitch * i;
      const tilt = ((i * 5 + r * 3) % 7) - 3;
      if (part)
        return (
          <g key={key} transform={`translate(${x} ${row.y + part.shape.length / 2}) rotate(${tilt})`}>
            <PartShape part={part.shape} srgb={part.srgb} />
          </g>
        );
      const turned = row.turned ? ` rotate(180 0 ${length / 2})` : "";
      return (
        <image
          key={key}
          {...pictures[(i * 7 + r * 3) % variants]}
          transform={`translate(${x} ${row.y}) rotate(${tilt * steady})${turned}`}
        />
      );
    });
  });
}

/** What lies in a row of a figure's parts. */
function partOf(row: Tray["rows"][number], line: OrderLine | undefined, reference: Reference) {
  const centre = centreOf(reference, line?.centre ?? null);
  const shape = row.part ? centre?.figure?.parts.find((p) => p.code === row.part) : undefined;
  if (!line || !shape) return undefined;
  const colour = colourOf(reference, line.coating, line.making?.colours?.[shape.code] ?? shape.colour ?? line.colour);
  return { shape, srgb: (colour ?? colourOf(reference, line.coating, line.colour))?.srgb ?? "#888888" };
}

/** When the pieces on a tray are touch-dry, and after that hard, place by place. */
function SetTimes(props: { lines: LineTally[]; name: (line: number) => string; reference: Reference }) {
  const { lines, name, reference } = props;
  return (
    <table className="text-parchment-ink2 mt-0.5 w-full text-left text-[13px] leading-6 pointer-coarse:leading-[44px]">
      <thead>
        <tr>
          <th className="w-[28%] font-normal">{say("order.touch-dry-then-hard")}</th>
          {reference.places.map((place) => (
            <th key={place.code} className="font-normal">
              {place.name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.line}>
            <th className="font-semibold">
              <SettingLink line={line.line} name={name(line.line)} />
            </th>
            {line.setting.map((setting) => (
              <td key={setting.place}>
                <How
                  what={say("order.setting-2", { name: name(line.line), place: setting.place })}
                  of={`lines[${line.line}].setting.${setting.place}`}
                >
                  <b>{setting.touchDry === null ? say("ui.never") : span(setting.touchDry)}</b>
                  {setting.handleHard !== null && (
                    <>
                      , <br className="sm:hidden" />
                      {span(setting.handleHard)}
                    </>
                  )}
                </How>
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A line's name, which opens how its pieces set. */
function SettingLink({ line, name }: { line: number; name: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        className="text-left font-semibold underline decoration-dotted underline-offset-4"
        onClick={() => setOpen(true)}
      >
        {name}
        <span className="sr-only">{say("order.how-sets")}</span>
      </button>
      {open && (
        <Sheet open wide close={() => setOpen(false)} title={say("order.how-sets-2", { name })}>
          <HowItSets line={line} />
        </Sheet>
      )}
    </>
  );
}
