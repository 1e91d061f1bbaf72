import { X } from "lucide-react";
import { memo } from "react";
import type { PackingDraft, Reference } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { FieldNote } from "../../ui/notes";
import type { Edit } from "./draft";

/** For how many pieces one usually is, and how much of it. */
const usual: Record<string, [each: number, per: number]> = {
  "box-6": [1, 6],
  "box-12": [1, 12],
  "tray-box": [1, 24],
  ribbon: [0.6, 12],
  "waxed-paper": [1, 12],
};

/** What the order is packed in: so much for every so many pieces. */
export const Packing = memo(function Packing(props: {
  packing: PackingDraft[];
  pieces: number;
  reference: Reference;
  notes: Record<string, string>;
  edit: Edit;
}) {
  const { packing, pieces, reference, edit } = props;
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
        const amount = Math.ceil(pieces / p.per) * p.each;
        return (
          <div key={p.supply} className="group flex items-baseline gap-1.5">
            <span className="min-w-0 grow">
              <b>
                {Number(amount.toFixed(1))}
                {supply?.unit === "m" && " m"}
              </b>{" "}
              {supply?.name ?? p.supply}
            </span>
            <span className="text-ink2 flex shrink-0 items-baseline gap-1">
              {supply?.unit === "m" && (
                <>
                  <Small
                    label={`Metres of ${supply.name} each time`}
                    value={p.each}
                    onChange={(each) => change(i, { each })}
                  />
                  <span className="mr-1">m</span>
                </>
              )}
              per
              <Small
                label={`One of ${supply?.name ?? p.supply} for how many pieces`}
                value={p.per}
                onChange={(per) => change(i, { per: Math.round(per) })}
              />
            </span>
            <button
              aria-label={`Without ${supply?.name ?? p.supply}`}
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
            <FieldNote
              id={`note-packing-${i}`}
              text={props.notes[`packing[${i}].per`] ?? props.notes[`packing[${i}].each`]}
            />
          </div>
        );
      })}
      <span className="text-act font-semibold print:hidden">
        <Choice
          label="Packing"
          value=""
          options={reference.supplies
            .filter((s) => !packing.some((p) => p.supply === s.code))
            .map((s) => ({ value: s.code, label: s.name }))}
          onChange={(supply) => {
            const [each, per] = usual[supply] ?? [1, 1];
            set("list", [...packing, { supply, each, per }]);
          }}
        >
          {packing.length > 0 ? "and packed in …" : "packed in …"}
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
