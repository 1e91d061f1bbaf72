import { Radio, RadioGroup } from "@headlessui/react";
import { useState } from "react";
import type { PatternDraft, PatternKind, Reference } from "../../api/client";
import { colourOf } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { NumberField, Slider, TextField } from "../../ui/fields";
import { FieldNote } from "../../ui/notes";
import { useWording } from "../../ui/units";
import { at, pairs } from "../piece/points";
import { patternOf, put, type Change, type Designed } from "./designed";
import { RemoveButton, Row } from "./Row";
import { Swatches } from "./Swatches";
import { say } from "../../wording/say";

/** Lines of coating: which patterns, and each one's bead, lines, turn and shift. */
export function DrizzleRow(props: {
  design: Designed;
  reference: Reference;
  notes: Record<string, string>;
  change: Change;
}) {
  const { design, reference, notes, change } = props;
  const { patterns } = design.decor;
  const [open, setOpen] = useState(0);
  const i = Math.min(open, patterns.length - 1);
  const pattern = patterns[i];
  const kinds = reference.decor.patterns;
  const kindOf = (code: string | null) => kinds.find((k) => k.code === code);
  const set = (field: string, next: PatternDraft | undefined) =>
    change(`patterns.${i}.${field}`, { decor: { ...design.decor, patterns: put(patterns, i, next) } });
  const add = () => {
    const last = patterns.at(-1);
    const seen =
      reference.colours.find((c) => c.coating === design.coating && c.code === "white") ?? reference.colours[0];
    const white = design.colour === seen?.code ? reference.colours.find((c) => c.coating === design.coating) : seen;
    const kind = kinds[0];
    if (!kind) return;
    const next = patternOf(kind, last?.coating ?? design.coating, last?.colour ?? white?.code ?? null);
    change("patterns", { decor: { ...design.decor, patterns: [...patterns, next] } });
    setOpen(patterns.length);
  };
  const coat = colourOf(reference, design.coating, design.colour)?.srgb ?? "#4a2616";

  return (
    <Row name={say("looks.drizzle-row")}>
      {patterns.length > 1 && (
        <ul className="flex flex-wrap gap-x-5 gap-y-1">
          {patterns.map((p, k) => (
            <li key={k}>
              <button
                type="button"
                aria-pressed={k === i}
                className={`border-b-[3px] ${k === i ? "border-act font-bold" : "border-transparent"}`}
                onClick={() => setOpen(k)}
              >
                <Dot srgb={colourOf(reference, p.coating, p.colour)?.srgb} />
                {kindOf(p.kind)?.name ?? p.kind}
              </button>
            </li>
          ))}
        </ul>
      )}
      {pattern && (
        <Drawn
          key={i}
          pattern={pattern}
          kind={kindOf(pattern.kind)}
          coat={coat}
          reference={reference}
          note={(field) => notes[`decor.patterns[${i}].${field}`]}
          set={set}
        />
      )}
      <button type="button" className="text-act font-semibold" onClick={add}>
        {patterns.length ? say("looks.add-another-pattern") : say("looks.add-pattern")}
      </button>
    </Row>
  );
}

