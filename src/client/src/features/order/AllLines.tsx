import { memo } from "react";
import type { OrderLine, Reference } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { depthName, namedDepths } from "../../ui/units";
import { say } from "../../wording/say";
import { CoatsChoice } from "./CoatsChoice";
import { ColourChoice } from "./ColourChoice";
import type { Edit } from "./draft";

/** What all lines have alike, changed on all of them at once; what is not dipped stays so. */
export const AllLines = memo(function AllLines(props: { lines: OrderLine[]; reference: Reference; edit: Edit }) {
  const dipped = props.lines.filter((line) => line.depth > 0);
  const [first] = dipped;
  if (!first || dipped.length < 2) return null;
  const alike = (same: (line: OrderLine) => boolean) => (dipped.every(same) ? first : null);
  const depth = alike((line) => line.depth === first.depth)?.depth;
  const change = (field: string, change: Partial<OrderLine>) =>
    props.edit(`lines.${field}`, (draft) => ({
      ...draft,
      lines: draft.lines.map((line) => (line.depth > 0 ? { ...line, ...change } : line)),
    }));
  const what = say("order.all-lines-2");
  return (
    <p className="border-line text-ink2 border-t border-dashed py-2 text-[15px] print:hidden">
      {say("order.all-lines", { count: dipped.length })}{" "}
      <ColourChoice
        what={what}
        line={alike((line) => line.coating === first.coating && line.colour === first.colour)}
        reference={props.reference}
        note={undefined}
        onChange={(coating, colour) => change("colour", { coating, colour })}
      />
      {", "}
      <Choice
        label={say("order.dip-depth", { what })}
        value={depth ?? -1}
        options={namedDepths.filter((d) => d > 0).map((value) => ({ value, label: depthName(value) }))}
        onChange={(depth) => change("depth", { depth })}
      >
        {depth === undefined ? say("order.different-depths") : depthName(depth)}
      </Choice>
      {", "}
      <CoatsChoice
        what={what}
        line={alike((line) => line.coats === first.coats && line.atOnce === first.atOnce)}
        note={undefined}
        onChange={(coats) => change("coats", coats)}
      />
    </p>
  );
});
