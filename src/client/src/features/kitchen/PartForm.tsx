import { useState } from "react";
import { answer, api } from "../../api/client";
import { Labelled, NumberField, TextField } from "../../ui/fields";
import { TrimForm, type Part, type TrimFormProps } from "./TrimForm";
import { say } from "../../wording/say";

export const keepPart = (body: Part) => answer(api.PUT("/api/kitchen/parts", { body }));
const removePart = (code: string) => answer(api.DELETE("/api/kitchen/parts/{code}", { params: { path: { code } } }));

/** Something that is pressed or glued on, one by one. */
export function PartForm(props: TrimFormProps<Part>) {
  const [part, setPart] = useState<Part>(
    props.item ?? {
      ...{ code: "", name: "", plural: "", across: 10, dot: 0.2, srgb: "#c8352e" },
      ...{ only: null, allergens: null, mayContain: null, words: [] },
    },
  );
  const change = (of: Partial<Part>) => setPart((p) => ({ ...p, ...of }));
  return (
    <TrimForm
      {...props}
      thing={part}
      change={change}
      taken={props.things.parts.map((p) => p.code)}
      ware={{ kind: "part", name: part.plural, unit: "pieces" }}
      keep={keepPart}
      remove={removePart}
      nameLabel={say("kitchen.name-one")}
      fields={(e) => (
        <>
          <TextField
            label={say("kitchen.plural")}
            value={part.plural}
            onChange={(plural) => change({ plural })}
            error={e("plural")}
          />
          <NumberField
            label={say("kitchen.width-mm")}
            unit="fineMm"
            value={part.across}
            onChange={(across) => change({ across: across ?? 0 })}
            error={e("across")}
          />
          <NumberField
            label={say("kitchen.dot-coating-holds")}
            unit="g"
            value={part.dot}
            onChange={(dot) => change({ dot: dot ?? 0 })}
            error={e("dot")}
          />
          <Labelled label={say("ui.colour")} error={e("srgb")}>
            {(ids) => (
              <input
                {...ids}
                type="color"
                className="block h-9.5 w-20 cursor-pointer bg-transparent"
                value={part.srgb}
                onChange={(event) => change({ srgb: event.target.value })}
              />
            )}
          </Labelled>
        </>
      )}
    />
  );
}
