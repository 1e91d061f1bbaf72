import { Minus, Plus } from "lucide-react";
import type { PartDraft, Reference, SprinkleDraft } from "../../api/client";
import { colourOf } from "../../api/queries";
import { Choice, colourOptions, Dot } from "../../ui/Choice";
import { Slider, Tick } from "../../ui/fields";
import { FieldNote } from "../../ui/notes";
import { put, type Change, type Designed } from "./designed";
import { RemoveButton, Row } from "./Row";
import { Words } from "../../ui/Words";
import { percentSign, say } from "../../wording/say";

interface RowProps {
  design: Designed;
  reference: Reference;
  notes: Record<string, string>;
  change: Change;
}

const sides: { value: SprinkleDraft["side"]; label: string; says: string }[] = [
  { value: "front", label: say("looks.one-side"), says: say("looks.side-seen") },
  { value: "both", label: say("ui.all-round"), says: say("looks.coat-3") },
  { value: "tip", label: say("looks.tip-only"), says: say("looks.tip-2") },
];

/** Sprinkles, sugar, nuts, crumbs. */
export function SprinkleRow({ design, reference, notes, change }: RowProps) {
  const { sprinkles } = design.decor;
  const kinds = reference.decor.sprinkles;
  const set = (i: number, next: SprinkleDraft | undefined) =>
    change(`sprinkles.${i}`, { decor: { ...design.decor, sprinkles: put(sprinkles, i, next) } });
  return (
    <Row name={say("looks.sprinkle-row")}>
      {sprinkles.map((sprinkle, i) => {
        const kind = kinds.find((k) => k.code === sprinkle.kind);
        const name = kind?.name ?? sprinkle.kind ?? "";
        const cover = Math.round(sprinkle.cover * 100);
        return (
          <div key={i} className="space-y-2">
            <div className="flex items-start justify-between gap-3">
              <Words
                label={say("looks.sprinkles", { number: i + 1 })}
                value={sprinkle.kind ?? ""}
                options={kinds.map((k) => ({
                  value: k.code,
                  label: (
                    <>
                      {k.name}
                      <span className="text-mind text-[13px] font-semibold">
                        {" "}
                        {k.allergens?.join(", ") ?? say("ui.allergens-not-known")}
                      </span>
                    </>
                  ),
                }))}
                onChange={(code) => {
                  const only = kinds.find((k) => k.code === code)?.only;
                  set(i, { ...sprinkle, kind: code, glued: only ? only === "set" : sprinkle.glued });
                }}
              />
              <RemoveButton label={say("looks.remove", { name })} onClick={() => set(i, undefined)} />
            </div>
            <FieldNote id={`note-sprinkle-${i}`} text={notes[`decor.sprinkles[${i}].kind`]} />
            <div className="flex flex-wrap items-center gap-x-8">
              <Words
                label={say("looks.where-go", { name })}
                value={sprinkle.side}
                options={sides}
                onChange={(side) => set(i, { ...sprinkle, side })}
              />
              {!kind?.only && (
                <Tick
                  label={say("looks.attached-after-setting")}
                  checked={sprinkle.glued}
                  onChange={(glued) => set(i, { ...sprinkle, glued })}
                />
              )}
            </div>
            <Slider
              label={say("looks.cover", { name })}
              value={cover}
              min={2}
              max={100}
              step={2}
              says={`${cover}${percentSign} ${sides.find((s) => s.value === sprinkle.side)?.says ?? ""}`}
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
        {sprinkles.length ? say("looks.add-more-sprinkles") : say("looks.add-sprinkles")}
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
    <Row name={say("looks.press-or-glue")}>
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
                    aria-label={say("looks.fewer", { plural: kind.plural })}
                    className="text-ink2 enabled:hover:text-act p-1 disabled:opacity-35"
                    disabled={count === 0}
                    onClick={() => to(count - 1)}
                  >
                    <Minus size={16} />
                  </button>
                  <output className="w-6 text-center" aria-label={say("looks.piece", { plural: kind.plural })}>
                    {count}
                  </output>
                  <button
                    type="button"
                    aria-label={say("looks.more", { plural: kind.plural })}
                    className="text-ink2 hover:text-act p-1"
                    onClick={() => to(count + 1)}
                  >
                    <Plus size={16} />
                  </button>
                </span>
              </div>
              {count > 0 && !kind.only && !kind.mould && (
                <Tick
                  label={say("looks.pressed-onto-wet-coat")}
                  checked={parts[i]?.pressed ?? false}
                  onChange={(pressed) => set({ pressed })}
                />
              )}
              {count > 0 && kind.mould && (
                <p className="text-ink2 text-[15px]">
                  <Choice
                    label={say("looks.where-come-from", { plural: kind.plural })}
                    value={parts[i]?.colour ?? bought}
                    options={[
                      { value: bought, label: say("looks.bought") },
                      ...colourOptions(
                        reference.colours.filter((c) => c.coating === design.coating),
                        (name) => say("looks.moulded", { name }),
                      ),
                    ]}
                    onChange={(colour) =>
                      set(colour === bought ? { coating: null, colour: null } : { coating: design.coating, colour })
                    }
                  >
                    {moulded ? (
                      <>
                        <Dot srgb={moulded.srgb} />
                        {say("looks.moulded", { name: moulded.name })}
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
    <Row name={say("looks.brush-on")}>
      <Words
        label={say("looks.lustre")}
        value={paint?.kind ?? ""}
        options={[
          { value: "", label: say("ui.nothing") },
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
            label={say("looks.cover-lustre")}
            value={Math.round(paint.cover * 100)}
            min={5}
            max={100}
            step={5}
            says={say("looks.coat-4", { cover: Math.round(paint.cover * 100) })}
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
