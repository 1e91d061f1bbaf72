import { X } from "lucide-react";
import { memo } from "react";
import type { OrderLine, PackingDraft, Reference } from "../../api/client";
import { centreOf } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { FieldNote } from "../../ui/notes";
import type { Edit } from "./draft";
import { say } from "../../wording/say";

/** For how many pieces one usually is, and how much of it. */
const usual: Record<string, [each: number, per: number]> = {
  "box-6": [1, 6],
  "box-12": [1, 12],
  "tray-box": [1, 24],
  film: [0.6, 12],
  ribbon: [0.6, 12],
  "waxed-paper": [1, 12],
};

/** What the order is packed in: so much for every so many pieces. */
export const Packing = memo(function Packing(props: {
  packing: PackingDraft[];
  lines: OrderLine[];
  /** How much of each it takes; while that is computed, of none. */
  amounts: readonly number[];
  /** Whether it can be said here for which lines each is. */
  choosesLines?: boolean;
  reference: Reference;
  notes: Record<string, string>;
  edit: Edit;
}) {
  const { packing, lines, amounts, reference, edit } = props;
  const nameOf = (line: number) => centreOf(reference, lines[line]?.centre ?? null)?.plural ?? "";
  const set = (field: string, packing: PackingDraft[]) => edit(`packing.${field}`, (draft) => ({ ...draft, packing }));
  const change = (i: number, part: Partial<PackingDraft>) =>
    set(
      `${i}.${Object.keys(part).join()}`,
      packing.map((p, j) => (i === j ? { ...p, ...part } : p)),
    );
  return (
    <div className="text-[15px]">
      {packing.map((p, i) => {
        const supply = reference.supplies.find((s) => s.code === p.supply);
        const amount = amounts[i] ?? 0;
        return (
          <div key={`${i} ${p.supply}`} className="group flex flex-wrap items-baseline gap-x-1.5">
            <span className="min-w-0 grow">
              <b>
                {Number(amount.toFixed(1))}
                {supply?.unit === "m" && " m"}
              </b>{" "}
              {supply?.name ?? p.supply}
              {p.lines && !props.choosesLines && (
                <span className="text-ink2"> {say("order.for-lines", { lines: p.lines.map(nameOf).join(", ") })}</span>
              )}
              {lines.length > 1 && props.choosesLines && (
                <span className="text-ink2 block">
                  {"for "}
                  <Choice
                    label={say("order.pieces-6", { name: supply?.name ?? p.supply })}
                    value={p.lines?.length === 1 ? String(p.lines[0]) : ""}
                    options={[
                      { value: "", label: say("order.all-pieces") },
                      ...lines.map((_, line) => ({ value: String(line), label: nameOf(line) })),
                    ]}
                    onChange={(line) => change(i, { lines: line === "" ? null : [Number(line)] })}
                  >
                    {p.lines ? p.lines.map(nameOf).join(", ") : say("order.all-pieces")}
                  </Choice>
                </span>
              )}
            </span>
            <span className="text-ink2 flex shrink-0 items-baseline gap-1">
              {supply?.unit === "m" && (
                <>
                  <Small
                    label={say("order.metres-each-time", { name: supply.name })}
                    value={p.each}
                    onChange={(each) => change(i, { each })}
                  />
                  <span className="mr-1">{say("order.m")}</span>
                </>
              )}
              {say("order.per")}
              <Small
                label={say("order.one-how-many-pieces", { name: supply?.name ?? p.supply })}
                value={p.per}
                onChange={(per) => change(i, { per: Math.round(per) })}
              />
            </span>
            <button
              aria-label={say("order.without", { name: supply?.name ?? p.supply })}
              className="text-ink2 hover:text-act"
              onClick={() =>
                set(
                  "list",
                  packing.filter((_, j) => j !== i),
                )
              }
            >
              <X size={14} />
            </button>
            <span className="basis-full" />
            <FieldNote
              id={`note-packing-${i}`}
              text={["per", "each", "lines"].map((field) => props.notes[`packing[${i}].${field}`]).find(Boolean)}
            />
          </div>
        );
      })}
      <span className="text-act font-semibold print:hidden">
        <Choice
          label={say("order.packing")}
          value=""
          options={reference.supplies.map((s) => ({ value: s.code, label: s.name }))}
          onChange={(supply) => {
            const [each, per] = usual[supply] ?? [1, 1];
            set("list", [...packing, { supply, each, per, lines: null }]);
          }}
        >
          {packing.length > 0 ? say("order.add-packaging") : say("order.add-packaging")}
        </Choice>
      </span>
    </div>
  );
});

function Small({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
  return (
    <input
      aria-label={label}
      type="number"
      min={0}
      step="any"
      className="quiet w-9 text-right font-semibold"
      value={value}
      onFocus={(e) => e.target.select()}
      onChange={(e) => onChange(Number(e.target.value))}
    />
  );
}
