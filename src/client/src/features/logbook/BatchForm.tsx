import { useQuery } from "@tanstack/react-query";
import { X } from "lucide-react";
import type { ReactNode } from "react";
import type { Batch, BatchPieces, Reference } from "../../api/client";
import { colourOf, signsQuery, sizeOf } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { DateField, NumberField, PickField, TextField, Tick } from "../../ui/fields";
import { FieldNote } from "../../ui/notes";
import { useWording } from "../../ui/units";

interface Props {
  batch: Batch;
  change: (part: Partial<Batch>) => void;
  reference: Reference;
  errorOf: (field: string) => string | undefined;
}

const looks: { value: NonNullable<Batch["film"]> | ""; label: string }[] = [
  { value: "", label: "—" },
  { value: "thin", label: "thin, shows through" },
  { value: "right", label: "just right" },
  { value: "thick", label: "thick" },
  { value: "uneven", label: "uneven" },
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
      <Part title="What you dipped">
        <Pieces {...props} />
        <div className="mt-3 grid grid-cols-[minmax(0,1fr)_10rem] gap-3">
          <ColourPick {...props} />
          <DateField
            label="Made on"
            value={batch.madeOn}
            onChange={(madeOn) => madeOn && change({ madeOn })}
            error={errorOf("madeOn")}
          />
        </div>
      </Part>
      <Part title="What the pot weighed">
        <div className="grid grid-cols-2 gap-3">
          {weight("before", "Before the first piece")}
          {weight("after", "After the last piece")}
          {weight("added", "Added in between (optional)")}
          {weight("bags", "Taken out for drizzle (optional)")}
        </div>
        <Used batch={batch} />
        <div className="mt-3 grid grid-cols-2 gap-3">
          <PickField
            label="Dipped in"
            value={batch.vessel ?? ""}
            options={[
              { value: "", label: "what Kondiba suggests" },
              ...reference.vessels.map((v) => ({ value: v.code, label: v.name })),
            ]}
            onChange={(vessel) => change({ vessel: vessel || null })}
            error={errorOf("vessel")}
          />
          <PickField
            label="Film"
            value={batch.film ?? ""}
            options={looks}
            onChange={(film) => change({ film: film || null })}
            error={errorOf("film")}
          />
        </div>
      </Part>
      <Part title="Times and temperatures (optional)">
        <Times {...props} />
      </Part>
      <Part title="What went wrong, what to change (optional)">
        <Wrong {...props} />
        <TextField
          label="Next time"
          value={batch.change ?? ""}
          onChange={(text) => change({ change: text || null })}
          error={errorOf("change")}
          className="mt-3"
        />
        <TextField
          label="Notes"
          lines={2}
          value={batch.note ?? ""}
          onChange={(text) => change({ note: text || null })}
          error={errorOf("note")}
          className="mt-3"
        />
        <div className="mt-2">
          <Tick
            label="Leave this batch out: learn nothing from it"
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
        label="In"
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
              <b className="self-end pb-1.5 leading-tight first-letter:uppercase">{name}</b>
              <NumberField
                label="Made"
                says={`${name}: made`}
                value={p.made}
                onChange={(made) => set(i, { made: Math.round(made ?? 0) })}
                error={errorOf(`pieces[${i}].made`)}
              />
              <NumberField
                label="Spoilt"
                says={`${name}: went wrong`}
                value={p.spoilt}
                onChange={(spoilt) => set(i, { spoilt: Math.round(spoilt ?? 0) })}
              />
              <NumberField
                label="Depth, %"
                says={`${name}: dip depth in percent`}
                value={Math.round(p.depth * 100)}
                onChange={(depth) => set(i, { depth: (depth ?? 0) / 100, perPiece: null })}
                error={errorOf(`pieces[${i}].depth`)}
              />
              <button
                type="button"
                aria-label={`Remove ${name}`}
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
        label={batch.pieces.length === 0 ? "What did you dip?" : "Anything else from this pot?"}
        className="mt-2"
        value=""
        options={[
          { value: "", label: "choose …" },
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
      <b>{wording.mass(used)}</b> used
      {dipped > 0 && `, ${wording.value(used / dipped, "g")} a piece`}
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
        {minutes("meltMinutes", "Melting, stirring too")}
        {minutes("dipMinutes", "Dipping, first to last")}
        <NumberField
          label="Coating when you began"
          unit="°C"
          value={batch.dippedAt ?? null}
          onChange={(dippedAt) => change({ dippedAt })}
          error={errorOf("dippedAt")}
        />
        <NumberField
          label="Room"
          unit="°C"
          value={batch.room ?? null}
          onChange={(room) => change({ room })}
          error={errorOf("room")}
        />
        <NumberField
          label="Humidity"
          unit="%"
          value={typeof batch.humidity === "number" ? Math.round(batch.humidity * 100) : null}
          onChange={(percent) => change({ humidity: percent === null ? null : percent / 100 })}
          error={errorOf("humidity")}
        />
        <PickField
          label="Set"
          value={drying?.place ?? reference.places[0]?.code ?? ""}
          options={reference.places.map((p) => ({ value: p.code, label: p.name }))}
          onChange={(place) => set({ place })}
          error={errorOf("drying[0].place")}
        />
        <NumberField
          label="Touch-dry after"
          unit="min"
          value={drying?.touchDry ?? null}
          onChange={(touchDry) => set({ touchDry })}
        />
        <NumberField
          label="Hard after"
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
              label="On, pieces"
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
              aria-label="Remove"
              className="text-ink2 pb-2"
              onClick={() => change({ wrong: batch.wrong.filter((_, at) => at !== i) })}
            >
              <X size={18} />
            </button>
          </li>
        ))}
      </ul>
      <PickField
        label={batch.wrong.length === 0 ? "Did anything go wrong?" : "Anything else?"}
        value=""
        options={[
          { value: "", label: batch.wrong.length === 0 ? "nothing" : "nothing else" },
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
