import type { ReactNode } from "react";
import { ApiError } from "../api/client";

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
  return (
    <div className="mt-5">
      {props.error && (
        <p role="alert" className="border-mind bg-mind-ground mb-3 border-l-4 px-3 py-1.5">
          {props.error.message} {elsewhere?.join(" ") ?? "What is wrong is said at its field."}
        </p>
      )}
      <p className="flex flex-wrap items-center gap-5">
        <button
          type="submit"
          className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold disabled:opacity-60"
          disabled={props.pending}
        >
          Keep
        </button>
        <button type="button" className="text-ink2 font-semibold" onClick={props.cancel}>
          Never mind
        </button>
        {props.kept && (
          <span role="status" className="text-go font-semibold">
            kept
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
