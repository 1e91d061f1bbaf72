import { useQuery } from "@tanstack/react-query";
import { X } from "lucide-react";
import type { ReactNode } from "react";
import type { Batch, BatchPieces, Reference } from "../../api/client";
import { colourOf, signsQuery, sizeOf } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { DateField, NumberField, PickField, TextField, Tick } from "../../ui/fields";
import { FieldNote } from "../../ui/notes";
import { useWording } from "../../ui/units";
import { capital, say } from "../../wording/say";

interface Props {
  batch: Batch;
  change: (part: Partial<Batch>) => void;
  reference: Reference;
  errorOf: (field: string) => string | undefined;
}

const looks: { value: NonNullable<Batch["film"]> | ""; label: string }[] = [
  { value: "", label: "—" },
  { value: "thin", label: say("logbook.thin-shows-through") },
  { value: "right", label: say("logbook.just-right") },
  { value: "thick", label: say("logbook.thick") },
  { value: "uneven", label: say("logbook.uneven") },
];

/** Everything of a batch, what matters most first. */
export function BatchForm(props: Props) {
  const { batch, change, errorOf, reference } = props;
  const weight = (field: "before" | "added" | "after" | "bags", label: string) => (
    <NumberField
      label={label}
      unit="g"
      value={batch[field] ?? null}
      onChange={(grams) => change({ [field]: grams })}
      error={errorOf(field)}
    />
  );
  return (
    <div className="mt-4 grid gap-x-10 gap-y-6 lg:grid-cols-2">
      <Part title={say("logbook.what-you-dipped")}>
        <Pieces {...props} />
        <div className="mt-3 grid grid-cols-[minmax(0,1fr)_10rem] gap-3">
          <ColourPick {...props} />
          <DateField
            label={say("ui.made-2")}
            value={batch.madeOn}
            onChange={(madeOn) => madeOn && change({ madeOn })}
            error={errorOf("madeOn")}
          />
        </div>
      </Part>
      <Part title={say("logbook.what-pot-weighed")}>
        <div className="grid grid-cols-2 gap-3">
          {weight("before", say("logbook.before-first-piece"))}
          {weight("after", say("logbook.after-last-piece"))}
          {weight("added", say("logbook.added-between-optional"))}
          {weight("bags", say("logbook.taken-out-drizzle-optional"))}
        </div>
        <Used batch={batch} />
        <div className="mt-3 grid grid-cols-2 gap-3">
          <PickField
            label={say("logbook.dipped")}
            value={batch.vessel ?? ""}
            options={[
              { value: "", label: say("logbook.kondibas-suggestion") },
              ...reference.vessels.map((v) => ({ value: v.code, label: v.name })),
            ]}
            onChange={(vessel) => change({ vessel: vessel || null })}
            error={errorOf("vessel")}
          />
          <PickField
            label={say("logbook.film")}
            value={batch.film ?? ""}
            options={looks}
            onChange={(film) => change({ film: film || null })}
            error={errorOf("film")}
          />
        </div>
      </Part>
      <Part title={say("logbook.times-temperatures-optional")}>
        <Times {...props} />
      </Part>
      <Part title={say("logbook.what-went-wrong-what-change")}>
        <Wrong {...props} />
        <TextField
          label={say("logbook.next-time")}
          value={batch.change ?? ""}
          onChange={(text) => change({ change: text || null })}
          error={errorOf("change")}
          className="mt-3"
        />
        <TextField
          label={say("ui.notes")}
          lines={2}
          value={batch.note ?? ""}
          onChange={(text) => change({ note: text || null })}
          error={errorOf("note")}
          className="mt-3"
        />
        <div className="mt-2">
          <Tick
            label={say("logbook.leave-this-batch-out-learn")}
            checked={batch.leftOut ?? false}
            onChange={(leftOut) => change({ leftOut })}
          />
        </div>
      </Part>
    </div>
  );
}

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="border-line border-t border-dashed pt-2" aria-label={title}>
    <h2 className="mb-2 font-serif text-xl">{title}</h2>
    {children}
  </section>
);

