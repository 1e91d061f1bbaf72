import type { OwnWare } from "../../api/client";
import { NumberField } from "../../ui/fields";
import { say } from "../../wording/say";

export type OwnBox = NonNullable<OwnWare["box"]>;

export const someBox: OwnBox = { rows: 3, columns: 4, wide: 220, deep: 180, high: 50 };

const measures: [field: keyof OwnBox, label: string, unit: string][] = [
  ["rows", say("pantry.rows-0-flat-box"), ""],
  ["columns", say("pantry.places-row"), ""],
  ["wide", say("pantry.wide-within"), "mm"],
  ["deep", say("pantry.deep-within"), "mm"],
  ["high", say("pantry.high-lid-closed"), "mm"],
];

/** The measures of a box, by which it is told what fits and what goes where. */
export function BoxFields(props: {
  box: OwnBox;
  change: (box: OwnBox) => void;
  errorOf: (field: string) => string | undefined;
}) {
  return (
    <div className="grid grid-cols-2 gap-4">
      {measures.map(([field, label, unit]) => (
        <NumberField
          key={field}
          label={label}
          unit={unit}
          value={props.box[field]}
          onChange={(value) => props.change({ ...props.box, [field]: value ?? 0 })}
          error={props.errorOf(`box.${field}`)}
        />
      ))}
    </div>
  );
}
