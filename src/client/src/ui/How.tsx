import { useQuery } from "@tanstack/react-query";
import { createContext, useContext, useState } from "react";
import { Link } from "wouter";
import { answer, api, type OrderDraft, type WorkingLine } from "../api/client";
import { ErrorNote, Waiting } from "./notes";
import { Sheet } from "./Sheet";
import { handbookOf } from "./SourceTag";
import { useWording } from "./units";
import { say } from "../wording/say";

/** The order whose figures are asked about. */
export const HowOrder = createContext<OrderDraft | null>(null);

type Maker = "prices" | "prep" | "packing";

/** A figure that can be asked how it came about; `of` is its path in the tally. */
export function How(props: {
  what: string;
  of: string;
  children: React.ReactNode;
  className?: string;
  /** What computes it, when it is not the order's coating. */
  from?: Maker;
}) {
  return (
    <Ask what={props.what} className={props.className} answer={<Answer of={props.of} from={props.from} />}>
      {props.children}
    </Ask>
  );
}

/** A figure whose working is at hand. */
export function HowLines(props: { what: string; lines: WorkingLine[]; children: React.ReactNode }) {
  return (
    <Ask what={props.what} answer={<Working lines={props.lines} />}>
      {props.children}
    </Ask>
  );
}

function Ask(props: {
  what: string;
  answer: React.ReactNode;
  className?: string | undefined;
  children: React.ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        className={`decoration-ink2/40 hover:decoration-act text-left underline decoration-dotted underline-offset-4 hover:decoration-solid ${props.className ?? ""}`}
        onClick={() => setOpen(true)}
      >
        {props.children}
        <span className="sr-only">{say("ui.how", { what: props.what })}</span>
      </button>
      {open && (
        <Sheet open close={() => setOpen(false)} title={say("ui.how-2", { what: props.what })}>
          {props.answer}
        </Sheet>
      )}
    </>
  );
}

function Answer({ of, from }: { of: string; from: Maker | undefined }) {
  const order = useContext(HowOrder);
  const working = useQuery({
    queryKey: ["working", of, order, from],
    queryFn: () => {
      if (!order) throw new Error(say("ui.there-no-order-ask-about"));
      const question = { params: { query: { of } }, body: order };
      if (from === "prices") return answer(api.POST("/api/prices/working", question));
      if (from === "prep") return answer(api.POST("/api/prep/working", question));
      if (from === "packing") return answer(api.POST("/api/packing/working", question));
      return answer(api.POST("/api/amounts/working", question));
    },
    gcTime: 0,
  });
  if (working.isError) return <ErrorNote error={working.error} retry={() => void working.refetch()} />;
  return working.data ? <Working lines={working.data} /> : <Waiting />;
}

const tagStyle: Record<string, string> = {
  published: "text-go",
  estimate: "text-mind",
  entered: "text-act",
};

function Working({ lines }: { lines: WorkingLine[] }) {
  const wording = useWording();
  return (
    <ol className="mt-4">
      {lines.map((line, i) => (
        <li
          key={i}
          className={`border-line grid grid-cols-[1fr_auto] gap-x-4 border-t border-dashed py-2.5 ${i === lines.length - 1 ? "border-ink border-solid! text-lg" : ""}`}
        >
          <span className="font-semibold">{line.what}</span>
          <span className="font-bold">{wording.value(line.value, line.unit)}</span>
          {line.formula && <span className="text-ink2 col-span-2 text-[15px] wrap-anywhere">{line.formula}</span>}
          <span className="text-ink2 col-span-2 text-[13px]">
            {line.source.text.startsWith(line.source.tag) || (
              <>
                <span className={`font-bold ${tagStyle[line.source.tag] ?? ""}`}>{line.source.tag}</span>
                {" · "}
              </>
            )}
            <Link to={handbookOf(line.source)} className="hover:text-act decoration-dotted hover:underline">
              {line.source.text}
            </Link>
          </span>
        </li>
      ))}
    </ol>
  );
}
