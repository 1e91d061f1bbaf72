import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type PackPrice, type PriceItem } from "../../api/client";
import { priceListQuery } from "../../api/queries";
import { KeepButtons } from "../../ui/buttons";
import { NumberField, TextField } from "../../ui/fields";
import { Waiting } from "../../ui/notes";
import { hasAll } from "../../ui/hasAll";
import { useKeep } from "../../ui/useKeep";
import { useWording } from "../../ui/units";
import { say } from "../../wording/say";

const unitOf = { g: "g", pieces: "", drops: say("price.drops"), m: "m" };

/** Everything that can be bought, with what it costs here; whatever the kitchen has of it. */
export function PriceList() {
  const list = useQuery(priceListQuery);
  const [find, setFind] = useState("");
  if (!list.data) return <Waiting />;
  const sought = hasAll(find);
  const found = list.data.filter((item) => sought(item.name));
  return (
    <section aria-labelledby="packs-and-prices" className="mt-10 max-w-3xl">
      <h2 id="packs-and-prices" className="font-serif text-[22px]">
        {say("price.packs-and-prices")}
      </h2>
      <p className="text-ink2 mb-3">{say("price.examples-until-yours")}</p>
      <TextField label={say("price.find-ware")} value={find} onChange={setFind} className="max-w-xs" />
      {found.length === 0 ? (
        <p className="text-ink2 mt-4">{say("price.no-ware-matches")}</p>
      ) : (
        <PriceRows items={found} />
      )}
    </section>
  );
}

/** What some wares cost, to be typed over; saved together. */
export function PriceRows({ items }: { items: PriceItem[] }) {
  const [typed, setTyped] = useState<Record<string, PackPrice>>({});
  const [saved, setSaved] = useState(false);
  const keep = useKeep(
    (body: PackPrice[]) => answer(api.PUT("/api/prices/list", { body })),
    () => {
      setTyped({});
      setSaved(true);
    },
    ["price"],
  );
  const wording = useWording();
  const rowOf = (item: PriceItem): PackPrice =>
    typed[item.code] ?? {
      code: item.code,
      holds: item.packs[0]?.holds ?? 0,
      price: item.packs[0]?.price ?? 0,
    };
  const change = (item: PriceItem, part: Partial<PackPrice>) => {
    setSaved(false);
    setTyped((before) => ({ ...before, [item.code]: { ...rowOf(item), ...part } }));
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate(Object.values(typed));
      }}
    >
      <ul className="@container mt-3">
        {items.map((item) => {
          const row = rowOf(item);
          return (
            <li
              key={item.code}
              className="border-line grid grid-cols-2 items-end gap-x-4 border-b py-2 @lg:grid-cols-[1fr_9rem_9rem]"
            >
              <p className="col-span-2 self-center @lg:col-span-1">
                {item.name}
                {item.isSample && !typed[item.code] && (
                  <span className="text-mind ml-2 text-[13px] font-semibold">{say("price.example")}</span>
                )}
                {item.packs.length > 1 && (
                  <span className="text-ink2 block text-[13px]">
                    {say("price.also", {
                      packs: item.packs
                        .slice(1)
                        .map((p) => `${wording.value(p.holds, unitOf[item.unit])} ${wording.money(p.price)}`)
                        .join(", "),
                    })}
                  </span>
                )}
              </p>
              <NumberField
                label={say("price.pack")}
                says={say("price.pack-of", { name: item.name })}
                unit={unitOf[item.unit]}
                value={row.holds || null}
                onChange={(holds) => change(item, { holds: holds ?? 0 })}
                error={keep.errorOf(item.code)}
              />
              <NumberField
                label={say("price.pack-price")}
                says={say("price.pack-price-of", { name: item.name })}
                unit="money"
                value={row.price || null}
                onChange={(price) => change(item, { price: price ?? 0 })}
              />
            </li>
          );
        })}
      </ul>
      {(Object.keys(typed).length > 0 || saved) && (
        <KeepButtons pending={keep.isPending} error={keep.error} cancel={() => setTyped({})} kept={saved} />
      )}
    </form>
  );
}
