import type { OrderLine } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { say } from "../../wording/say";

const ways = [
  { value: "1", label: say("order.one-coat"), coats: 1, atOnce: false },
  { value: "2", label: say("order.two-coats"), hint: say("order.set-between"), coats: 2, atOnce: false },
  { value: "2+", label: say("order.two-coats-once"), hint: say("order.over-thin-spot"), coats: 2, atOnce: true },
  { value: "3", label: say("order.three-coats"), hint: say("order.set-between"), coats: 3, atOnce: false },
];

/** How many coats, and whether the first sets before the second. */
export function CoatsChoice(props: {
  what: string;
  /** Of which they are; null for lines that do not agree. */
  line: Pick<OrderLine, "coats" | "atOnce"> | null;
  note: string | undefined;
  onChange: (coats: Pick<OrderLine, "coats" | "atOnce">) => void;
}) {
  const { line } = props;
  const now = line && ways.find((way) => way.coats === line.coats && way.atOnce === (line.atOnce && line.coats > 1));
  return (
    <Choice
      label={say("order.coats", { what: props.what })}
      value={now?.value ?? ""}
      options={ways}
      onChange={(value) => {
        const way = ways.find((w) => w.value === value);
        if (way) props.onChange({ coats: way.coats, atOnce: way.atOnce });
      }}
      note={props.note}
    >
      {line ? (now?.label ?? say("order.coats-2", { coats: line.coats })) : say("order.different-coats")}
    </Choice>
  );
}
