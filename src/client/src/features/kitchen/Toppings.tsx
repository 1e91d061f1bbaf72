import { useState } from "react";
import { allergenWords } from "../../ui/AllergenFields";
import { Dot } from "../../ui/Choice";
import { useKeep } from "../../ui/useKeep";
import type { Room } from "./KitchenPage";
import { PartForm, keepPart as keepPartOf } from "./PartForm";
import { AddNew, Item, Removed } from "./parts";
import { ToppingForm, keepTopping } from "./ToppingForm";
import { holds, type Part, type Topping } from "./TrimForm";
import { say } from "../../wording/say";

/** What is sprinkled, pressed or glued on: the shipped ones, and the maker's own. */
export function Toppings({ things, reference }: Room) {
  const [removed, setRemoved] = useState<Topping>();
  const [removedPart, setRemovedPart] = useState<Part>();
  const keep = useKeep(keepTopping, () => setRemoved(undefined));
  const keepPart = useKeep(keepPartOf, () => setRemovedPart(undefined));
  const topping = (item: Topping | undefined, close: () => void) => (
    <ToppingForm item={item} things={things} reference={reference} close={close} onRemoved={setRemoved} />
  );
  const part = (item: Part | undefined, close: () => void) => (
    <PartForm item={item} things={things} reference={reference} close={close} onRemoved={setRemovedPart} />
  );
  const own = (code: string) => things.own.includes(code);
  return (
    <>
      <h2 className="mb-3 font-serif text-2xl">{say("kitchen.sprinkled")}</h2>
      <AddNew label={say("kitchen.add-my-own-topping")} form={(close) => topping(undefined, close)} />
      <Removed name={removed?.name} putBack={() => removed && keep.mutate(removed)} />
      <ul>
        {things.toppings.map((item) => (
          <Item
            key={item.code}
            name={
              <>
                <Dot srgb={item.srgb[0] ?? "#888888"} />
                {item.name}
              </>
            }
            own={own(item.code)}
            change={say("kitchen.change-3", { name: item.name })}
            facts={[
              item.weighed
                ? say("kitchen.pieces-took-g", { pieces: item.weighed.pieces, grams: item.weighed.grams })
                : say("kitchen.g-square-centimetre", { perArea: item.perArea ?? 0 }),
              item.only && holds.find((h) => h.value === item.only)?.label,
              allergenWords(item.allergens, item.mayContain),
            ]
              .filter(Boolean)
              .join("; ")}
            form={(close) => topping(item, close)}
          />
        ))}
      </ul>
      <h2 className="mt-10 mb-3 font-serif text-2xl">{say("kitchen.pressed-or-glued-one-by")}</h2>
      <AddNew label={say("kitchen.add-my-own-part")} form={(close) => part(undefined, close)} />
      <Removed name={removedPart?.name} putBack={() => removedPart && keepPart.mutate(removedPart)} />
      <ul>
        {things.parts.map((item) => (
          <Item
            key={item.code}
            name={
              <>
                <Dot srgb={item.srgb} />
                {item.plural}
              </>
            }
            own={own(item.code)}
            change={say("kitchen.change-2", { plural: item.plural })}
            facts={[
              say("kitchen.mm-wide", { across: item.across }),
              item.only && holds.find((h) => h.value === item.only)?.label,
              allergenWords(item.allergens, item.mayContain),
            ]
              .filter(Boolean)
              .join("; ")}
            form={(close) => part(item, close)}
          />
        ))}
      </ul>
    </>
  );
}
