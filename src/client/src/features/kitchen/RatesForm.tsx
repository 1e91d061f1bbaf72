import { useMutation, useQueryClient } from "@tanstack/react-query";
import { answer, api, type Rates } from "../../api/client";
import { kitchenQuery, useKitchen } from "../../api/queries";
import { NumberField, TextField } from "../../ui/fields";
import type { Room } from "./KitchenPage";
import { KeepButtons } from "../../ui/buttons";
import { useKeptForm } from "../../ui/useKeep";

const percent = (share: number | null | undefined) =>
  typeof share === "number" ? Math.round(share * 1000) / 10 : null;

/** What the maker's hour is worth, how prices are made, and what a quote says. */
export function RatesForm({ things }: Room) {
  const kitchen = useKitchen().data;
  const queries = useQueryClient();
  const usual = things.shippedRates ?? {};
  const before = { ...things.rates, name: kitchen?.name ?? "" };
  const { form, change, keep, kept } = useKeptForm<Rates & { name: string }>(
    before,
    async ({ name, ...body }) => {
      await answer(api.PUT("/api/kitchen/rates", { body }));
      if (kitchen && name !== kitchen.name)
        await answer(api.PATCH("/api/kitchen", { body: { units: kitchen.units, name } }));
    },
    kitchenQuery.queryKey,
  );
  const reset = useMutation({
    mutationFn: () => answer(api.POST("/api/kitchen/reset")),
    onSuccess: () => queries.invalidateQueries(),
  });
  if (!things.rates) return <p className="text-ink2">Prices are for the kitchen’s owner.</p>;
  return (
    <>
      <form
        className="max-w-2xl"
        onSubmit={(e) => {
          e.preventDefault();
          keep.mutate(form);
        }}
      >
        <div className="grid gap-5 sm:grid-cols-2">
          <TextField
            label="The kitchen is called, on a quote"
            value={form.name}
            onChange={(name) => change({ name })}
            error={keep.errorOf("name")}
          />
          <NumberField
            label="Your hour, €"
            value={form.hour ?? null}
            placeholder={String(usual.hour)}
            onChange={(hour) => change({ hour })}
            error={keep.errorOf("hour")}
          />
          <NumberField
            label="Gas and current in an hour, €"
            value={form.fuelPerHour ?? null}
            placeholder={String(usual.fuelPerHour)}
            onChange={(fuelPerHour) => change({ fuelPerHour })}
            error={keep.errorOf("fuelPerHour")}
          />
          <NumberField
            label="Margin, % of the price"
            value={percent(form.margin)}
            placeholder={String(percent(usual.margin))}
            onChange={(p) => change({ margin: p === null ? null : p / 100 })}
            error={keep.errorOf("margin")}
          />
          <NumberField
            label="Prices go up in steps of, €"
            value={form.step ?? null}
            placeholder={String(usual.step)}
            onChange={(step) => change({ step })}
            error={keep.errorOf("step")}
          />
          <NumberField
            label="Deposit, % of the price"
            value={percent(form.deposit)}
            placeholder={String(percent(usual.deposit))}
            onChange={(p) => change({ deposit: p === null ? null : p / 100 })}
            error={keep.errorOf("deposit")}
          />
        </div>
        <TextField
          className="mt-5"
          label="Terms at the foot of a quote"
          lines={4}
          value={form.terms ?? usual.terms ?? ""}
          onChange={(terms) => change({ terms })}
          error={keep.errorOf("terms")}
        />
        <p className="text-ink2 mt-4">
          What is left empty keeps to the starting values, shown in grey. Amounts are added up exactly and rounded once,
          to the cent, halves up; what falls to each line is given out in whole cents, so that lines and parts both add
          up.
        </p>
        <KeepButtons pending={keep.isPending} error={keep.error} cancel={() => change(before)} kept={kept} />
      </form>
      {kitchen?.isSample && (
        <section className="mt-10 max-w-2xl">
          <h2 className="font-serif text-[22px]">The sample kitchen</h2>
          <p className="text-ink2">
            Everything in it is invented. Change what you like; it can be made anew at any time.
          </p>
          <p className="mt-2">
            <button className="text-act font-bold" disabled={reset.isPending} onClick={() => reset.mutate()}>
              {reset.isSuccess ? "Made anew" : "Make it anew, as it was at first"}
            </button>
          </p>
        </section>
      )}
    </>
  );
}
