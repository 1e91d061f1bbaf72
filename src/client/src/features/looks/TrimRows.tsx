import { Minus, Plus } from "lucide-react";
import type { PartDraft, Reference, SprinkleDraft } from "../../api/client";
import { colourOf } from "../../api/queries";
import { Choice, colourOptions, Dot } from "../../ui/Choice";
import { Slider, Tick } from "../../ui/fields";
import { FieldNote } from "../../ui/notes";
import { put, type Change, type Designed } from "./designed";
import { RemoveButton, Row } from "./Row";
import { Words } from "../../ui/Words";

interface RowProps {
  design: Designed;
  reference: Reference;
  notes: Record<string, string>;
  change: Change;
}

const sides: { value: SprinkleDraft["side"]; label: string; says: string }[] = [
  { value: "front", label: "one side", says: "of the side that is seen" },
  { value: "both", label: "all round", says: "of the coat" },
  { value: "tip", label: "tip only", says: "of the tip" },
];

/** Sprinkles, sugar, nuts, crumbs. */
export function SprinkleRow({ design, reference, notes, change }: RowProps) {
  const { sprinkles } = design.decor;
  const kinds = reference.decor.sprinkles;
  const set = (i: number, next: SprinkleDraft | undefined) =>
    change(`sprinkles.${i}`, { decor: { ...design.decor, sprinkles: put(sprinkles, i, next) } });
  return (
    <Row name="Sprinkle">
      {sprinkles.map((sprinkle, i) => {
        const kind = kinds.find((k) => k.code === sprinkle.kind);
        const name = kind?.name ?? sprinkle.kind ?? "";
        const cover = Math.round(sprinkle.cover * 100);
        return (
          <div key={i} className="space-y-2">
            <div className="flex items-start justify-between gap-3">
              <Words
                label={`Sprinkle ${i + 1}`}
                value={sprinkle.kind ?? ""}
                options={kinds.map((k) => ({
                  value: k.code,
                  label: (
                    <>
                      {k.name}
                      <span className="text-mind text-[13px] font-semibold">
                        {" "}
                        {k.allergens?.join(", ") ?? "allergens not known"}
                      </span>
                    </>
                  ),
                }))}
                onChange={(code) => {
                  const only = kinds.find((k) => k.code === code)?.only;
                  set(i, { ...sprinkle, kind: code, glued: only ? only === "set" : sprinkle.glued });
                }}
              />
              <RemoveButton label={`Remove the ${name}`} onClick={() => set(i, undefined)} />
            </div>
            <FieldNote id={`note-sprinkle-${i}`} text={notes[`decor.sprinkles[${i}].kind`]} />
            <div className="flex flex-wrap items-center gap-x-8">
              <Words
                label={`Where the ${name} go`}
                value={sprinkle.side}
                options={sides}
                onChange={(side) => set(i, { ...sprinkle, side })}
              />
              {!kind?.only && (
                <Tick
                  label="glued on after setting"
                  checked={sprinkle.glued}
                  onChange={(glued) => set(i, { ...sprinkle, glued })}
                />
              )}
            </div>
            <Slider
              label={`Cover of the ${name}`}
              value={cover}
              min={2}
              max={100}
              step={2}
              says={`${cover} % ${sides.find((s) => s.value === sprinkle.side)?.says ?? ""}`}
              onChange={(share) => set(i, { ...sprinkle, cover: share / 100 })}
              error={notes[`decor.sprinkles[${i}].cover`]}
            />
          </div>
        );
      })}
      <button
        type="button"
        className="text-act font-semibold"
        onClick={() =>
          change("sprinkles", {
            decor: {
              ...design.decor,
              sprinkles: [...sprinkles, { kind: kinds[0]?.code ?? null, side: "front", cover: 0.3, glued: false }],
            },
          })
        }
      >
        {sprinkles.length ? "Sprinkle something else too" : "Sprinkle something on"}
      </button>
      <FieldNote id="note-sprinkles" text={notes["decor.sprinkles"]} />
    </Row>
  );
}

const bought = "";

