import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Costing } from "../../api/client";
import { priceListQuery, thingsQuery } from "../../api/queries";
import { KeepButtons } from "../../ui/buttons";
import { NumberField } from "../../ui/fields";
import { useKeep } from "../../ui/useKeep";
import { say } from "../../wording/say";
import { PriceRows } from "./PriceRows";

/** What keeps an order from being quoted: prices that are examples still, to be replaced where they are named. */
export function ExamplePrices({ costing }: { costing: Costing }) {
  const list = useQuery(priceListQuery);
  const codes = costing.sample.map((s) => s.code);
  return (
    <div>
      <p className="border-mind bg-mind-ground border-l-4 px-3 py-1.5">{say("price.quote-needs-prices")}</p>
      {codes.includes("hour") && <YourHour />}
      <PriceRows items={(list.data ?? []).filter((item) => codes.includes(item.code))} />
    </div>
  );
}

function YourHour() {
  const things = useQuery(thingsQuery);
  const [hour, setHour] = useState<number | null>(null);
  const keep = useKeep(
    () => answer(api.PUT("/api/kitchen/rates", { body: { ...things.data?.rates, hour } })),
    undefined,
    ["price"],
  );
  return (
    <form
      className="mt-3"
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate(undefined);
      }}
    >
      <NumberField
        label={say("kitchen.your-hour")}
        unit="money"
        className="w-40"
        value={hour}
        placeholder={String(things.data?.shippedRates?.hour ?? "")}
        onChange={setHour}
        error={keep.errorOf("hour")}
      />
      {hour !== null && <KeepButtons pending={keep.isPending} error={keep.error} cancel={() => setHour(null)} />}
    </form>
  );
}
