import { useState } from "react";
import type { Centre, CountedIn } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { useWording } from "../../ui/units";
import { say } from "../../wording/say";

const pound = 453.59237;

/** The number typed; nothing typed is none. */
function amountOf(typed: string): number {
  const amount = Number(typed.replace(",", "."));
  return Number.isNaN(amount) ? 0 : Math.max(-1e9, Math.min(1e9, amount));
}

/** How many, and in what they are counted; it may pass through being empty or wrong while it is typed. */
export function AmountField(props: {
  what: string;
  amount: number;
  countedIn: CountedIn;
  centre: Centre | undefined;
  /** Pieces that the amount comes to, and what one weighs. */
  pieces: number;
  pieceMass: number;
  note: string | undefined;
  unitNote: string | undefined;
  onAmount: (amount: number) => void;
  onCountedIn: (amount: number, countedIn: CountedIn) => void;
}) {
  const { amount, countedIn, centre } = props;
  const { us } = useWording();
  const [typed, setTyped] = useState<string>();
  const per = countedIn === "weight" && us ? pound : 1;
  const shown = Number((amount / per).toPrecision(6));
  const names: Record<CountedIn, string> = {
    pieces: "pieces",
    dozens: "dozen",
    weight: us ? "lb" : "g",
    packs: centre?.pack ?? "packs",
  };
  const possible = (["pieces", "dozens", "weight", "packs"] as const).filter(
    (unit) => unit !== "packs" || centre?.pack,
  );

  /** As many pieces, in another unit. */
  const same = (unit: CountedIn) => {
    if (unit === "pieces") return props.pieces;
    if (unit === "dozens") return Math.ceil(props.pieces / 6) / 2;
    return unit === "weight" ? Math.round(props.pieces * props.pieceMass) : 1;
  };

  return (
    <div className="text-right">
      <input
        inputMode="decimal"
        aria-label={say("order.how-many", { what: props.what })}
        aria-invalid={props.note ? true : undefined}
        aria-describedby={props.note}
        data-count
        className="quiet h-8 w-full text-right text-[23px] leading-none font-extrabold"
        value={typed !== undefined && amountOf(typed) === shown ? typed : shown}
        onFocus={(e) => e.target.select()}
        onBlur={() => setTyped(undefined)}
        onChange={(e) => {
          setTyped(e.target.value);
          props.onAmount(amountOf(e.target.value) * per);
        }}
      />
      <span className="text-ink2 text-[13px] leading-none">
        <Choice
          label={say("order.counted", { what: props.what })}
          value={countedIn}
          note={props.unitNote}
          options={possible.map((unit) => ({ value: unit, label: names[unit] }))}
          onChange={(unit) => {
            setTyped(undefined);
            props.onCountedIn(same(unit), unit);
          }}
        >
          {names[countedIn]}
        </Choice>
      </span>
    </div>
  );
}
