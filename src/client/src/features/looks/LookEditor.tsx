import type { LineTally, Problem, Reference } from "../../api/client";
import { centreOf, sizeOf } from "../../api/queries";
import { HowOrder } from "../../ui/How";
import { notesOf } from "../../ui/problems";
import { ComesTo } from "./ComesTo";
import { orderOf, type Change, type Designed } from "./designed";
import { CoatRow, DipsRow } from "./DipRows";
import { DrizzleRow } from "./DrizzleRow";
import { LargePiece } from "./LargePiece";
import { PaintRow, PartsRow, SprinkleRow } from "./TrimRows";
import { say } from "../../wording/say";

/** One piece, large, beside all that can be chosen about it. */
export function LookEditor(props: {
  design: Designed;
  tally: LineTally | undefined;
  problems: Problem[];
  reference: Reference;
  change: Change;
}) {
  const { design, tally, reference } = props;
  const notes = notesOf(props.problems, "lines[0].");
  const centre = centreOf(reference, design.centre);
  const size = sizeOf(reference, design.centre, design.size);
  const name = `${size?.name ?? ""} ${centre?.name ?? say("ui.piece")}`.trim();
  const row = { design, reference, notes, change: props.change };
  return (
    <HowOrder value={orderOf(design, 1)}>
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,34rem)_1fr]">
        <div className="self-start lg:sticky lg:top-[8.6rem]">
          <LargePiece
            design={design}
            tally={tally}
            reference={reference}
            notes={notes}
            label={say("looks.as-will-look", { name })}
          />
          {tally && <ComesTo tally={tally} reference={reference} name={name} />}
        </div>
        <div>
          <CoatRow {...row} />
          <DipsRow {...row} />
          <DrizzleRow {...row} />
          <SprinkleRow {...row} />
          <PartsRow {...row} />
          <PaintRow {...row} />
          {tally?.look && (
            <section className="border-line border-t border-dashed py-4">
              <h2 className="font-serif text-xl">{say("ui.steps")}</h2>
              <ol className="mt-1 list-decimal space-y-1 pl-5">
                {tally.look.steps.map((step) => (
                  <li key={step}>{step}</li>
                ))}
              </ol>
            </section>
          )}
        </div>
      </div>
    </HowOrder>
  );
}
