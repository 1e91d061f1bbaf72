import { ChevronDown } from "lucide-react";
import { useState } from "react";
import { Choice } from "../../ui/Choice";
import { depthName, namedDepths } from "../../ui/units";
import { say } from "../../wording/say";

/** What was typed as a share: a name, "3/4", "70 %" or "70". */
export function shareOf(typed: string): number | undefined {
  const text = typed.trim().toLowerCase();
  if (!text) return undefined;
  const named = namedDepths.find((depth) => depthName(depth) === text);
  if (named !== undefined) return named;
  const fraction = /^(\d+)\s*\/\s*(\d+)$/.exec(text);
  if (fraction) return Number(fraction[1]) / Number(fraction[2]);
  const percent = Number(text.replace("%", "").trim());
  return Number.isNaN(percent) ? undefined : percent / 100;
}

/** Dip depth by name or by any share. */
export function DepthField(props: {
  label: string;
  depth: number;
  usual?: number[] | undefined;
  note: string | undefined;
  onChange: (depth: number) => void;
}) {
  const [typed, setTyped] = useState<string>();
  const named = [...new Set([...(props.usual ?? namedDepths), 0, props.depth])];
  const take = () => {
    const share = shareOf(typed ?? "");
    if (share !== undefined && share !== props.depth) props.onChange(share);
    setTyped(undefined);
  };
  return (
    <span className="inline-flex items-baseline">
      <input
        aria-label={props.label}
        aria-invalid={props.note ? true : undefined}
        aria-describedby={props.note}
        className="quiet field-sizing-content pointer-coarse:min-w-11"
        value={typed ?? depthName(props.depth)}
        onFocus={(e) => e.target.select()}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={take}
        onKeyDown={(e) => e.key === "Enter" && take()}
      />
      <Choice
        plain
        label={say("order.depths-to-choose", { depth: props.label })}
        value={props.depth}
        options={named.map((depth) => ({ value: depth, label: depthName(depth) }))}
        onChange={props.onChange}
      >
        <span className="text-ink2 inline-grid size-6 place-content-center align-middle pointer-coarse:size-11">
          <ChevronDown aria-hidden size={14} />
        </span>
      </Choice>
    </span>
  );
}
