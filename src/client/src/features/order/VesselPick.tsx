import type { Pot, Reference } from "../../api/client";
import { vesselOf, wayOf } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { useWording } from "../../ui/units";
import { say } from "../../wording/say";

const auto = "";

/** A pot's vessel: the one that costs least in coating and time, or one of the kitchen's. */
export function VesselPick(props: {
  name: string;
  pot: Pot;
  reference: Reference;
  chosen: string | null;
  note?: string | undefined;
  onChange: (vessel: string | null) => void;
}) {
  const { pot, reference, name } = props;
  const wording = useWording();
  return (
    <Choice
      label={say("order.vessel", { name })}
      value={props.chosen ?? auto}
      onChange={(code) => props.onChange(code === auto ? null : code)}
      note={props.note}
      options={[
        { value: auto, label: say("order.automatic"), hint: say("order.cheapest-coating-time") },
        ...pot.vessels.map((choice) => ({
          value: choice.vessel,
          label: vesselOf(reference, choice.vessel)?.name ?? choice.vessel,
          hint:
            choice.toMelt === null
              ? say("order.does-not-fit")
              : `${wording.mass(choice.toMelt)}, ${wayOf(reference, choice.way)?.name}`,
        })),
      ]}
    >
      {vesselOf(reference, pot.vessel)?.name}
    </Choice>
  );
}
