import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { OrderLine, Reference } from "../../api/client";
import { colourOf, looksQuery } from "../../api/queries";
import { Choice, Dot } from "../../ui/Choice";
import { later } from "../../ui/later";
import { FieldNote } from "../../ui/notes";
import { Sheet } from "../../ui/Sheet";
import { designOf, orderOf, plain, wear } from "../looks/designed";
import { changeLine, type Edit } from "./draft";
import { useTally } from "./useTally";
import { say } from "../../wording/say";

const LookEditor = later(() => import("../looks/LookEditor"), "LookEditor");

const none = "";

/** What a line wears besides its coat: a look of the library, or a design of its own. */
export function LineLook(props: {
  index: number;
  line: OrderLine;
  what: string;
  reference: Reference;
  notes: Record<string, string>;
  edit: Edit;
}) {
  const { line, reference, edit, what } = props;
  const [open, setOpen] = useState(false);
  const looks = useQuery(looksQuery).data ?? [];
  const own = looks.filter((l) => l.look.centre === line.centre);
  const others = looks.filter((l) => l.look.centre !== line.centre);
  const at = `lines[${props.index}].decor`;
  const notes = Object.entries(props.notes).filter(([field]) => field.startsWith(at));
  const worn = wornOf(line, reference);
  const decorated = worn.length > 0;
  return (
    <>
      {worn.map((part, i) => (
        <p key={i} className="text-ink2 text-[15px]">
          {part.srgb && <Dot srgb={part.srgb} />}
          {part.says}
        </p>
      ))}
      <p className="text-ink2 text-[15px]">
        <Choice
          label={say("order.look", { what })}
          value={looks.find((l) => l.look.name === line.look)?.look.code ?? none}
          options={[
            { value: none, label: say("order.no-design") },
            ...own.map(({ look }) => ({ value: look.code, label: look.name })),
            ...others.map(({ look }) => ({
              value: look.code,
              label: look.name,
              hint: reference.centres.find((c) => c.code === look.centre)?.name,
            })),
          ]}
          onChange={(code) => {
            const look = looks.find((l) => l.look.code === code)?.look;
            edit(`${line.id}.look`, changeLine(line.id, look ? wear(look) : { look: null, decor: null }));
          }}
        >
          {line.look ?? (decorated ? say("order.custom-design") : say("order.no-design"))}
        </Choice>
        {" · "}
        <button className="text-act font-semibold" onClick={() => setOpen(true)}>
          {say("order.design")}
          <span className="sr-only"> {say("order.the-what", { what })}</span>
        </button>
      </p>
      {notes.map(([field, text]) => (
        <FieldNote key={field} id={`note-${field}`} text={text} />
      ))}
      {open && (
        <Designing
          line={line}
          what={what}
          reference={reference}
          close={() => setOpen(false)}
          change={(field, part) => edit(`${line.id}.${field}`, changeLine(line.id, { ...part, look: null }))}
        />
      )}
    </>
  );
}

function Designing(props: {
  line: OrderLine;
  what: string;
  reference: Reference;
  change: (field: string, part: Partial<OrderLine>) => void;
  close: () => void;
}) {
  const { line, reference } = props;
  const design = designOf({ ...line, decor: line.decor ?? plain });
  const { tally } = useTally(orderOf(design, 1));
  return (
    <Sheet open close={props.close} title={say("order.design-2", { what: props.what })} full>
      <div className="mt-4">
        <LookEditor
          design={design}
          tally={tally?.lines[0]}
          problems={tally?.problems ?? []}
          reference={reference}
          change={props.change}
        />
      </div>
    </Sheet>
  );
}

/** What is on the coat, in a few words each. */
function wornOf(line: OrderLine, reference: Reference): { srgb?: string | undefined; says: string }[] {
  const { dips, patterns, sprinkles, parts, paint } = line.decor ?? plain;
  const { decor } = reference;
  const colour = (of: { coating: string | null; colour: string | null }) => colourOf(reference, of.coating, of.colour);
  const named = (kinds: { code: string; name: string }[], code: string | null) =>
    kinds.find((k) => k.code === code)?.name ?? code ?? "";
  return [
    ...dips.map((dip) => ({
      srgb: colour(dip)?.srgb,
      says: say("order.then-2", { name: colour(dip)?.name ?? dip.colour }),
    })),
    ...patterns.map((pattern) => ({
      srgb: colour(pattern)?.srgb,
      says: `${colour(pattern)?.name ?? pattern.colour} ${pattern.text ? `“${pattern.text}”` : named(decor.patterns, pattern.kind)}`,
    })),
    ...sprinkles.map((s) => ({
      says: `${named(decor.sprinkles, s.kind)}${s.side === "tip" ? say("order.tip-only") : ""}`,
    })),
    ...parts.map((p) => ({
      says: `${p.count} ${decor.parts.find((k) => k.code === p.kind)?.[p.count === 1 ? "name" : "plural"] ?? p.kind}`,
    })),
    ...(paint ? [{ says: named(decor.lustres, paint.kind) }] : []),
  ];
}
