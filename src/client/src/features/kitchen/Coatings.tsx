import { useState } from "react";
import { answer, api, type Coating, type OwnCoating } from "../../api/client";
import { Dot } from "../../ui/Choice";
import { useWording } from "../../ui/units";
import { CoatingForm } from "./CoatingForm";
import type { Room } from "./KitchenPage";
import { AddNew, Item, Removed } from "./parts";
import { useKeep } from "../../ui/useKeep";
import { allergenWords } from "../../ui/AllergenFields";
import { listedOr, say } from "../../wording/say";

/** What it is dipped in: the trade's coatings and the maker's own, with their windows and sources. */
export function Coatings({ things, reference }: Room) {
  const [removed, setRemoved] = useState<OwnCoating>();
  const keep = useKeep(
    (body: OwnCoating) => answer(api.PUT("/api/kitchen/coatings", { body })),
    () => setRemoved(undefined),
  );
  const codes = things.coatings.map((c) => c.code);
  const form = (coating: OwnCoating | undefined, close: () => void) => (
    <CoatingForm
      coating={coating}
      thinners={reference.thinners}
      allergens={reference.allergens}
      taken={codes}
      own={!!coating && things.own.includes(coating.code)}
      shipped={!!coating && things.shipped.includes(coating.code)}
      close={close}
      onRemoved={setRemoved}
    />
  );
  return (
    <>
      <AddNew label={say("kitchen.add-my-own-coating")} form={(close) => form(undefined, close)} />
      <Removed name={removed?.name} putBack={() => removed && keep.mutate(removed)} />
      <ul>
        {things.coatings.map((coating) => (
          <Item
            key={coating.code}
            name={coating.name}
            own={things.own.includes(coating.code)}
            change={say("kitchen.change-3", { name: coating.name })}
            facts={
              <Facts
                entered={coating}
                coating={reference.coatings.find((c) => c.code === coating.code)}
                thinners={reference.thinners}
              />
            }
            form={(close) => form(coating, close)}
          />
        ))}
      </ul>
    </>
  );
}

function Facts(props: { entered: OwnCoating; coating: Coating | undefined; thinners: Room["reference"]["thinners"] }) {
  const wording = useWording();
  const { entered, coating } = props;
  return (
    <>
      {coating?.note && <p>{coating.note}</p>}
      <dl className="mt-1.5 grid gap-x-10 sm:grid-cols-2">
        {coating?.facts.map(({ from, to }) => (
          <div key={from.what} className="flex items-baseline gap-2 text-[15px]" title={from.source.text}>
            <dt>{from.what}</dt>
            <dd className="border-line grow border-b border-dotted" aria-hidden />
            <dd>
              <b className="text-ink">
                {from.value === to.value
                  ? wording.value(from.value, from.unit)
                  : wording.between(from.value, to.value, from.unit)}
              </b>{" "}
              <span className="text-[13px]">{from.source.tag}</span>
            </dd>
          </div>
        ))}
      </dl>
      <p className="mt-1.5 text-[15px]">
        {entered.packs.map((p) => `${wording.pack(p.mass)} ${wording.money(p.price)}`).join(", ") ||
          say("kitchen.no-packs")}
        {"; "}
        {entered.thinners.length > 0
          ? say("kitchen.thinned-with", {
              thinners: listedOr(entered.thinners.map((t) => props.thinners.find((k) => k.code === t)?.name ?? t)),
            })
          : say("kitchen.takes-no-thinner")}
        {`; ${allergenWords(entered.allergens, entered.mayContain)}`}
      </p>
      <p className="mt-1 flex flex-wrap gap-x-4 text-[15px]">
        {entered.colours.map((c) => (
          <span key={c.code}>
            <Dot srgb={c.srgb} />
            {c.name}
          </span>
        ))}
      </p>
    </>
  );
}
