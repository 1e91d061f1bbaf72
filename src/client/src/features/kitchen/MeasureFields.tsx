import type { Measure } from "../../api/client";
import { NumberField } from "../../ui/fields";

/** A field for each measure that a kind of solid or vessel wants. */
export function MeasureFields(props: {
  measures: Measure[];
  values: Record<string, number>;
  onChange: (values: Record<string, number>) => void;
  errorOf: (code: string) => string | undefined;
}) {
  const set = (code: string, value: number | null) => {
    const others = Object.entries(props.values).filter(([c]) => c !== code);
    props.onChange(Object.fromEntries(value === null ? others : [...others, [code, value]]));
  };
  return props.measures.map((m) => (
    <NumberField
      key={m.code}
      label={m.name}
      unit={m.unit}
      value={props.values[m.code] ?? null}
      onChange={(value) => set(m.code, value)}
      error={props.errorOf(m.code)}
    />
  ));
}