/** Parts glued on, counted: bought, or moulded at home in a colour of the coating. */
export function PartsRow({ design, reference, notes, change }: RowProps) {
  const { parts } = design.decor;
  return (
    <Row name="Press or glue on">
      <ul className="grid gap-x-8 gap-y-1 sm:grid-cols-2">
        {reference.decor.parts.map((kind) => {
          const i = parts.findIndex((p) => p.kind === kind.code);
          const count = parts[i]?.count ?? 0;
          const set = (part: Partial<PartDraft>) => {
            const next = {
              ...{ kind: kind.code, count: 0, coating: null, colour: null, pressed: kind.only === "wet" },
              ...parts[i],
              ...part,
            };
            change(`parts.${kind.code}`, {
              decor: {
                ...design.decor,
                parts: i < 0 ? [...parts, next] : put(parts, i, next.count > 0 ? next : undefined),
              },
            });
          };
          const to = (count: number) => set({ count });
          const moulded = colourOf(reference, parts[i]?.coating ?? null, parts[i]?.colour ?? null);
          return (
            <li key={kind.code}>
              <div className="flex items-center justify-between">
                <span className={count ? "font-bold" : ""}>{kind.plural}</span>
                <span className="flex items-center gap-1">
                  <button
                    type="button"
                    aria-label={`Fewer ${kind.plural}`}
                    className="text-ink2 enabled:hover:text-act p-1 disabled:opacity-35"
                    disabled={count === 0}
                    onClick={() => to(count - 1)}
                  >
                    <Minus size={16} />
                  </button>
                  <output className="w-6 text-center" aria-label={`${kind.plural} on a piece`}>
                    {count}
                  </output>
                  <button
                    type="button"
                    aria-label={`More ${kind.plural}`}
                    className="text-ink2 hover:text-act p-1"
                    onClick={() => to(count + 1)}
                  >
                    <Plus size={16} />
                  </button>
                </span>
              </div>
              {count > 0 && !kind.only && !kind.mould && (
                <Tick
                  label="pressed onto the wet coat"
                  checked={parts[i]?.pressed ?? false}
                  onChange={(pressed) => set({ pressed })}
                />
              )}
              {count > 0 && kind.mould && (
                <p className="text-ink2 text-[15px]">
                  <Choice
                    label={`Where ${kind.plural} come from`}
                    value={parts[i]?.colour ?? bought}
                    options={[
                      { value: bought, label: "bought" },
                      ...colourOptions(
                        reference.colours.filter((c) => c.coating === design.coating),
                        (name) => `moulded in ${name}`,
                      ),
                    ]}
                    onChange={(colour) =>
                      set(colour === bought ? { coating: null, colour: null } : { coating: design.coating, colour })
                    }
                  >
                    {moulded ? (
                      <>
                        <Dot srgb={moulded.srgb} />
                        moulded in {moulded.name}
                      </>
                    ) : (
                      "bought"
                    )}
                  </Choice>
                </p>
              )}
              <FieldNote
                id={`note-part-${kind.code}`}
                text={i < 0 ? undefined : (notes[`decor.parts[${i}].count`] ?? notes[`decor.parts[${i}].colour`])}
              />
            </li>
          );
        })}
      </ul>
    </Row>
  );
}

/** Lustre brushed on. */
export function PaintRow({ design, reference, notes, change }: RowProps) {
  const { paint } = design.decor;
  const kind = reference.decor.lustres.find((l) => l.code === paint?.kind);
  return (
    <Row name="Brush on">
      <Words
        label="Lustre"
        value={paint?.kind ?? ""}
        options={[
          { value: "", label: "nothing" },
          ...reference.decor.lustres.map((l) => ({ value: l.code, label: l.name })),
        ]}
        onChange={(code) =>
          change("paint", {
            decor: { ...design.decor, paint: code ? { kind: code, cover: paint?.cover ?? 0.2 } : null },
          })
        }
      />
      {paint && (
        <>
          <Slider
            label="Cover of the lustre"
            value={Math.round(paint.cover * 100)}
            min={5}
            max={100}
            step={5}
            says={`${Math.round(paint.cover * 100)} % of the coat`}
            onChange={(share) =>
              change("paint.cover", { decor: { ...design.decor, paint: { ...paint, cover: share / 100 } } })
            }
            error={notes["decor.paint.cover"]}
          />
          <p className="text-ink2 text-[15px]">{kind?.how}</p>
        </>
      )}
    </Row>
  );
}
