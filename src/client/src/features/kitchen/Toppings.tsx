import { useState } from "react";
import { answer, api, type KitchenThings, type OwnWare, type Reference } from "../../api/client";
import { AllergenFields, allergenWords } from "../../ui/AllergenFields";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { Dot } from "../../ui/Choice";
import { Labelled, NumberField, PickField, TextField, Tick } from "../../ui/fields";
import { codeOf, useKeep } from "../../ui/useKeep";
import type { Room } from "./KitchenPage";
import { AddNew, Item, Removed } from "./parts";

type Topping = KitchenThings["toppings"][number];
type Part = KitchenThings["parts"][number];

const holds = [
  { value: "", label: "on the wet coat or glued" },
  { value: "wet", label: "on the wet coat only" },
  { value: "set", label: "glued on only" },
] as const;
const sides = [
  { value: "front", label: "on one side" },
  { value: "both", label: "all round" },
  { value: "tip", label: "on the tip" },
] as const;

const list = (text: string) => (text ? text.split(",").map((word) => word.trimStart()) : []);

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
      <h2 className="mb-3 font-serif text-2xl">Sprinkled on</h2>
      <AddNew label="A topping of my own" form={(close) => topping(undefined, close)} />
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
            change={`Change ${item.name}`}
            facts={[
              item.weighed
                ? `${item.weighed.pieces} pieces took ${item.weighed.grams} g`
                : `${item.perArea ?? 0} g on a square centimetre`,
              item.only && holds.find((h) => h.value === item.only)?.label,
              allergenWords(item.allergens, item.mayContain),
            ]
              .filter(Boolean)
              .join("; ")}
            form={(close) => topping(item, close)}
          />
        ))}
      </ul>
      <h2 className="mt-10 mb-3 font-serif text-2xl">Pressed or glued on, one by one</h2>
      <AddNew label="A part of my own" form={(close) => part(undefined, close)} />
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
            change={`Change ${item.plural}`}
            facts={[
              `${item.across} mm wide`,
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

const keepTopping = (body: Topping) => answer(api.PUT("/api/kitchen/toppings", { body }));
const keepPartOf = (body: Part) => answer(api.PUT("/api/kitchen/parts", { body }));

/** Keeps a thing and, where a pack was entered, what it is bought in. */
async function withPack(keep: () => Promise<unknown>, ware: string, name: string, pack: Pack) {
  await keep();
  if (!pack.holds) return;
  const unit = ware.startsWith("part.") ? ("pieces" as const) : ("g" as const);
  const body: OwnWare = { code: ware, name, unit, packs: [{ holds: pack.holds, price: pack.price ?? 0 }], low: 0 };
  await answer(api.PUT("/api/kitchen/wares", { body }));
}

/** What a new topping starts with; most are tried on cookies first. */
function usualWeighing(reference: Reference): NonNullable<Topping["weighed"]> {
  const centre = reference.centres.find((c) => c.code === "sandwich-cookie") ?? reference.centres[0];
  return {
    ...{ centre: centre?.code ?? "", size: centre?.sizes[0]?.code ?? "" },
    ...{ pieces: 20, grams: 45, side: "front", cover: 0.6 },
  };
}

interface Pack {
  holds: number | null;
  price: number | null;
}

const noPack: Pack = { holds: null, price: null };

function PackFields(props: { unit: string; pack: Pack; onChange: (pack: Pack) => void }) {
  const { pack, onChange } = props;
  return (
    <>
      <NumberField
        label={`A pack holds, ${props.unit} (optional)`}
        value={pack.holds}
        onChange={(holds) => onChange({ ...pack, holds })}
      />
      <NumberField label="Price of a pack, €" value={pack.price} onChange={(price) => onChange({ ...pack, price })} />
    </>
  );
}

function ToppingForm(props: {
  item: Topping | undefined;
  things: KitchenThings;
  reference: Reference;
  close: () => void;
  onRemoved: (topping: Topping) => void;
}) {
  const { item, things, reference } = props;
  const [topping, setTopping] = useState<Topping>(
    item ?? {
      ...{ code: "", name: "", perArea: null, weighed: usualWeighing(reference), grain: 3, form: "bead" },
      srgb: ["#d8a860"],
      ...{ heavy: false, only: null, allergens: null, mayContain: null, words: [] },
    },
  );
  const [pack, setPack] = useState(noPack);
  const keep = useKeep(
    (body: Topping) => withPack(() => keepTopping(body), `sprinkle.${body.code}`, body.name, pack),
    props.close,
  );
  const remove = useKeep(
    (code: string) => answer(api.DELETE("/api/kitchen/toppings/{code}", { params: { path: { code } } })),
    () => {
      if (item && !things.shipped.includes(item.code)) props.onRemoved(item);
      props.close();
    },
  );
  const change = (part: Partial<Topping>) => setTopping((t) => ({ ...t, ...part }));
  const { weighed } = topping;
  const centre = reference.centres.find((c) => c.code === weighed?.centre);
  const e = keep.errorOf;
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        const codes = things.toppings.map((t) => t.code);
        keep.mutate({ ...topping, code: topping.code || codeOf(topping.name, codes) });
      }}
    >
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField label="Name" value={topping.name} onChange={(name) => change({ name })} error={e("name")} />
        <TextField
          label="Also called, with commas between"
          value={(topping.words ?? []).join(", ")}
          onChange={(text) => change({ words: list(text) })}
          error={e("words")}
        />
        <PickField
          label="Holds"
          value={topping.only ?? ""}
          options={[...holds]}
          onChange={(only) => change({ only: only === "" ? null : only })}
        />
        <PickField
          label="How much"
          value={weighed ? "weighed" : "area"}
          options={[
            { value: "weighed", label: "what some pieces took" },
            { value: "area", label: "grams on a square centimetre" },
          ]}
          onChange={(how) =>
            change(
              how === "area"
                ? { weighed: null, perArea: topping.perArea ?? 0.2 }
                : { perArea: null, weighed: usualWeighing(reference) },
            )
          }
        />
        {weighed ? (
          <>
            <NumberField
              label="Pieces"
              value={weighed.pieces}
              onChange={(pieces) => change({ weighed: { ...weighed, pieces: Math.round(pieces ?? 0) } })}
              error={e("weighed.pieces")}
            />
            <NumberField
              label="took"
              unit="g"
              value={weighed.grams}
              onChange={(grams) => change({ weighed: { ...weighed, grams: grams ?? 0 } })}
              error={e("weighed.grams")}
            />
            <PickField
              label="Weighed on"
              value={weighed.centre}
              options={reference.centres.filter((c) => !c.figure).map((c) => ({ value: c.code, label: c.plural }))}
              onChange={(code) => {
                const sizes = reference.centres.find((c) => c.code === code)?.sizes ?? [];
                change({ weighed: { ...weighed, centre: code, size: sizes[0]?.code ?? "" } });
              }}
              error={e("weighed.centre")}
            />
            {centre && centre.sizes.length > 1 && (
              <PickField
                label="Their size"
                value={weighed.size}
                options={centre.sizes.map((s) => ({ value: s.code, label: s.name }))}
                onChange={(size) => change({ weighed: { ...weighed, size } })}
              />
            )}
            <PickField
              label="Where it went"
              value={weighed.side}
              options={[...sides]}
              onChange={(side) => change({ weighed: { ...weighed, side } })}
            />
            <NumberField
              label="Covered, %"
              value={Math.round(weighed.cover * 100)}
              onChange={(share) => change({ weighed: { ...weighed, cover: (share ?? 0) / 100 } })}
              error={e("weighed.cover")}
            />
          </>
        ) : (
          <NumberField
            label="On a square centimetre, g"
            value={topping.perArea}
            onChange={(perArea) => change({ perArea: perArea ?? 0 })}
            error={e("perArea")}
          />
        )}
        <NumberField
          label="A grain is, mm"
          value={topping.grain}
          onChange={(grain) => change({ grain: grain ?? 0 })}
          error={e("grain")}
        />
        <PickField
          label="It looks like"
          value={topping.form}
          options={[
            { value: "bead", label: "beads" },
            { value: "rod", label: "short rods" },
            { value: "crystal", label: "crystals" },
            { value: "flake", label: "flakes or crumbs" },
          ]}
          onChange={(form) => change({ form })}
        />
        <Colours srgb={topping.srgb} onChange={(srgb) => change({ srgb })} error={e("srgb")} />
        <PackFields unit="g" pack={pack} onChange={setPack} />
      </div>
      <Tick
        label="slides off a fresh coat: wait a few seconds"
        checked={topping.heavy}
        onChange={(heavy) => change({ heavy })}
      />
      <AllergenFields
        names={reference.allergens}
        allergens={topping.allergens}
        mayContain={topping.mayContain}
        onChange={change}
        error={e("allergens") ?? e("mayContain")}
      />
      <KeepButtons pending={keep.isPending} error={keep.error ?? remove.error} cancel={props.close}>
        {item && things.own.includes(item.code) && (
          <TextButton onClick={() => remove.mutate(item.code)}>
            {things.shipped.includes(item.code) ? "Reset to default" : "Remove"}
          </TextButton>
        )}
      </KeepButtons>
    </form>
  );
}

