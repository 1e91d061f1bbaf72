import type { Pot, Reference } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { say } from "../../wording/say";

const habit = "";
const none = "none";

/** What a pot is thinned with: the kitchen's habit, nothing, or one that goes with its coating. */
export function ThinnerChoice(props: {
  name: string;
  pot: Pot;
  reference: Reference;
  chosen: string | null;
  onChange: (thinner: string | null) => void;
}) {
  const { pot, reference } = props;
  const nameOf = (code: string) => reference.thinners.find((t) => t.code === code)?.name ?? code;
  const possible = reference.coatings.find((c) => c.code === pot.coating)?.thinners ?? [];
  const usual = possible.find((code) => code === reference.usualThinner);
  return (
    <Choice
      label={say("order.thinner", { name: props.name })}
      value={props.chosen ?? habit}
      onChange={(code) => props.onChange(code === habit ? null : code)}
      options={[
        { value: habit, label: say("order.kitchen-default"), hint: usual ? nameOf(usual) : "none" },
        { value: none, label: say("ui.none"), hint: say("order.unthinned") },
        ...possible.map((code) => ({ value: code, label: nameOf(code) })),
      ]}
    >
      {pot.thinner ? nameOf(pot.thinner.code) : say("order.no-thinner")}
    </Choice>
  );
}
