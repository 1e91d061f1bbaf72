import { Radio, RadioGroup } from "@headlessui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useId, useState, type ReactNode } from "react";
import type { Mix, Recipe, Reference } from "../../api/client";
import { colourOf, referenceQuery } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { NumberField, PickField, Tick } from "../../ui/fields";
import { ErrorNote, FieldNote, Waiting } from "../../ui/notes";
import { useWording } from "../../ui/units";
import { Halves } from "./Halves";
import { KeepColour } from "./KeepColour";
import { Spoon } from "./Spoon";
import { useMix, useWanted } from "./useMix";
import { dropsIn } from "./words";
import { fieldBox } from "../../ui/fieldBox";
import { say } from "../../wording/say";

/** From a base and the colours at hand to a colour wanted, in drops. */
export function ColourPage() {
  const reference = useQuery(referenceQuery);
  useEffect(() => {
    document.title = say("colour.colour-kondiba");
  }, []);
  if (reference.error) return <ErrorNote error={reference.error} retry={() => void reference.refetch()} />;
  return reference.data ? <Mixing reference={reference.data} /> : <Waiting />;
}

function Mixing({ reference }: { reference: Reference }) {
  const wording = useWording();
  const [wanted, change] = useWanted(reference);
  const { mix, error } = useMix(wanted);
  const bases = reference.colours.filter((c) => c.coating === wanted.coating && !c.mixed);
  const base = colourOf(reference, wanted.coating, wanted.base);
  const recipe = mix?.recipe;
  const note = (field: string) =>
    mix?.problems.filter((p) => p.field === field).map((p) => `${p.reason} ${p.remedy}`)[0];

  return (
    <div className="mx-auto max-w-6xl px-4 pt-3 sm:px-10">
      <h1 className="font-serif text-[38px] leading-tight">{say("ui.colour")}</h1>
      <div className="mt-4 grid grid-cols-1 gap-x-12 gap-y-8 lg:grid-cols-[26rem_1fr]">
        <div className="min-w-0">
          <Halves mix={recipe?.srgb ?? base?.srgb ?? "#ffffff"} target={wanted.target} words={recipe?.words ?? ""} />
          {error && <ErrorNote error={error} />}
          {mix && recipe && (
            <section aria-live="polite" aria-label={say("colour.recipe")} className="mt-4">
              <Spoon recipe={recipe} reference={reference} />
              <p className="mt-1.5">
                <b>
                  {say("colour.pot-of", { pot: wording.mass(wanted.pot) })} {base?.name}
                </b>
                , <span data-testid="drops">{dropsIn(recipe.drops, reference)}</span>
              </p>
              <p className={`font-bold ${recipe.reached ? "text-go" : "text-mind"}`}>
                <span data-testid="words">{recipe.words}</span>{" "}
                <span className="text-ink2 font-normal">{say("colour.e", { deltaE: recipe.deltaE.toFixed(1) })}</span>
              </p>
              <Minds mix={mix} recipe={recipe} />
              <KeepColour coating={wanted.coating} base={wanted.base} recipe={recipe} />
            </section>
          )}
          <p className="text-ink2 mt-3 text-[15px]">{say("colour.prediction-from-swatches-each-colour")}</p>
        </div>
        <div>
          <Row name={say("colour.wanted")}>
            <Target
              target={wanted.target}
              bases={bases}
              note={note("target")}
              onChange={(target) => change({ target })}
            />
          </Row>
          <Row name={say("colour.base")}>
            <PickField
              label={say("colour.coating")}
              value={wanted.coating}
              options={reference.coatings.map((c) => ({ value: c.code, label: c.name }))}
              onChange={(coating) =>
                change({ coating, base: reference.colours.find((c) => c.coating === coating)?.code ?? "" })
              }
              error={note("coating")}
              className="mb-2.5 max-w-80"
            />
            <RadioGroup
              aria-label={say("colour.base")}
              value={wanted.base}
              onChange={(code: string) => change({ base: code })}
              className="flex flex-wrap gap-x-5 gap-y-2"
            >
              {bases.map((c) => (
                <Radio
                  key={c.code}
                  value={c.code}
                  className="data-checked:border-act cursor-pointer border-b-[3px] border-transparent pb-0.5 data-checked:font-bold"
                >
                  <Dot srgb={c.srgb} />
                  {c.name}
                </Radio>
              ))}
            </RadioGroup>
            <FieldNote id="note-base" text={note("base")} />
          </Row>
          <Row name={say("colour.at-hand")}>
            <div className="flex flex-wrap gap-x-5">
              {reference.tints.map((tint) => (
                <span key={tint.code} className="flex items-center">
                  <Tick
                    label={tint.name}
                    checked={wanted.atHand.includes(tint.code)}
                    onChange={(here) =>
                      change({
                        atHand: [...wanted.atHand.filter((c) => c !== tint.code), ...(here ? [tint.code] : [])],
                      })
                    }
                  />
                  <span className="ml-2">
                    <Dot srgb={tint.swatch} />
                  </span>
                </span>
              ))}
            </div>
            <FieldNote id="note-hand" text={note("atHand")} />
          </Row>
          <Row name={say("colour.pot-row")}>
            <NumberField
              label={say("colour.coating-pot")}
              unit="g"
              className="w-40"
              value={wanted.pot}
              onChange={(pot) => change({ pot: pot ?? 0 })}
              error={note("pot")}
            />
          </Row>
          {recipe && recipe.oneMore.length > 0 && (
            <Row name={say("colour.one-drop-more")}>
              <ul className="grid gap-x-8 gap-y-0.5 sm:grid-cols-2">
                {recipe.oneMore.map((more) => (
                  <li key={more.tint} className="flex items-center justify-between">
                    <span>
                      <Dot srgb={more.srgb} />
                      {nameOf(reference, more.tint)}
                    </span>
                    <span className={more.deltaE < recipe.deltaE ? "text-go" : "text-ink2"}>
                      {say("colour.e", { deltaE: more.deltaE.toFixed(1) })}
                    </span>
                  </li>
                ))}
              </ul>
            </Row>
          )}
          {mix?.ready && (
            <Row name={say("colour.ready-coloured")}>
              <p>
                <Dot srgb={mix.ready.srgb} />
                {mix.ready.parts
                  .map(({ count, colour }) => {
                    const name = colourOf(reference, wanted.coating, colour)?.name ?? colour;
                    return say("colour.parts-of", { count, name });
                  })
                  .join(", ")}
                : {mix.ready.words}{" "}
                <span className="text-ink2">{say("colour.e", { deltaE: mix.ready.deltaE.toFixed(1) })}</span>
              </p>
            </Row>
          )}
        </div>
      </div>
    </div>
  );
}

