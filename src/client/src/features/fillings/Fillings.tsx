import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useSearchParams } from "wouter";
import { answer, api, type OwnFilling, type RecipeRead } from "../../api/client";
import { fillingsQuery, referenceQuery, useOwner } from "../../api/queries";
import { TextButton } from "../../ui/buttons";
import { ErrorNote, Waiting } from "../../ui/notes";
import { Removed } from "../kitchen/parts";
import { useKeep } from "../../ui/useKeep";
import { FillingForm } from "./FillingForm";
import { Scale } from "./Scale";
import { capital, say } from "../../wording/say";

/** Recipes for what is made at home: choose one, and scale it. */
export function Fillings() {
  const fillings = useQuery(fillingsQuery);
  const reference = useQuery(referenceQuery);
  const owner = useOwner();
  const [at, setAt] = useSearchParams();
  const [entering, setEntering] = useState<RecipeRead>();
  const [removed, setRemoved] = useState<OwnFilling>();
  const keep = useKeep(
    (body: OwnFilling) => answer(api.PUT("/api/kitchen/fillings", { body })),
    () => setRemoved(undefined),
  );
  const read = useMutation({
    mutationFn: (text: string) => answer(api.POST("/api/fillings/read", { body: { text } })),
    onSuccess: setEntering,
  });
  const error = fillings.error ?? reference.error;
  if (error) return <ErrorNote error={error} retry={() => void fillings.refetch()} />;
  if (!fillings.data || !reference.data) return <Waiting />;
  const all = fillings.data.fillings;
  const chosen = all.find((f) => f.code === at.get("recipe")) ?? all[0];
  const choose = (code: string) => setAt({ recipe: code }, { replace: true });
  if (entering)
    return (
      <FillingForm
        read={entering}
        fillings={fillings.data}
        reference={reference.data}
        close={(kept) => {
          setEntering(undefined);
          if (kept) choose(kept);
        }}
        onRemoved={setRemoved}
      />
    );

  return (
    <div className="grid gap-x-12 gap-y-6 md:grid-cols-[13rem_1fr]">
      <nav aria-label={say("fillings.recipes")} className="self-start">
        <ul className="max-md:flex max-md:flex-wrap max-md:gap-x-5">
          {all.map((f) => (
            <li key={f.code}>
              <button
                aria-current={f.code === chosen?.code ? "true" : undefined}
                className="aria-current:border-act border-l-[3px] border-transparent py-1 pl-3 text-left leading-tight aria-current:font-bold max-md:pl-1.5"
                onClick={() => choose(f.code)}
              >
                <span className="inline-block">{capital(f.name)}</span>
                {f.own && <span className="text-go ml-1.5 text-[13px] font-semibold">{say("ui.yours")}</span>}
                <span className="text-ink2 block text-[13px] font-normal max-md:hidden">
                  {say("fillings.for-makes", { makes: f.makes })}
                </span>
              </button>
            </li>
          ))}
        </ul>
        {owner && (
          <div className="mt-4 flex flex-col items-start gap-2 pl-3 max-md:flex-row max-md:gap-6">
            <TextButton onClick={() => setEntering({ filling: fresh, problems: [] })}>
              {say("fillings.add-my-own-recipe")}
            </TextButton>
            <label className="text-act has-focus-visible:outline-act cursor-pointer font-semibold has-focus-visible:outline-2">
              {say("fillings.import-recipe")}
              <input
                type="file"
                aria-label={say("fillings.recipe-file-import")}
                accept=".json,.jsonld,application/ld+json,application/json"
                className="sr-only"
                onChange={(e) => {
                  void e.target.files?.[0]?.text().then((text) => read.mutate(text));
                  e.target.value = "";
                }}
              />
            </label>
            {read.error && (
              <p role="alert" className="text-mind border-mind border-l-[3px] pl-2 text-[13px]">
                {"errors" in read.error
                  ? Object.values(read.error.errors as object)
                      .flat()
                      .join(" ")
                  : read.error.message}
              </p>
            )}
          </div>
        )}
      </nav>
      <div className="min-w-0">
        <Removed name={removed?.name} putBack={() => removed && keep.mutate(removed)} />
        {chosen && (
          <Scale
            key={chosen.code}
            filling={chosen}
            change={owner ? () => setEntering({ filling: chosen.entered, problems: [] }) : undefined}
          />
        )}
      </div>
    </div>
  );
}

const fresh: OwnFilling = {
  code: "",
  name: "",
  makes: "truffle-ball",
  note: "",
  mix: [{ ingredient: "dark-chocolate", name: "", grams: 300, allergens: null }],
  each: [],
  portion: 18,
  loss: 0.04,
  steps: [],
};
