import { X } from "lucide-react";
import { memo } from "react";
import type { Reference } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { FieldNote } from "../../ui/notes";
import type { Edit } from "./draft";
import { say } from "../../wording/say";

/** What the customer must not have; what clashes with it is said at once, here and at its line. */
export const Allergies = memo(function Allergies(props: {
  allergies: string[];
  /** Lines that hold one of them, in words. */
  clashes: string[];
  reference: Reference;
  notes: Record<string, string>;
  edit: Edit;
}) {
  const { allergies, clashes, reference, edit } = props;
  const set = (allergies: string[]) => edit("allergies", (draft) => ({ ...draft, allergies }));
  const rest = reference.allergens.filter((a) => !allergies.includes(a));
  return (
    <div className="text-[15px]">
      <div className="flex flex-wrap items-baseline gap-x-2 gap-y-1">
        {allergies.length > 0 && <span className="text-ink2">{say("order.free")}</span>}
        {allergies.map((allergen) => (
          <span
            key={allergen}
            className="border-mind inline-flex items-center gap-1 rounded-full border px-2 font-semibold"
          >
            {allergen}
            <button
              aria-label={say("order.allowed", { allergen })}
              onClick={() => set(allergies.filter((a) => a !== allergen))}
            >
              <X size={13} />
            </button>
          </span>
        ))}
        {rest.length > 0 && (
          <span className="text-act font-semibold print:hidden">
            <Choice
              label={say("order.allergy")}
              value=""
              options={rest.map((value) => ({ value, label: value }))}
              onChange={(allergen) => set([...allergies, allergen])}
            >
              {allergies.length > 0 ? say("order.and") : say("order.add-allergy")}
            </Choice>
          </span>
        )}
      </div>
      {clashes.length > 0 && (
        <div role="alert" className="border-act bg-mind-ground mt-1 border-l-4 px-2 py-1 text-[14px] leading-snug">
          <b className="text-act">{say("order.allergy-clash")}</b>
          {clashes.map((clash) => (
            <p key={clash}>{clash}</p>
          ))}
        </div>
      )}
      <FieldNote id="note-allergies" text={props.notes.allergies} />
    </div>
  );
});
