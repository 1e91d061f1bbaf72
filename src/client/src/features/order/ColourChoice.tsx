import { useMemo } from "react";
import type { OrderLine, Reference } from "../../api/client";
import { colourOf, potKey } from "../../api/queries";
import { Choice, Dot } from "../../ui/Choice";
import { say } from "../../wording/say";

/** A coating and its colour; those of the kitchen's usual coating come first and need no further word. */
export function ColourChoice(props: {
  what: string;
  /** Of which it is; null for lines that do not agree. */
  line: Pick<OrderLine, "coating" | "colour"> | null;
  reference: Reference;
  note: string | undefined;
  onChange: (coating: string, colour: string) => void;
}) {
  const { line, reference, what } = props;
  const colour = colourOf(reference, line?.coating ?? null, line?.colour ?? null);
  const usual = reference.usualCoating;
  const nameOf = (coating: string | null) => reference.coatings.find((c) => c.code === coating)?.name;
  const options = useMemo(() => {
    const name = (coating: string) => reference.coatings.find((c) => c.code === coating)?.name;
    const first = reference.colours.filter((c) => c.coating === usual);
    return [...first, ...reference.colours.filter((c) => c.coating !== usual)].map((c) => ({
      value: potKey(c.coating, c.code),
      label: (
        <>
          <Dot srgb={c.srgb} />
          {c.name}
        </>
      ),
      hint: c.coating === usual ? undefined : name(c.coating),
    }));
  }, [reference, usual]);

  return (
    <Choice
      label={say("order.colour-2", { what })}
      value={line ? potKey(line.coating, line.colour) : ""}
      options={options}
      onChange={(key) => {
        const [coating = "", code = ""] = key.split(".");
        props.onChange(coating, code);
      }}
      note={props.note}
    >
      {line ? (
        <>
          <Dot srgb={colour?.srgb} />
          {colour?.name ?? line.colour}
          {line.coating !== usual && ` (${nameOf(line.coating) ?? line.coating})`}
        </>
      ) : (
        say("order.different-colours")
      )}
    </Choice>
  );
}
