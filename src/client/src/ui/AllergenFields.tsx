import { Choice } from "./Choice";
import { Tick } from "./fields";
import { FieldNote } from "./notes";
import { say } from "../wording/say";

type Known = string[] | null;

const answers = [
  { value: "no", label: say("ui.no") },
  { value: "contains", label: say("ui.contains") },
  { value: "may", label: say("ui.may-contain") },
];

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
      <legend className="text-ink2 text-[13px]">{say("ui.allergens-as-label")}</legend>
      <Tick
        label={say("ui.not-known-yet")}
        checked={allergens === null}
        onChange={(unknown) => onChange({ allergens: unknown ? null : [], mayContain: unknown ? null : [] })}
      />
      {allergens && (
        <div className="grid grid-cols-2 gap-x-6 sm:grid-cols-4">
          {names.map((name) => (
            <p key={name} className="flex items-baseline justify-between gap-2 py-0.5">
              <span className={says(name) === "no" ? "text-ink2" : "text-mind font-semibold"}>{name}</span>
              <Choice label={name} value={says(name)} options={answers} onChange={(said) => set(name, said)}>
                {answers.find((a) => a.value === says(name))?.label} <span aria-hidden>▾</span>
              </Choice>
            </p>
          ))}
        </div>
      )}
      <FieldNote id="note-allergens" text={props.error} />
    </fieldset>
  );
}

/** The same in words, for a list. */
export function allergenWords(allergens: Known, mayContain: Known | undefined): string {
  if (allergens === null) return say("ui.allergens-not-known");
  const parts = [
    allergens.length > 0 && say("ui.contains-2", { allergens: allergens.join(", ") }),
    mayContain && mayContain.length > 0 && say("ui.may-contain-2", { mayContain: mayContain.join(", ") }),
  ].filter((part) => part !== false && part !== null && part !== undefined);
  return parts.length > 0 ? parts.join("; ") : say("ui.no-major-allergens");
}
