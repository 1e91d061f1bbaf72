import type { OrderDraft, Reference } from "../../api/client";
import { centreOf, colourOf, vesselOf } from "../../api/queries";
import { Dot } from "../../ui/Choice";
import { Waiting } from "../../ui/notes";
import { Sheet } from "../../ui/Sheet";
import { tablespoons, useWording } from "../../ui/units";
import { useTally } from "../order/useTally";
import { dropsIn } from "../colour/words";
import { capital, say } from "../../wording/say";

const few = 2;

/** Two of each look first: the small amounts that they want. */
export function TrialBatch(props: { order: OrderDraft; reference: Reference; close: () => void }) {
  const { reference } = props;
  const wording = useWording();
  const order: OrderDraft = {
    ...props.order,
    lines: props.order.lines.map((line) => ({ ...line, amount: few, countedIn: "pieces" })),
    pots: Object.fromEntries(
      Object.entries(props.order.pots ?? {}).map(([key, pot]) => [key, { ...pot, vessel: null }]),
    ),
  };
  const { tally } = useTally(order);
  return (
    <Sheet open close={props.close} title={say("looks.make-first", { few })}>
      <p className="mt-2">{say("looks.before-whole-batch-make-look", { few, count: order.lines.length })}</p>
      {!tally && <Waiting />}
      <ul className="mt-4" data-testid="trial">
        {tally?.pots.map((pot) => {
          const colour = colourOf(reference, pot.coating, pot.colour);
          const how = [
            pot.vessel && vesselOf(reference, pot.vessel)?.name,
            pot.drizzle && say("looks.plain-bag", { inBags: wording.mass(pot.drizzle.inBags.value) }),
            pot.thinner &&
              say("looks.or", {
                mass: wording.mass(pot.thinner.mass.value),
                tablespoons: tablespoons(pot.thinner.tablespoons),
                name: reference.thinners.find((t) => t.code === pot.thinner?.code)?.name,
              }),
            pot.drops.length > 0 && dropsIn(pot.drops, reference),
          ].filter(Boolean);
          return (
            <li key={pot.key} className="border-line border-t border-dashed py-2.5">
              <p className="flex justify-between gap-4 text-lg">
                <b>
                  <Dot srgb={colour?.srgb} />
                  {capital(colour?.name ?? pot.colour)}
                </b>
                <b>{wording.mass(pot.toMelt.value)}</b>
              </p>
              <p className="text-ink2">{how.join("; ")}</p>
            </li>
          );
        })}
        {tally?.trimmings.map((trimming) => (
          <li key={trimming.kind} className="border-line flex justify-between border-t border-dashed py-2.5">
            <span>{trimming.name}</span>
            <b>{trimming.counted ? trimming.amount.value : wording.mass(trimming.amount.value)}</b>
          </li>
        ))}
      </ul>
      {tally && (
        <p className="text-ink2 mt-4">
          {say("looks.pieces-what-left-goes-into", {
            pieces: tally.pieces,
            lines: order.lines
              .map((l) => `${few} ${centreOf(reference, l.centre)?.plural ?? say("ui.pieces-2")}`)
              .join(", "),
          })}
        </p>
      )}
    </Sheet>
  );
}