function Colours(props: { srgb: string[]; onChange: (srgb: string[]) => void; error: string | undefined }) {
  const { srgb, onChange } = props;
  return (
    <Labelled label="Colours" error={props.error}>
      {(ids) => (
        <span className="flex items-center gap-1">
          {srgb.map((colour, i) => (
            <input
              key={i}
              {...(i === 0 ? ids : { "aria-label": `Colour ${i + 1}` })}
              type="color"
              className="block h-9.5 w-9 cursor-pointer bg-transparent"
              value={colour}
              onChange={(e) => onChange(srgb.map((c, j) => (i === j ? e.target.value : c)))}
            />
          ))}
          <TextButton onClick={() => onChange([...srgb, srgb.at(-1) ?? "#d8a860"])} label="Another colour">
            +
          </TextButton>
          {srgb.length > 1 && (
            <TextButton onClick={() => onChange(srgb.slice(0, -1))} label="One colour fewer">
              −
            </TextButton>
          )}
        </span>
      )}
    </Labelled>
  );
}

function PartForm(props: {
  item: Part | undefined;
  things: KitchenThings;
  reference: Reference;
  close: () => void;
  onRemoved: (part: Part) => void;
}) {
  const { item, things } = props;
  const [part, setPart] = useState<Part>(
    item ?? {
      ...{ code: "", name: "", plural: "", across: 10, dot: 0.2, srgb: "#c8352e" },
      ...{ only: null, allergens: null, mayContain: null, words: [] },
    },
  );
  const [pack, setPack] = useState(noPack);
  const keep = useKeep(
    (body: Part) => withPack(() => keepPartOf(body), `part.${body.code}`, body.plural, pack),
    props.close,
  );
  const remove = useKeep(
    (code: string) => answer(api.DELETE("/api/kitchen/parts/{code}", { params: { path: { code } } })),
    () => {
      if (item && !things.shipped.includes(item.code)) props.onRemoved(item);
      props.close();
    },
  );
  const change = (of: Partial<Part>) => setPart((p) => ({ ...p, ...of }));
  const e = keep.errorOf;
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        const codes = things.parts.map((p) => p.code);
        keep.mutate({ ...part, code: part.code || codeOf(part.name, codes) });
      }}
    >
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField label="Name of one" value={part.name} onChange={(name) => change({ name })} error={e("name")} />
        <TextField label="Plural" value={part.plural} onChange={(plural) => change({ plural })} error={e("plural")} />
        <TextField
          label="Also called, with commas between"
          value={(part.words ?? []).join(", ")}
          onChange={(text) => change({ words: list(text) })}
          error={e("words")}
        />
        <NumberField
          label="Width, mm"
          value={part.across}
          onChange={(across) => change({ across: across ?? 0 })}
          error={e("across")}
        />
        <NumberField
          label="Dot of coating that holds it"
          unit="g"
          value={part.dot}
          onChange={(dot) => change({ dot: dot ?? 0 })}
          error={e("dot")}
        />
        <PickField
          label="Holds"
          value={part.only ?? ""}
          options={[...holds]}
          onChange={(only) => change({ only: only === "" ? null : only })}
        />
        <Labelled label="Colour" error={e("srgb")}>
          {(ids) => (
            <input
              {...ids}
              type="color"
              className="block h-9.5 w-20 cursor-pointer bg-transparent"
              value={part.srgb}
              onChange={(event) => change({ srgb: event.target.value })}
            />
          )}
        </Labelled>
        <PackFields unit="pieces" pack={pack} onChange={setPack} />
      </div>
      <AllergenFields
        names={props.reference.allergens}
        allergens={part.allergens}
        mayContain={part.mayContain}
        onChange={change}
        error={e("allergens") ?? e("mayContain")}
      />
      <KeepButtons pending={keep.isPending} error={keep.error ?? remove.error} cancel={props.close}>
        {item && things.own.includes(item.code) && (
          <TextButton onClick={() => remove.mutate(item.code)}>
            {things.shipped.includes(item.code) ? "Reset to default" : "Remove"}
          </TextButton>
        )}
      </KeepButtons>
    </form>
  );
}
