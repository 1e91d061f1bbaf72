import { useEffect, useRef, useState, type ReactNode } from "react";
import { say } from "../wording/say";

/** A button for what cannot be undone: it asks before it acts. */
export function Confirm(props: {
  children: ReactNode;
  asks: string;
  act: string;
  pending?: boolean;
  onConfirm: () => void;
}) {
  const [asking, setAsking] = useState(false);
  const act = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (asking) act.current?.focus();
  }, [asking]);
  if (!asking)
    return (
      <button type="button" className="text-act font-bold" onClick={() => setAsking(true)}>
        {props.children}
      </button>
    );
  return (
    <span role="alertdialog" aria-label={props.asks} className="flex flex-wrap items-center gap-4">
      <span>{props.asks}</span>
      <button
        type="button"
        ref={act}
        disabled={props.pending}
        className="bg-act text-on-act rounded-full px-4 py-1 font-bold disabled:opacity-60"
        onClick={() => {
          setAsking(false);
          props.onConfirm();
        }}
      >
        {props.act}
      </button>
      <button type="button" className="text-ink2 font-semibold" onClick={() => setAsking(false)}>
        {say("ui.cancel")}
      </button>
    </span>
  );
}
