import { useQuery } from "@tanstack/react-query";
import { Plus } from "lucide-react";
import { Link } from "wouter";
import { answer, api, type Palette, type Reference } from "../../api/client";
import { colourOf } from "../../api/queries";
import { FieldNote } from "../../ui/notes";
import { RemoveButton } from "../looks/Row";
import type { Draft, Edit } from "./draft";
import { say } from "../../wording/say";

const most = 5;
const fewest = 2;

/** The order's scheme of colours, and putting it on all that the order's pieces wear. */
export function PaletteRow(props: { draft: Draft; reference: Reference; notes: Record<string, string>; edit: Edit }) {
  const { draft, reference, edit } = props;
  const scheme = draft.palette ?? [];
  const asked = { palette: scheme, lines: draft.lines };
  const palette = useQuery({
    // Counts and depths change nothing about colours.
    queryKey: ["palette", scheme, draft.lines.map((l) => [l.coating, l.decor])],
    queryFn: () => answer(api.POST("/api/colour/palette", { body: asked })),
    enabled: scheme.length >= fewest,
  }).data;
  const set = (i: number, srgb: string) =>
    edit(`palette.${i}`, (d) => ({ ...d, palette: (d.palette ?? []).map((old, k) => (k === i ? srgb : old)) }));
  const usual = reference.colours.filter((c) => c.coating === reference.usualCoating);
  const add = () =>
    edit("palette", (d) => {
      const has = d.palette ?? [];
      const free = usual.map((c) => c.srgb).filter((srgb) => !has.includes(srgb));
      return { ...d, palette: [...has, ...free].slice(0, Math.max(fewest, has.length + 1)) };
    });
  return (
    <section
      aria-label={say("order.palette")}
      className="border-line border-t border-dashed py-3"
      data-testid="palette"
    >
      <div className="flex items-baseline justify-between">
        <h2 className="text-ink2">{say("order.palette-2")}</h2>
        {scheme.length < most && (
          <button className="text-act flex items-center gap-1 font-semibold" onClick={add}>
            <Plus size={16} className="self-center" />
            {scheme.length === 0 ? say("order.add-colour-scheme") : say("order.colour-3")}
          </button>
        )}
      </div>
      <div className="flex gap-x-1">
        {scheme.map((srgb, i) => (
          <span key={i} className="flex items-center">
            <input
              type="color"
              aria-label={say("order.colour-palette", { number: i + 1 })}
              className="dab"
              value={srgb}
              onChange={(e) => set(i, e.target.value)}
            />
            {scheme.length > fewest && (
              <RemoveButton
                label={say("order.remove-colour-palette", { number: i + 1 })}
                onClick={() => edit("palette", (d) => ({ ...d, palette: (d.palette ?? []).filter((_, k) => k !== i) }))}
              />
            )}
          </span>
        ))}
      </div>
      {palette && <Says palette={palette} reference={reference} />}
      {palette && palette.lines.length > 0 && (
        <button
          className="text-act mt-1 font-semibold"
          onClick={() => edit("palette.put", (d) => ({ ...d, lines: coloured(d.lines, palette) }))}
        >
          {say("order.use-all-pieces")}
        </button>
      )}
      {scheme.length > 0 && (
        <button
          className="text-ink2 ml-4 font-semibold"
          onClick={() => edit("palette.none", (d) => ({ ...d, palette: [] }))}
        >
          {say("order.no-palette")}
        </button>
      )}
      <FieldNote id="note-palette" text={props.notes.palette} />
    </section>
  );
}

/** What of the scheme wants mixing, and which drizzle would be lost on which coat. */
function Says({ palette, reference }: { palette: Palette; reference: Reference }) {
  const name = (code: string) => colourOf(reference, reference.usualCoating, code)?.name ?? code;
  const nameOf = (srgb: string) => name(palette.colours.find((c) => c.srgb === srgb)?.colour ?? "");
  const lost = palette.colours.flatMap((c, i) =>
    palette.colours
      .slice(i + 1)
      .filter((other) => other.srgb !== c.srgb && !c.seenOn.includes(other.srgb))
      .map((other) => say("order.nameof-and-nameof2", { nameOf: nameOf(c.srgb), nameOf2: nameOf(other.srgb) })),
  );
  return (
    <>
      {palette.colours
        .filter((c) => !c.reached)
        .map((c) => (
          <p key={c.srgb} className="text-ink2 text-[13px] leading-snug">
            {say("order.nearest-colour", {
              indexOf: palette.colours.indexOf(c) + 1,
              name: name(c.colour),
              words: c.words,
            })}{" "}
            <Link
              className="text-act font-semibold"
              to={`/colour?coating=${reference.usualCoating}&target=${encodeURIComponent(c.srgb)}`}
            >
              {say("order.mix")}
            </Link>
          </p>
        ))}
      {lost.length > 0 && (
        <p className="text-mind text-[13px] leading-snug">
          {say("order.too-close-tell-apart", { lost: lost.join("; ") })}
        </p>
      )}
    </>
  );
}

function coloured(lines: Draft["lines"], palette: Palette): Draft["lines"] {
  return lines.map((line, i) => {
    const worn = palette.lines.find((l) => l.line === i);
    if (!worn) return line;
    const decor = line.decor && {
      ...line.decor,
      dips: line.decor.dips.map((d, k) => ({ ...d, colour: worn.dips[k] ?? d.colour })),
      patterns: line.decor.patterns.map((p, k) => ({ ...p, colour: worn.patterns[k] ?? p.colour })),
    };
    return { ...line, colour: worn.colour, decor };
  });
}
