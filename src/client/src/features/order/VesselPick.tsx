import type { Pot, Reference } from "../../api/client";
import { vesselOf, wayOf } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { useWording } from "../../ui/units";

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
      label={`Vessel for ${name}`}
      value={props.chosen ?? auto}
      onChange={(code) => props.onChange(code === auto ? null : code)}
      note={props.note}
      options={[
        { value: auto, label: "Automatic", hint: "cheapest in coating and time" },
        ...pot.vessels.map((choice) => ({
          value: choice.vessel,
          label: vesselOf(reference, choice.vessel)?.name ?? choice.vessel,
          hint:
            choice.toMelt === null
              ? "does not fit"
              : `${wording.mass(choice.toMelt)}, ${wayOf(reference, choice.way)?.name}`,
        })),
      ]}
    >
      {vesselOf(reference, pot.vessel)?.name}
    </Choice>
  );
}
