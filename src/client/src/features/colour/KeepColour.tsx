import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type OwnCoating, type Recipe } from "../../api/client";
import { thingsQuery } from "../../api/queries";
import { TextField } from "../../ui/fields";
import { codeOf, useKeep } from "../../ui/useKeep";
import { say } from "../../wording/say";

/** Keeps a mix as a colour of its coating, so that orders and looks can take it. */
export function KeepColour({ coating, base, recipe }: { coating: string; base: string; recipe: Recipe }) {
  const [name, setName] = useState("");
  const [kept, setKept] = useState("");
  const own = useQuery(thingsQuery).data?.coatings.find((c) => c.code === coating);
  const keep = useKeep(
    (body: OwnCoating) => answer(api.PUT("/api/kitchen/coatings", { body })),
    () => {
      setKept(name);
      setName("");
    },
  );
  if (!own || recipe.drops.length === 0) return null;
  const missing = name.trim() === "" && keep.isError;
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-x-4 gap-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        const code = codeOf(
          name,
          own.colours.map((c) => c.code),
        );
        const per100 = Object.fromEntries(recipe.drops.map((d) => [d.tint, d.per100]));
        keep.mutate({
          ...own,
          colours: [...own.colours, { code, name: name.trim(), srgb: recipe.srgb, mixed: { base, per100 } }],
        });
      }}
    >
      <TextField
        label={say("colour.save-this-mix-as")}
        value={name}
        onChange={(next) => {
          setName(next);
          setKept("");
        }}
        error={
          missing
            ? say("colour.enter-name")
            : (keep.errorOf(`colours[${own.colours.length}].name`) ?? keep.error?.message)
        }
        className="w-60"
      />
      <button type="submit" className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold" disabled={keep.isPending}>
        {say("ui.save")}
      </button>
      {kept && (
        <p role="status" className="text-go basis-full font-semibold">
          {say("colour.saved-use-orders-looks-its", { kept })}
        </p>
      )}
    </form>
  );
}