/** The colour it was dipped in, of all coatings. */
function ColourPick({ batch, change, reference, errorOf }: Props) {
  const srgb = colourOf(reference, batch.coating, batch.colour)?.srgb;
  return (
    <div className="relative">
      <PickField
        label={say("logbook.in")}
        value={`${batch.coating}.${batch.colour}`}
        options={reference.coatings.flatMap((coating) =>
          reference.colours
            .filter((c) => c.coating === coating.code)
            .map((c) => ({ value: `${coating.code}.${c.code}`, label: `${c.name}, ${coating.name}` })),
        )}
        onChange={(key) => {
          const cut = key.indexOf(".");
          change({ coating: key.slice(0, cut), colour: key.slice(cut + 1) });
        }}
        error={errorOf("colour") ?? errorOf("coating")}
      />
      <span className="absolute top-0 right-0">
        <Dot srgb={srgb} />
      </span>
    </div>
  );
}

/** The kinds of pieces, each with how many were made and how many went wrong. */
function Pieces({ batch, change, reference, errorOf }: Props) {
  const set = (i: number, part: Partial<BatchPieces>) =>
    change({ pieces: batch.pieces.map((p, at) => (at === i ? { ...p, ...part } : p)) });
  const add = (key: string) => {
    const [centre = "", size = ""] = key.split("/");
    const depth = reference.centres.find((c) => c.code === centre)?.usualDepth ?? 1;
    change({ pieces: [...batch.pieces, { centre, size, depth, made: 12, spoilt: 0, coats: 1, atOnce: false }] });
  };
  return (
    <>
      <FieldNote id="pieces-note" text={errorOf("pieces")} />
      <ul className="flex flex-col gap-2">
        {batch.pieces.map((p, i) => {
          const centre = reference.centres.find((c) => c.code === p.centre);
          const size = sizeOf(reference, p.centre, p.size)?.name ?? "";
          const name = `${size} ${centre?.plural ?? p.centre}`.trim();
          return (
            <li key={i} className="grid grid-cols-[minmax(0,1fr)_4.6rem_4.6rem_4.6rem_1.5rem] items-end gap-2">
              <b className="self-end pb-1.5 leading-tight">{capital(name)}</b>
              <NumberField
                label={say("logbook.made")}
                says={say("logbook.made-2", { name })}
                value={p.made}
                onChange={(made) => set(i, { made: Math.round(made ?? 0) })}
                error={errorOf(`pieces[${i}].made`)}
              />
              <NumberField
                label={say("logbook.spoiled")}
                says={say("logbook.went-wrong", { name })}
                value={p.spoilt}
                onChange={(spoilt) => set(i, { spoilt: Math.round(spoilt ?? 0) })}
              />
              <NumberField
                label={say("logbook.depth")}
                unit="%"
                says={say("logbook.dip-depth-percent", { name })}
                value={Math.round(p.depth * 100)}
                onChange={(depth) => set(i, { depth: (depth ?? 0) / 100, perPiece: null })}
                error={errorOf(`pieces[${i}].depth`)}
              />
              <button
                type="button"
                aria-label={say("ui.remove-3", { name })}
                className="text-ink2 pb-2"
                onClick={() => change({ pieces: batch.pieces.filter((_, at) => at !== i) })}
              >
                <X size={18} />
              </button>
            </li>
          );
        })}
      </ul>
      <PickField
        label={batch.pieces.length === 0 ? say("logbook.what-did-you-dip") : say("logbook.anything-else-from-this-pot")}
        className="mt-2"
        value=""
        options={[
          { value: "", label: say("logbook.choose") },
          ...reference.centres.flatMap((c) =>
            c.sizes.map((s) => ({ value: `${c.code}/${s.code}`, label: `${s.name} ${c.plural}`.trim() })),
          ),
        ]}
        onChange={(key) => key && add(key)}
      />
    </>
  );
}

/** What went onto the pieces, as soon as both weights are there. */
function Used({ batch }: { batch: Batch }) {
  const wording = useWording();
  if (typeof batch.before !== "number" || typeof batch.after !== "number") return null;
  const used = batch.before + (batch.added ?? 0) - batch.after - (batch.bags ?? 0);
  const dipped = batch.pieces.reduce((sum, p) => sum + p.made + p.spoilt, 0);
  if (used <= 0) return null;
  return (
    <p role="status" className="mt-2">
      <b>{wording.mass(used)}</b> {say("ui.used")}
      {dipped > 0 && say("logbook.piece", { used: wording.value(used / dipped, "g") })}
    </p>
  );
}