function Minds({ mix, recipe }: { mix: Mix; recipe: Recipe }) {
  return [mix.advice, ...recipe.warnings].filter(Boolean).map((text) => (
    <p key={text} className="border-mind bg-mind-ground mt-2 border-l-4 px-3 py-1.5 text-[15px]">
      {text}
    </p>
  ));
}

/** The colour wanted: picked by eye, written, or one that is sold. */
function Target(props: {
  target: string;
  bases: Reference["colours"];
  note: string | undefined;
  onChange: (target: string) => void;
}) {
  const id = useId();
  const [typed, setTyped] = useState<string>();
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <input
          type="color"
          aria-label={say("colour.target-colour")}
          className="h-10 w-16 cursor-pointer"
          value={props.target}
          onChange={(e) => props.onChange(e.target.value)}
        />
        <input
          aria-label={say("colour.target-colour-as-code")}
          aria-invalid={!!props.note}
          aria-describedby={props.note ? id : undefined}
          className={`${fieldBox} max-w-32`}
          value={typed ?? props.target}
          onBlur={() => setTyped(undefined)}
          onChange={(e) => {
            setTyped(e.target.value);
            props.onChange(e.target.value.trim());
          }}
        />
        <span className="flex flex-wrap gap-1.5">
          {props.bases.map((c) => (
            <button
              key={c.code}
              title={say("colour.like", { name: c.name })}
              aria-label={say("colour.colour-like", { name: c.name })}
              className="p-0.5"
              onClick={() => props.onChange(c.srgb)}
            >
              <Dot srgb={c.srgb} className="size-5" />
            </button>
          ))}
        </span>
      </div>
      <FieldNote id={id} text={props.note} />
    </>
  );
}

function Row({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section className="border-line grid gap-x-6 gap-y-1 border-t border-dashed py-4 first:border-t-0 first:pt-0 sm:grid-cols-[8.5rem_1fr]">
      <h2 className="font-serif text-xl">{name}</h2>
      <div>{children}</div>
    </section>
  );
}

const nameOf = (reference: Reference, tint: string) => reference.tints.find((t) => t.code === tint)?.name ?? tint;
