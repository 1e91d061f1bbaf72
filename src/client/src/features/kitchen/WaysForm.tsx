import { answer, api, type Ways } from "../../api/client";
import { centreOf, vesselOf } from "../../api/queries";
import { NumberField, PickField } from "../../ui/fields";
import type { Room } from "./KitchenPage";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { oftenWords } from "../../ui/units";
import { Words } from "../../ui/Words";
import { useKeptForm } from "../../ui/useKeep";
import { capital, say } from "../../wording/say";

/** How things are done here: the schools and habits that makers differ in. */
export function WaysForm({ things, reference }: Room) {
  const usual = things.shippedWays;
  const {
    form: ways,
    change,
    keep,
    kept,
  } = useKeptForm<Ways>(things.ways, (body) => answer(api.PUT("/api/kitchen/ways", { body })));
  return (
    <form
      className="max-w-2xl"
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate(ways);
      }}
    >
      <div className="grid gap-5 sm:grid-cols-2">
        <PickField
          label={say("kitchen.coating-new-line")}
          value={ways.coating ?? usual.coating ?? ""}
          options={reference.coatings.map((c) => ({ value: c.code, label: c.name }))}
          onChange={(coating) => change({ coating })}
          error={keep.errorOf("coating")}
        />
        <PickField
          label={say("kitchen.usual-thinner")}
          value={ways.thinner ?? ""}
          options={[
            { value: "", label: say("ui.none") },
            ...reference.thinners.map((t) => ({ value: t.code, label: t.name })),
          ]}
          onChange={(thinner) => change({ thinner: thinner || null })}
          error={keep.errorOf("thinner")}
        />
        <NumberField
          label={say("kitchen.coat-thickness-aim-test-dip")}
          unit="mm"
          value={ways.film ?? null}
          placeholder={String(usual.film)}
          onChange={(film) => change({ film })}
          error={keep.errorOf("film")}
        />
        <NumberField
          label={say("kitchen.extra-every-pot")}
          unit="%"
          value={typeof ways.margin === "number" ? Math.round(ways.margin * 1000) / 10 : null}
          placeholder={String(Number(usual.margin) * 100)}
          onChange={(percent) => change({ margin: percent === null ? null : percent / 100 })}
          error={keep.errorOf("margin")}
        />
        <PickField
          label={say("kitchen.enough-coating")}
          value={String(ways.certainty ?? "")}
          options={[
            { value: "", label: say("kitchen.same-extra-every-pot") },
            ...[0.75, 0.9, 0.95, 0.99].map((c) => ({ value: String(c), label: oftenWords(c) })),
          ]}
          onChange={(c) => change({ certainty: c ? Number(c) : null })}
          error={keep.errorOf("certainty")}
        />
        <PickField
          label={say("kitchen.dipping-method")}
          value={ways.shake ?? usual.shake ?? ""}
          options={reference.shakes.map((s) => ({ value: s.code, label: s.name }))}
          onChange={(shake) => change({ shake })}
          error={keep.errorOf("shake")}
        />
        <NumberField
          label={say("kitchen.drip-time-s")}
          unit="s"
          value={ways.dripTime ?? null}
          placeholder={String(usual.dripTime)}
          onChange={(dripTime) => change({ dripTime })}
          error={keep.errorOf("dripTime")}
        />
        <NumberField
          label={say("kitchen.drizzle-speed-per-second")}
          unit="mm"
          value={ways.handSpeed ?? null}
          placeholder={String(usual.handSpeed)}
          onChange={(handSpeed) => change({ handSpeed })}
          error={keep.errorOf("handSpeed")}
        />
      </div>
      <Vessels vessels={ways.vessels ?? {}} reference={reference} change={(vessels) => change({ vessels })} />
      <h2 className="mt-7 font-serif text-[22px]">{say("ui.your-methods")}</h2>
      <ul>
        {reference.schools.map((school) => {
          const chosen = ways.schools?.[school.code] ?? school.usual;
          return (
            <li key={school.code} className="border-line border-t border-dashed py-2.5">
              <p className="font-semibold">{school.name}</p>
              <Words
                label={school.name}
                value={chosen}
                options={school.choices.map((c) => ({ value: c.code, label: c.name }))}
                onChange={(choice) => change({ schools: { ...ways.schools, [school.code]: choice } })}
              />
              <p className="text-ink2 text-[15px]">{school.choices.find((c) => c.code === chosen)?.why}</p>
            </li>
          );
        })}
      </ul>
      <p className="text-ink2 mt-4">{say("kitchen.leave-blank-use-default-shown-2")}</p>
      <KeepButtons pending={keep.isPending} error={keep.error} cancel={() => change(things.ways)} kept={kept} />
    </form>
  );
}

/** What a centre is always dipped in here, as the logbook suggested. */
function Vessels(props: {
  vessels: Record<string, string>;
  reference: Room["reference"];
  change: (vessels: Record<string, string>) => void;
}) {
  const { vessels, reference, change } = props;
  const usual = Object.entries(vessels);
  if (usual.length === 0) return null;
  return (
    <ul className="mt-5">
      {usual.map(([centre, vessel]) => (
        <li key={centre} className="border-line flex justify-between gap-4 border-t border-dashed py-2">
          <span>
            <b className="inline-block">{capital(centreOf(reference, centre)?.plural ?? centre)}</b>{" "}
            {say("kitchen.how-dip", { name: vesselOf(reference, vessel)?.name ?? vessel })}
          </span>
          <TextButton
            onClick={() => change(Object.fromEntries(usual.filter(([c]) => c !== centre)))}
            label={say("kitchen.let-kondiba-choose", { plural: centreOf(reference, centre)?.plural ?? centre })}
          >
            {say("kitchen.let-kondiba-choose-2")}
          </TextButton>
        </li>
      ))}
    </ul>
  );
}
