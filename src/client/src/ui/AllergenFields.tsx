import { Tick } from "./fields";
import { FieldNote } from "./notes";

type Known = string[] | null;

/** What the packet's label says of allergens: in it, perhaps traces of it, or nothing that anybody has read yet. */
export function AllergenFields(props: {
  names: string[];
  allergens: Known;
  mayContain: Known | undefined;
  onChange: (said: { allergens: Known; mayContain: Known }) => void;
  error?: string | undefined;
}) {
  const { names, allergens, onChange } = props;
  const may = props.mayContain ?? [];
  const says = (name: string) => (allergens?.includes(name) ? "contains" : may.includes(name) ? "may" : "no");
  const set = (name: string, says: string) => {
    const without = (list: string[]) => list.filter((a) => a !== name);
    onChange({
      allergens: [...without(allergens ?? []), ...(says === "contains" ? [name] : [])],
      mayContain: [...without(may), ...(says === "may" ? [name] : [])],
    });
  };
  return (
    <fieldset className="mt-4">
      <legend className="text-ink2 text-[13px]">Allergens, as on the label</legend>
      <Tick
        label="not known yet"
        checked={allergens === null}
        onChange={(unknown) => onChange({ allergens: unknown ? null : [], mayContain: unknown ? null : [] })}
      />
      {allergens && (
        <div className="grid grid-cols-2 gap-x-6 sm:grid-cols-4">
          {names.map((name) => (
            <label key={name} className="flex items-baseline justify-between gap-2 py-0.5">
              <span className={says(name) === "no" ? "text-ink2" : "text-mind font-semibold"}>{name}</span>
              <select
                aria-label={name}
                className="border-line bg-ground rounded border text-[14px]"
                value={says(name)}
                onChange={(e) => set(name, e.target.value)}
              >
                <option value="no">no</option>
                <option value="contains">contains</option>
                <option value="may">may contain</option>
              </select>
            </label>
          ))}
        </div>
      )}
      <FieldNote id="note-allergens" text={props.error} />
    </fieldset>
  );
}

/** The same in words, for a list. */
export function allergenWords(allergens: Known, mayContain: Known | undefined): string {
  if (allergens === null) return "allergens not known";
  const parts = [
    allergens.length > 0 && `contains ${allergens.join(", ")}`,
    mayContain && mayContain.length > 0 && `may contain ${mayContain.join(", ")}`,
  ].filter((part) => part !== false && part !== null && part !== undefined);
  return parts.length > 0 ? parts.join("; ") : "no major allergens";
}
