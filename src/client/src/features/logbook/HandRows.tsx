import type { HandValue, LearningChoice } from "../../api/client";
import { useOwner } from "../../api/queries";
import { TextButton } from "../../ui/buttons";
import { onScale, row } from "./batches";
import { useLearning } from "./useLearning";
import { capital, say } from "../../wording/say";

const nineInTen = 1.645;

/** Where a value has come to, and between which it is nine times in ten, around what the tables say. */
function Scale({ value }: { value: HandValue["value"] }) {
  const [from, at, to] = [-nineInTen, 0, nineInTen].map((k) => 280 * onScale(value.mean * Math.exp(k * value.spread)));
  return (
    <svg viewBox="-8 0 296 22" className="w-full max-w-74" aria-hidden>
      <line x1="0" x2="280" y1="11" y2="11" className="stroke-line" strokeWidth="2" />
      <line x1="140" x2="140" y1="2" y2="20" className="stroke-rim" strokeWidth="2" />
      <rect x={from} width={(to ?? 0) - (from ?? 0)} y="5" height="12" rx="6" fill="#f0a64b" opacity="0.45" />
      <circle cx={at} cy="11" r="6" className="fill-ink" />
    </svg>
  );
}

const kinds: [HandValue["kind"], string][] = [
  ["stick", say("logbook.coating-pieces")],
  ["pace", say("ui.hands-time")],
  ["setting", say("logbook.time-set")],
  ["melting", say("logbook.time-melt")],
  ["spoilt", say("logbook.what-goes-wrong")],
];

/** What the kitchen's batches have moved, each of which can be set back to the tables' value. */
export function HandRows({ hand, learning }: { hand: HandValue[]; learning: LearningChoice }) {
  const owner = useOwner();
  const keep = useLearning(learning);
  const aside = learning.setAside ?? [];
  const turn = (key: string, off: boolean) =>
    keep.mutate({ setAside: off ? [...aside, key] : aside.filter((a) => a !== key) });
  return (
    <>
      {keep.error && (
        <p role="alert" className="text-mind">
          {keep.error.message}
        </p>
      )}
      {kinds.map(([kind, name]) => {
        const rows = hand.filter((h) => h.kind === kind);
        if (rows.length === 0) return null;
        return (
          <div key={kind}>
            <h3 className="text-ink2 mt-3 text-[15px]">{name}</h3>
            <ul>
              {rows.map((h) => (
                <li key={h.key} className={row}>
                  <b className="inline-block leading-snug">{capital(h.name)}</b>
                  <span className={h.setAside ? "opacity-35" : ""}>
                    <Scale value={h.value} />
                  </span>
                  <span className="flex flex-wrap justify-between gap-x-4">
                    <span className={h.setAside ? "text-ink2 line-through" : ""}>{h.says}</span>
                    {owner && (
                      <TextButton
                        onClick={() => turn(h.key, !h.setAside)}
                        label={`${h.setAside ? say("logbook.use-what-was-learned") : say("logbook.use-table-value")}: ${h.name}, ${name}`}
                      >
                        {h.setAside ? say("logbook.use-again") : say("logbook.use-table-value")}
                      </TextButton>
                    )}
                  </span>
                </li>
              ))}
            </ul>
          </div>
        );
      })}
    </>
  );
}
