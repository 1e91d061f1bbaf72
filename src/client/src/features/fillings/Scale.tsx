import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, ApiError, type Filling, type FillingScale } from "../../api/client";
import { TextButton } from "../../ui/buttons";
import { NumberField } from "../../ui/fields";
import { HowLines } from "../../ui/How";
import { Waiting } from "../../ui/notes";
import { SourceTag } from "../../ui/SourceTag";
import { span, useWording } from "../../ui/units";
import { Words } from "../../ui/Words";
import { capital, say } from "../../wording/say";

const pieces = "pieces";

/** A recipe on the scales: from so many pieces to its ingredients, or from what there is of one to the pieces. */
export function Scale({ filling, change }: { filling: Filling; change: (() => void) | undefined }) {
  const wording = useWording();
  const [from, setFrom] = useState(pieces);
  const [count, setCount] = useState<number | null>(24);
  const [grams, setGrams] = useState<number | null>(null);
  const [portion, setPortion] = useState<number | null>(null);
  const [shares, setShares] = useState<Record<string, number>>({});
  const byCount = from === pieces;
  const wanted: FillingScale = {
    filling: filling.code,
    pieces: byCount ? Math.round(count ?? 0) : null,
    ingredient: byCount ? null : from,
    grams: byCount ? null : (grams ?? 0),
    portion,
    shares,
  };
  const scaled = useQuery({
    queryKey: ["fillings", "scaled", wanted],
    queryFn: () => answer(api.POST("/api/fillings/scale", { body: wanted })),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const errors = scaled.error instanceof ApiError ? scaled.error.errors : {};
  const errorOf = (field: string) => errors[field]?.join(" ");
  const result = scaled.data;
  const tally = result?.tally;
  const amountOf = (code: string) => tally?.amounts.find((a) => a.ingredient === code);

  return (
    <article aria-label={filling.name}>
      <header className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 className="font-serif text-[26px]">{capital(filling.name)}</h2>
        <p className="flex gap-5 print:hidden">
          {change && (
            <TextButton onClick={change}>
              {filling.own ? say("fillings.change") : say("fillings.make-my-own")}
            </TextButton>
          )}
          <a
            className="text-act font-semibold"
            href={`/api/fillings/${filling.code}/recipe.json?pieces=${Math.max(1, tally?.pieces ?? 24)}`}
            download={`${filling.code}.json`}
          >
            {say("fillings.save-as-recipe")}
          </a>
        </p>
      </header>
      <p className="text-ink2">{say("fillings.for-makes-note", { makes: filling.makes, note: filling.note })}</p>
      <div className="mt-4">
        <Words
          label={say("fillings.scale-by")}
          value={from}
          options={[
            { value: pieces, label: say("fillings.number-pieces") },
            ...filling.mix.map((m) => ({ value: m.ingredient, label: say("fillings.amount-2", { name: m.name }) })),
          ]}
          onChange={(next) => {
            if (next !== pieces) setGrams(Math.ceil(amountOf(next)?.mass.value ?? 100));
            else if (tally) setCount(Math.max(1, tally.pieces));
            setFrom(next);
          }}
        />
      </div>
      <div className="mt-3 grid max-w-2xl items-end gap-4 sm:grid-cols-3">
        {byCount ? (
          <NumberField label={say("ui.pieces")} value={count} onChange={setCount} error={errorOf("pieces")} />
        ) : (
          <NumberField
            label={filling.mix.find((m) => m.ingredient === from)?.name ?? ""}
            unit="g"
            value={grams}
            onChange={setGrams}
            error={errorOf("grams")}
          />
        )}
        <NumberField
          label={say("fillings.portion-per-piece")}
          unit="g"
          value={portion}
          placeholder={String(wording.typed("g").show(tally?.portion ?? filling.portion.value))}
          onChange={setPortion}
          error={errorOf("portion")}
        />
        {filling.mix.slice(1).map((m) => (
          <NumberField
            key={m.ingredient}
            label={say("fillings.name-of-the-name2", { name: m.name, name2: filling.mix[0]?.name })}
            value={shares[m.ingredient] === undefined ? null : Math.round((shares[m.ingredient] ?? 0) * 1000) / 10}
            placeholder={String(Math.round(m.share.value * 1000) / 10)}
            onChange={(percent) =>
              setShares(
                Object.fromEntries([
                  ...Object.entries(shares).filter(([code]) => code !== m.ingredient),
                  ...(percent === null ? [] : [[m.ingredient, percent / 100] as const]),
                ]),
              )
            }
            error={
              errorOf(`shares.${m.ingredient}`) ??
              result?.problems
                .filter((p) => p.field === `shares.${m.ingredient}`)
                .map((p) => `${p.reason} ${p.remedy}`)
                .join(" ")
            }
          />
        ))}
      </div>
      {!result || !tally ? (
        <Waiting />
      ) : (
        <>
          <div className="text-parchment-ink bg-parchment mt-6 max-w-2xl rounded-lg px-5 py-4">
            <ul>
              {tally.amounts.map((a) => (
                <li
                  key={a.ingredient}
                  className="border-curl grid grid-cols-[1fr_auto] items-baseline gap-x-6 border-b border-dashed py-1.5 last:border-0 sm:grid-cols-[1fr_auto_13rem]"
                >
                  <span className="text-lg">{a.name}</span>
                  <b className="font-serif text-2xl" data-testid={`amount-${a.ingredient}`}>
                    <HowLines what={a.name} lines={result.working[a.ingredient] ?? []}>
                      {a.count ?? wording.mass(a.mass.value)}
                    </HowLines>
                  </b>
                  <span className="text-parchment-ink2 text-right max-sm:col-span-2">{a.household}</span>
                </li>
              ))}
            </ul>
            <p className="text-parchment-ink2 mt-2">
              {say("fillings.makes-2")}{" "}
              <b className="text-parchment-ink text-lg" data-testid="makes">
                {tally.pieces}
              </b>{" "}
              {say("fillings.of-piece", { piece: wording.mass(tally.piece) })}
              {result.across !== null && say("fillings.balls", { across: wording.value(result.across, "mm") })}
              {say("fillings.portion-about", { spoon: result.spoon })}
              {tally.left >= 1 && say("fillings.left", { left: wording.mass(tally.left) })}
              {say("fillings.left-tools-2", { loss: Math.round(filling.loss * 100) })}
            </p>
            {tally.scoops.length > 0 && (
              <p className="text-parchment-ink2 mt-1" data-testid="scoops">
                {say("fillings.by-scoop", {
                  scoops: tally.scoops
                    .map((s) =>
                      say("fillings.pieces-name-of-portion", {
                        pieces: s.pieces,
                        name: s.name,
                        portion: wording.mass(s.portion),
                      }),
                    )
                    .join(", "),
                })}
              </p>
            )}
          </div>
          <h3 className="mt-6 font-serif text-[22px]">{say("fillings.method")}</h3>
          <ol className="mt-1 max-w-2xl list-decimal pl-6 marker:font-serif">
            {result.steps
              .filter((s) => s.chosen)
              .map((s, i) => (
                <li key={i} className="py-1.5 pl-1.5">
                  {s.text}{" "}
                  <span className="text-ink2">
                    {s.hands > 0 && `${span(s.hands)}. `}
                    {s.at !== null && say("fillings.to-at", { at: wording.temperature(s.at) })}
                  </span>
                  {s.wait > 0 && (
                    <b>
                      {say("fillings.wait", { wait: span(s.wait) })}
                      {["fridge", "freezer"].includes(s.place) && say("ui.in-the-place", { place: s.place })}.
                    </b>
                  )}
                  {s.why && (
                    <span className="text-ink2 block text-[15px] leading-snug">
                      {s.why} <SourceTag source={s.source} />
                    </span>
                  )}
                </li>
              ))}
            {result.steps.length === 0 && <li className="text-ink2">{say("fillings.no-steps-yet")}</li>}
          </ol>
        </>
      )}
    </article>
  );
}
