import { useState } from "react";
import type { WorkingLine } from "../api/client";
import { Sheet } from "./Sheet";
import { useWording } from "./units";

/** A figure that can be asked how it came about. */
export function How(props: { what: string; working: WorkingLine[]; children: React.ReactNode; className?: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        className={`decoration-ink2/40 hover:decoration-act text-left underline decoration-dotted underline-offset-4 hover:decoration-solid ${props.className ?? ""}`}
        onClick={() => setOpen(true)}
      >
        {props.children}
        <span className="sr-only">, {props.what}: how?</span>
      </button>
      <Sheet open={open} close={() => setOpen(false)} title={`How: ${props.what}`}>
        <Working lines={props.working} />
      </Sheet>
    </>
  );
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
            <span className={`font-bold ${tagStyle[line.source.tag] ?? ""}`}>{line.source.tag}</span>
            {line.source.text !== line.source.tag && <> · {line.source.text}</>}
          </span>
        </li>
      ))}
    </ol>
  );
}
