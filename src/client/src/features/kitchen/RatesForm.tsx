import { answer, api, type Rates } from "../../api/client";
import { NumberField, TextField } from "../../ui/fields";
import type { Room } from "./KitchenPage";
import { KeepButtons } from "../../ui/buttons";
import { useKeptForm } from "../../ui/useKeep";
import { numberTyped } from "../../ui/units";
import { say } from "../../wording/say";

const percent = (share: number | null | undefined) =>
  typeof share === "number" ? Math.round(share * 1000) / 10 : null;

const money = (amount: number | null | undefined) => numberTyped(amount ?? 0, 2);

/** What the maker's hour is worth, how prices are made, and what a quote says. */
export function RatesForm({ things }: Room) {
  const usual = things.shippedRates ?? {};
  const before = things.rates ?? {};
  const { form, change, keep, kept } = useKeptForm<Rates>(before, (body) =>
    answer(api.PUT("/api/kitchen/rates", { body })),
  );
  if (!things.rates) return <p className="text-ink2">{say("kitchen.prices-kitchens-owner")}</p>;
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
          <NumberField
            label={say("kitchen.your-hour")}
            unit="money"
            value={form.hour ?? null}
            placeholder={money(usual.hour)}
            onChange={(hour) => change({ hour })}
            error={keep.errorOf("hour")}
          />
          <NumberField
            label={say("kitchen.gas-electricity-per-hour")}
            unit="money"
            value={form.fuelPerHour ?? null}
            placeholder={money(usual.fuelPerHour)}
            onChange={(fuelPerHour) => change({ fuelPerHour })}
            error={keep.errorOf("fuelPerHour")}
          />
          <NumberField
            label={say("ui.margin-price")}
            unit="%"
            value={percent(form.margin)}
            placeholder={String(percent(usual.margin))}
            onChange={(p) => change({ margin: p === null ? null : p / 100 })}
            error={keep.errorOf("margin")}
          />
          <NumberField
            label={say("kitchen.round-prices-up")}
            unit="money"
            value={form.step ?? null}
            placeholder={money(usual.step)}
            onChange={(step) => change({ step })}
            error={keep.errorOf("step")}
          />
          <NumberField
            label={say("kitchen.deposit-price")}
            unit="%"
            value={percent(form.deposit)}
            placeholder={String(percent(usual.deposit))}
            onChange={(p) => change({ deposit: p === null ? null : p / 100 })}
            error={keep.errorOf("deposit")}
          />
          <NumberField
            label={say("kitchen.quote-valid-for")}
            unit={say("kitchen.days-unit")}
            value={form.quoteDays ?? null}
            placeholder={String(usual.quoteDays)}
            onChange={(quoteDays) => change({ quoteDays })}
            error={keep.errorOf("quoteDays")}
          />
        </div>
        <TextField
          className="mt-5"
          label={say("kitchen.contact-on-quotes")}
          value={form.contact ?? usual.contact ?? ""}
          onChange={(contact) => change({ contact })}
          error={keep.errorOf("contact")}
        />
        <TextField
          className="mt-5"
          label={say("kitchen.terms-bottom-quote")}
          lines={4}
          value={form.terms ?? usual.terms ?? ""}
          onChange={(terms) => change({ terms })}
          error={keep.errorOf("terms")}
        />
        <p className="text-ink2 mt-4">{say("kitchen.leave-blank-use-default-shown")}</p>
        <KeepButtons pending={keep.isPending} error={keep.error} cancel={() => change(before)} kept={kept} />
      </form>
    </>
  );
}
