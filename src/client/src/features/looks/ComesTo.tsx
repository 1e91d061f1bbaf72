import type { ReactNode } from "react";
import type { LineTally, Reference } from "../../api/client";
import { How } from "../../ui/How";
import { span, useWording } from "../../ui/units";

/** What a look comes to on one piece; every figure can say how. */
export function ComesTo({ tally, reference, name }: { tally: LineTally; reference: Reference; name: string }) {
  const wording = useWording();
  const look = tally.look;
  const counter = tally.setting.find((s) => s.place === "counter") ?? tally.setting[0];
  const line = look?.patterns.reduce((sum, p) => sum + p.line.value, 0) ?? 0;
  return (
    <section aria-labelledby="comes-to" className="mt-4">
      <h2 id="comes-to" className="sr-only">
        Comes to
      </h2>
      <dl className="grid grid-cols-3 gap-x-5 gap-y-3.5 sm:grid-cols-4">
        <Figure of="perPiece" what={`coating on one ${name}`} says="coating, each" testid="coating-each">
          {wording.mass(tally.perPiece.value)}
        </Figure>
        {look?.over.map((over, i) => (
          <Figure key={i} of={`look.over[${i}].perPiece`} what={`further dip on one ${name}`} says="further dip">
            {wording.mass(over.perPiece.value)}
          </Figure>
        ))}
        {look && look.patterns.length > 0 && (
          <Figure
            of="look.drizzle"
            what={`drizzle on one ${name}`}
            says={`drizzle, ${wording.value(Math.round(line), "mm")} of line`}
            testid="drizzle-each"
          >
            {wording.mass(look.drizzle.value)}
          </Figure>
        )}
        {look?.sprinkles.map((s) => (
          <Figure
            key={s.sprinkle}
            of={`look.sprinkles[${s.sprinkle}].mass`}
            what={`sprinkles on one ${name}`}
            says={reference.decor.sprinkles.find((k) => k.code === s.kind)?.name ?? s.kind}
          >
            {wording.mass(s.mass.value)}
          </Figure>
        ))}
        {look && look.time.value > 0 && (
          <Figure
            of="look.time"
            what={`decorating one ${name}`}
            says={`to decorate, ${span(look.time.value * 12)} a dozen`}
          >
            {look.time.value < 20 ? `${Math.max(1, Math.round(look.time.value))} s` : span(look.time.value)}
          </Figure>
        )}
        {look?.wet && (
          <Figure
            of={look.round ? "look.round" : "look.wet"}
            what={`wet window of the ${name}`}
            says={look.round ? `wet, so rounds of ${look.round.value}` : "wet on the counter"}
            testid="wet"
          >
            {span(look.wet.value)}
          </Figure>
        )}
        {counter && (
          <Figure of={`setting.${counter.place}`} what={`setting of the ${name}`} says="to touch-dry, counter">
            {counter.touchDry === null ? "never" : span(counter.touchDry)}
          </Figure>
        )}
        {look && (
          <Figure of="look.cost" what={`coating on one ${name}, in money`} says="of coating, each">
            {wording.money(look.cost.value)}
          </Figure>
        )}
      </dl>
    </section>
  );
}

function Figure(props: { of: string; what: string; says: string; testid?: string; children: ReactNode }) {
  return (
    <div className="border-curl flex flex-col-reverse justify-end border-l-[3px] pl-2.5">
      <dt className="text-ink2 text-[13px] leading-snug">{props.says}</dt>
      <dd className="text-xl leading-tight font-extrabold" data-testid={props.testid}>
        <How what={props.what} of={`lines[0].${props.of}`}>
          {props.children}
        </How>
      </dd>
    </div>
  );
}
