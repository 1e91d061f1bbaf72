import { answer, api, type LabelSettings, type LabelSheet, type LabelStock } from "../../api/client";
import { KeepButtons } from "../../ui/buttons";
import { NumberField, PickField, TextField } from "../../ui/fields";
import { useKeptForm } from "../../ui/useKeep";

const own = "own";

const measures: [field: keyof Omit<LabelStock, "code" | "name">, label: string][] = [
  ["pageWide", "Page, wide"],
  ["pageHigh", "Page, high"],
  ["across", "Labels across"],
  ["down", "Labels down"],
  ["wide", "Label, wide"],
  ["high", "Label, high"],
  ["left", "Left edge to the first"],
  ["top", "Top edge to the first"],
  ["pitchX", "From left to left"],
  ["pitchY", "From top to top"],
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
        label="Made by (name, address, telephone)"
        lines={2}
        value={form.maker ?? ""}
        onChange={(maker) => change({ maker: maker || null })}
        error={keep.errorOf("maker")}
      />
      <TextField
        className="mt-4"
        label="Notice that your local rule asks for"
        lines={3}
        value={form.notice ?? ""}
        onChange={(notice) => change({ notice: notice || null })}
        error={keep.errorOf("notice")}
      />
      <p className="text-ink2 mt-1 text-[13px] leading-snug">
        Rules for home kitchens differ by place. Ask your local authority what a label must say, and type it here in its
        own words; Kondiba adds nothing to it.
      </p>
      <PickField
        className="mt-4"
        label="Allergens named"
        value={form.law ?? "eu"}
        options={[
          { value: "eu", label: "the fourteen of the European Union" },
          { value: "us", label: "the nine of the United States" },
        ]}
        onChange={(law) => change({ law })}
      />
      <PickField
        className="mt-4"
        label="Printed on"
        value={form.stock ?? ""}
        options={[
          ...sheet.stocks.map((s) => ({ value: s.code, label: s.name })),
          { value: own, label: "a sheet of my own" },
        ]}
        onChange={(stock) =>
          change({ stock, ...(stock === own && !form.own && { own: { ...sheet.stock, code: own, name: "my own" } }) })
        }
        error={keep.errorOf("stock")}
      />
      {form.stock === own && form.own && <OwnStock own={form.own} change={change} error={keep.errorOf("own")} />}
      <div className="mt-4 grid grid-cols-2 gap-4">
        <NumberField
          label="Move right, mm"
          value={form.right}
          onChange={(right) => change({ right: right ?? 0 })}
          error={keep.errorOf("right")}
        />
        <NumberField
          label="Move down, mm"
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
      <legend className="text-[15px] font-bold">Your sheet, in mm</legend>
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
