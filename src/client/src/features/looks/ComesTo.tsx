import type { ReactNode } from "react";
import type { LineTally, Reference } from "../../api/client";
import { How } from "../../ui/How";
import { span, useWording } from "../../ui/units";
import { say } from "../../wording/say";

/** What a look comes to on one piece; every figure can say how. */
export function ComesTo({ tally, reference, name }: { tally: LineTally; reference: Reference; name: string }) {
  const wording = useWording();
  const look = tally.look;
  const counter = tally.setting.find((s) => s.place === "counter") ?? tally.setting[0];
  const line = look?.patterns.reduce((sum, p) => sum + p.line.value, 0) ?? 0;
  return (
    <section aria-labelledby="comes-to" className="mt-4">
      <h2 id="comes-to" className="sr-only">
        {say("looks.per-piece")}
      </h2>
      <dl className="grid grid-cols-3 gap-x-5 gap-y-3.5 sm:grid-cols-4">
        <Figure
          of="perPiece"
          what={say("looks.coating-one", { name })}
          says={say("looks.coating-each")}
          testid="coating-each"
        >
          {wording.mass(tally.perPiece.value)}
        </Figure>
        {look?.over.map((over, i) => (
          <Figure
            key={i}
            of={`look.over[${i}].perPiece`}
            what={say("looks.extra-dip-one", { name })}
            says={say("looks.extra-dip")}
          >
            {wording.mass(over.perPiece.value)}
          </Figure>
        ))}
        {look && look.patterns.length > 0 && (
          <Figure
            of="look.drizzle"
            what={say("looks.drizzle-one", { name })}
            says={say("looks.drizzle-line", { line: wording.value(Math.round(line), "mm") })}
            testid="drizzle-each"
          >
            {wording.mass(look.drizzle.value)}
          </Figure>
        )}
        {look?.sprinkles.map((s) => (
          <Figure
            key={s.sprinkle}
            of={`look.sprinkles[${s.sprinkle}].mass`}
            what={say("looks.sprinkles-one", { name })}
            says={reference.decor.sprinkles.find((k) => k.code === s.kind)?.name ?? s.kind}
          >
            {wording.mass(s.mass.value)}
          </Figure>
        ))}
        {look && look.time.value > 0 && (
          <Figure
            of="look.time"
            what={say("looks.decorating-one", { name })}
            says={say("looks.decorate-dozen", { time: span(look.time.value * 12) })}
          >
            {look.time.value < 20
              ? say("looks.s", { text: Math.max(1, Math.round(look.time.value)) })
              : span(look.time.value)}
          </Figure>
        )}
        {look?.wet && (
          <Figure
            of={look.round ? "look.round" : "look.wet"}
            what={say("looks.wet-window", { name })}
            says={look.round ? say("looks.wet-so-rounds", { round: look.round.value }) : say("looks.wet-counter")}
            testid="wet"
          >
            {span(look.wet.value)}
          </Figure>
        )}
        {counter && (
          <Figure
            of={`setting.${counter.place}`}
            what={say("looks.setting", { name })}
            says={say("looks.touch-dry-counter")}
          >
            {counter.touchDry === null ? say("ui.never") : span(counter.touchDry)}
          </Figure>
        )}
        {look && (
          <Figure of="look.cost" what={say("looks.coating-one-money", { name })} says={say("looks.coating-each-2")}>
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
