import type { Pot, Reference } from "../../api/client";
import { vesselOf } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { useWording } from "../../ui/units";

const auto = "";

/** A pot's vessel: whichever wants least, or one of the kitchen's. */
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
        { value: auto, label: "whichever wants least" },
        ...pot.vessels.map((choice) => ({
          value: choice.vessel,
          label: vesselOf(reference, choice.vessel)?.name ?? choice.vessel,
          hint: choice.toMelt === null ? "does not fit" : wording.mass(choice.toMelt),
        })),
      ]}
    >
      {vesselOf(reference, pot.vessel)?.name}
    </Choice>
  );
}