function Times({ batch, change, reference, errorOf }: Props) {
  const drying = batch.drying[0];
  const set = (part: Partial<NonNullable<typeof drying>>) =>
    change({ drying: [{ place: reference.places[0]?.code ?? "counter", ...drying, ...part }] });
  const minutes = (field: "meltMinutes" | "dipMinutes", label: string) => (
    <NumberField
      label={label}
      unit="min"
      value={batch[field] ?? null}
      onChange={(min) => change({ [field]: min })}
      error={errorOf(field)}
    />
  );
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        {minutes("meltMinutes", say("logbook.melting-stirring-too"))}
        {minutes("dipMinutes", say("logbook.dipping-first-last"))}
        <NumberField
          label={say("logbook.coating-when-you-began")}
          unit="°C"
          value={batch.dippedAt ?? null}
          onChange={(dippedAt) => change({ dippedAt })}
          error={errorOf("dippedAt")}
        />
        <NumberField
          label={say("logbook.room")}
          unit="°C"
          value={batch.room ?? null}
          onChange={(room) => change({ room })}
          error={errorOf("room")}
        />
        <NumberField
          label={say("logbook.humidity")}
          unit="%"
          value={typeof batch.humidity === "number" ? Math.round(batch.humidity * 100) : null}
          onChange={(percent) => change({ humidity: percent === null ? null : percent / 100 })}
          error={errorOf("humidity")}
        />
        <PickField
          label={say("logbook.set")}
          value={drying?.place ?? reference.places[0]?.code ?? ""}
          options={reference.places.map((p) => ({ value: p.code, label: p.name }))}
          onChange={(place) => set({ place })}
          error={errorOf("drying[0].place")}
        />
        <NumberField
          label={say("logbook.touch-dry-after")}
          unit="min"
          value={drying?.touchDry ?? null}
          onChange={(touchDry) => set({ touchDry })}
        />
        <NumberField
          label={say("logbook.hard-after")}
          unit="min"
          value={drying?.hard ?? null}
          onChange={(hard) => set({ hard })}
          error={errorOf("drying[0].hard")}
        />
      </div>
    </>
  );
}

/** What was seen, each with on how many pieces. */
function Wrong({ batch, change, errorOf }: Props) {
  const signs = useQuery(signsQuery).data ?? [];
  return (
    <>
      <ul className="flex flex-col gap-2">
        {batch.wrong.map((w, i) => (
          <li key={w.sign} className="grid grid-cols-[minmax(0,1fr)_6rem_1.5rem] items-end gap-2">
            <b className="pb-1.5 leading-tight">{signs.find((s) => s.code === w.sign)?.name ?? w.sign}</b>
            <NumberField
              label={say("logbook.pieces")}
              value={w.pieces ?? null}
              onChange={(pieces) =>
                change({
                  wrong: batch.wrong.map((x, at) =>
                    at === i ? { ...x, pieces: pieces === null ? null : Math.round(pieces) } : x,
                  ),
                })
              }
              error={errorOf(`wrong[${i}].pieces`)}
            />
            <button
              type="button"
              aria-label={say("ui.remove-2")}
              className="text-ink2 pb-2"
              onClick={() => change({ wrong: batch.wrong.filter((_, at) => at !== i) })}
            >
              <X size={18} />
            </button>
          </li>
        ))}
      </ul>
      <PickField
        label={batch.wrong.length === 0 ? say("logbook.did-anything-go-wrong") : say("logbook.anything-else")}
        value=""
        options={[
          { value: "", label: batch.wrong.length === 0 ? say("ui.nothing") : say("logbook.nothing-else") },
          ...signs
            .filter((s) => batch.wrong.every((w) => w.sign !== s.code))
            .map((s) => ({ value: s.code, label: s.name })),
        ]}
        onChange={(sign) => sign && change({ wrong: [...batch.wrong, { sign, pieces: null, cause: null }] })}
        error={errorOf("wrong")}
      />
    </>
  );
}
