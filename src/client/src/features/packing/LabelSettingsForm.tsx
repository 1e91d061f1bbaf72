import { answer, api, type LabelSettings, type LabelSheet, type LabelStock } from "../../api/client";
import { KeepButtons } from "../../ui/buttons";
import { NumberField, PickField, TextField } from "../../ui/fields";
import { useKeptForm } from "../../ui/useKeep";
import { say } from "../../wording/say";

const own = "own";

const measures: [field: keyof Omit<LabelStock, "code" | "name">, label: string][] = [
  ["pageWide", say("packing.page-wide")],
  ["pageHigh", say("packing.page-high")],
  ["across", say("packing.labels-across")],
  ["down", say("packing.labels-down")],
  ["wide", say("packing.label-wide")],
  ["high", say("packing.label-high")],
  ["left", say("packing.left-edge-first")],
  ["top", say("packing.top-edge-first")],
  ["pitchX", say("packing.from-left-left")],
  ["pitchY", say("packing.from-top-top")],
];

/** What every label of the kitchen says and is printed on. */
export function LabelSettingsForm({ sheet, done }: { sheet: LabelSheet; done: () => void }) {
  const before: LabelSettings = { ...sheet.settings, law: sheet.law, stock: sheet.settings.stock ?? sheet.stock.code };
  const { form, change, keep, kept } = useKeptForm<LabelSettings>(
    before,
    (body) => answer(api.PUT("/api/kitchen/labels", { body })),
    ["labels"],
  );
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate(form);
      }}
    >
      <TextField
        label={say("packing.made-by-name-address-telephone")}
        lines={2}
        value={form.maker ?? ""}
        onChange={(maker) => change({ maker: maker || null })}
        error={keep.errorOf("maker")}
      />
      <TextField
        className="mt-4"
        label={say("packing.notice-required-by-your-local")}
        lines={3}
        value={form.notice ?? ""}
        onChange={(notice) => change({ notice: notice || null })}
        error={keep.errorOf("notice")}
      />
      <p className="text-ink2 mt-1 text-[13px] leading-snug">{say("packing.rules-home-kitchens-differ-by")}</p>
      <PickField
        className="mt-4"
        label={say("packing.allergens-name")}
        value={form.law ?? "eu"}
        options={[
          { value: "eu", label: say("packing.fourteen-european-union") },
          { value: "us", label: say("packing.nine-united-states") },
        ]}
        onChange={(law) => change({ law })}
      />
      <PickField
        className="mt-4"
        label={say("packing.printed")}
        value={form.stock ?? ""}
        options={[
          ...sheet.stocks.map((s) => ({ value: s.code, label: s.name })),
          { value: own, label: say("packing.my-own-sheet") },
        ]}
        onChange={(stock) =>
          change({
            stock,
            ...(stock === own && !form.own && { own: { ...sheet.stock, code: own, name: say("packing.my-own") } }),
          })
        }
        error={keep.errorOf("stock")}
      />
      {form.stock === own && form.own && <OwnStock own={form.own} change={change} error={keep.errorOf("own")} />}
      <div className="mt-4 grid grid-cols-2 gap-4">
        <NumberField
          label={say("packing.move-right-mm")}
          unit="fineMm"
          value={form.right}
          onChange={(right) => change({ right: right ?? 0 })}
          error={keep.errorOf("right")}
        />
        <NumberField
          label={say("packing.move-down-mm")}
          unit="fineMm"
          value={form.down}
          onChange={(down) => change({ down: down ?? 0 })}
          error={keep.errorOf("down")}
        />
      </div>
      <KeepButtons pending={keep.isPending} error={keep.error} cancel={done} kept={kept} />
    </form>
  );
}

function OwnStock(props: {
  own: LabelStock;
  change: (part: Partial<LabelSettings>) => void;
  error: string | undefined;
}) {
  const { own, change, error } = props;
  return (
    <fieldset className="mt-4">
      <legend className="text-[15px] font-bold">{say("packing.your-sheet-mm")}</legend>
      <div className="mt-1 grid grid-cols-2 gap-3">
        {measures.map(([field, label]) => (
          <NumberField
            key={field}
            label={label}
            value={own[field]}
            onChange={(value) => change({ own: { ...own, [field]: value ?? 0 } })}
            error={field === "wide" ? error : undefined}
          />
        ))}
      </div>
    </fieldset>
  );
}