function Drawn(props: {
  pattern: PatternDraft;
  kind: PatternKind | undefined;
  coat: string;
  reference: Reference;
  note: (field: string) => string | undefined;
  set: (field: string, next: PatternDraft | undefined) => void;
}) {
  const { pattern, kind, reference, note, set } = props;
  const wording = useWording();
  const srgb = colourOf(reference, pattern.coating, pattern.colour)?.srgb ?? "#f3e7cd";
  const change = (field: keyof PatternDraft, part: Partial<PatternDraft>) => set(field, { ...pattern, ...part });
  const dots = kind?.code === "dots";
  const long = (mm: number) => wording.value(mm, "mm");
  return (
    <div className="space-y-3">
      <div className="flex items-start justify-between gap-3">
        <RadioGroup
          aria-label={say("looks.pattern-2")}
          value={pattern.kind ?? ""}
          onChange={(code: string) => {
            const next = reference.decor.patterns.find((k) => k.code === code);
            if (next) set("kind", { ...patternOf(next, pattern.coating, pattern.colour), angle: pattern.angle });
          }}
          className="grid max-w-md grid-cols-6 gap-1"
        >
          {reference.decor.patterns.map((k) => (
            <Radio
              key={k.code}
              value={k.code}
              aria-label={k.name}
              title={k.name}
              className="data-checked:border-act cursor-pointer rounded-full border-[3px] border-transparent p-[2px]"
            >
              <Sample kind={k} coat={props.coat} srgb={srgb} />
            </Radio>
          ))}
        </RadioGroup>
        <RemoveButton
          label={say("looks.remove", { name: kind?.name ?? "pattern" })}
          onClick={() => set("", undefined)}
        />
      </div>
      <FieldNote id="note-kind" text={note("kind")} />
      <Swatches
        label={say("looks.colour-drizzle")}
        reference={reference}
        coating={pattern.coating}
        colour={pattern.colour}
        note={note("colour") ?? note("coating")}
        onChange={(coating, colour) => change("colour", { coating, colour })}
      />
      <div className="grid gap-x-8 gap-y-3 sm:grid-cols-2">
        {kind && kind.most > 1 && (
          <Slider
            label={say("looks.lines")}
            value={pattern.lines}
            min={kind.least}
            max={Math.min(kind.most, Math.max(24, pattern.lines))}
            step={1}
            says={
              kind.code === "face"
                ? (kind.counted.split(", ")[pattern.lines - 1] ?? "")
                : `${pattern.lines} ${kind.counted}`
            }
            onChange={(lines) => change("lines", { lines })}
            error={note("lines")}
          />
        )}
        <Slider
          label={say("looks.bead")}
          value={pattern.bead}
          min={0.8}
          max={Math.max(dots ? 6 : 4, pattern.bead)}
          step={0.1}
          says={
            dots ? say("looks.dots", { bead: long(pattern.bead) }) : say("looks.bead-2", { bead: long(pattern.bead) })
          }
          onChange={(bead) => change("bead", { bead })}
          error={note("bead")}
        />
        {kind?.code !== "edge" && (
          <Slider
            label={say("looks.turn")}
            value={pattern.angle}
            min={-90}
            max={90}
            step={1}
            says={
              pattern.angle === 0
                ? say("looks.straight")
                : say("looks.turned-by", { angle: pattern.angle < 0 ? "−" : "", angle2: Math.abs(pattern.angle) })
            }
            onChange={(angle) => change("angle", { angle })}
            error={note("angle")}
          />
        )}
        {kind && !["face", "letters", "edge"].includes(kind.code) && (
          <Slider
            label={say("looks.shift")}
            value={Math.round(pattern.phase * 100)}
            min={0}
            max={100}
            step={5}
            says={
              pattern.phase === 0
                ? say("looks.not-shifted")
                : say("looks.shifted-by-line", { phase: Math.round(pattern.phase * 100) })
            }
            onChange={(phase) => change("phase", { phase: phase / 100 })}
            error={note("phase")}
          />
        )}
        {kind?.code === "letters" ? (
          <TextField
            label={say("looks.letters-or-number")}
            value={pattern.text ?? ""}
            onChange={(text) => change("text", { text })}
            error={note("text")}
            className="w-40"
          />
        ) : (
          kind &&
          kind.code !== "face" && (
            <NumberField
              label={say("looks.line-spacing")}
              unit="mm"
              placeholder={say("looks.evenly")}
              value={pattern.spacing}
              onChange={(spacing) => change("spacing", { spacing })}
              error={note("spacing")}
              className="w-40"
            />
          )
        )}
      </div>
      {kind && <p className="text-ink2 text-[15px]">{kind.how}</p>}
    </div>
  );
}

/** A pattern on a round of coat. */
export function Sample({ kind, coat, srgb }: { kind: PatternKind; coat: string; srgb: string }) {
  return (
    <svg aria-hidden viewBox="-13.5 -1.5 27 27" className="block w-full">
      <circle cy="12" r="13" fill={coat} stroke="currentColor" strokeOpacity="0.25" strokeWidth="0.5" />
      <path
        d={(kind.sample ?? [])
          .map((line) => `M${pairs(line).map(at).join("L")}${line.length === 2 ? "h0.01" : ""}`)
          .join("")}
        fill="none"
        stroke={srgb}
        strokeWidth={kind.code === "dots" ? 2.6 : 1.3}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  );
}
