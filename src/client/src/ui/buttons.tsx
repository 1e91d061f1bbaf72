import { useEffect, useRef, type ReactNode } from "react";
import { ApiError } from "../api/client";
import { useUnsaved } from "./unsaved";
import { say } from "../wording/say";

/** What ends a form: keep, never mind, and why it could not be kept. */
export function KeepButtons(props: {
  pending: boolean;
  error: Error | null;
  cancel: () => void;
  kept?: boolean;
  children?: ReactNode;
}) {
  // What is said of the thing itself has no field to stand at.
  const elsewhere = props.error instanceof ApiError ? props.error.errors.code : undefined;
  const box = useRef<HTMLDivElement>(null);
  const setUnsaved = useUnsaved(box);
  const { pending, error } = props;
  useEffect(() => {
    // Where it is sent the page may be left; where it was not taken it is as unsaved as before.
    if (pending || error) setUnsaved(!pending);
  }, [pending, error, setUnsaved]);
  return (
    <div ref={box} className="mt-5">
      {props.error && (
        <p role="alert" className="border-mind bg-mind-ground mb-3 border-l-4 px-3 py-1.5">
          {props.error.message} {elsewhere?.join(" ") ?? say("ui.fix-highlighted-fields")}
        </p>
      )}
      <p className="flex flex-wrap items-center gap-5">
        <button
          type="submit"
          className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold disabled:opacity-60"
          disabled={props.pending}
        >
          {say("ui.save")}
        </button>
        <button
          type="button"
          className="text-ink2 font-semibold"
          onClick={() => {
            setUnsaved(false);
            props.cancel();
          }}
        >
          {say("ui.cancel")}
        </button>
        {props.kept && (
          <span role="status" className="text-go font-semibold">
            {say("ui.saved")}
          </span>
        )}
        {props.children}
      </p>
    </div>
  );
}

export function TextButton(props: { onClick: () => void; children: ReactNode; label?: string }) {
  return (
    <button type="button" className="text-act font-semibold" aria-label={props.label} onClick={props.onClick}>
      {props.children}
    </button>
  );
}

/** Says what was done and offers to take it back. */
export function Undoable(props: { says: ReactNode; act: string; undo: () => void }) {
  return (
    <p role="status" className="border-go bg-panel sticky top-20 z-10 my-3 border-l-4 px-4 py-2 shadow-sm">
      {props.says} <TextButton onClick={props.undo}>{props.act}</TextButton>
    </p>
  );
}
