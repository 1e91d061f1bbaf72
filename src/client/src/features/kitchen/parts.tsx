import { useState, type ReactNode } from "react";

/** What ends a form: keep, never mind, and why it could not be kept. */
export function KeepButtons(props: {
  pending: boolean;
  error: Error | null;
  cancel: () => void;
  children?: ReactNode;
}) {
  return (
    <div className="mt-5">
      {props.error && (
        <p role="alert" className="border-mind bg-mind-ground mb-3 border-l-4 px-3 py-1.5">
          {props.error.message} What is wrong is said at its field.
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

/** One of a list: its name and facts, and a form under it when it is being changed. */
export function Item(props: {
  name: ReactNode;
  facts: ReactNode;
  picture?: ReactNode;
  own?: boolean;
  change: string;
  form?: (close: () => void) => ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <li className="border-line flex gap-5 border-t border-dashed py-3">
      {!open && props.picture}
      <div className="min-w-0 grow">
        <div className="flex items-baseline justify-between gap-4">
          <h3 className="text-lg font-bold first-letter:uppercase">
            {props.name}
            {props.own && <span className="text-go ml-2 text-[13px] font-semibold">yours</span>}
          </h3>
          {props.form && !open && (
            <TextButton onClick={() => setOpen(true)} label={props.change}>
              Change
            </TextButton>
          )}
        </div>
        {open && props.form ? props.form(() => setOpen(false)) : <div className="text-ink2">{props.facts}</div>}
      </div>
    </li>
  );
}

/** A button that opens a form for something new. */
export function AddNew(props: { label: string; form: (close: () => void) => ReactNode }) {
  const [open, setOpen] = useState(false);
  return open ? (
    <div className="bg-panel mb-5 rounded-lg p-5">{props.form(() => setOpen(false))}</div>
  ) : (
    <p className="mb-4">
      <button className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold" onClick={() => setOpen(true)}>
        {props.label}
      </button>
    </p>
  );
}

/** Says that something was removed and offers it back. */
export function Removed(props: { name: string | undefined; putBack: () => void }) {
  if (!props.name) return null;
  return (
    <p role="status" className="border-go bg-panel sticky top-20 z-10 mb-4 border-l-4 px-4 py-2 shadow-sm">
      {props.name} was removed. <TextButton onClick={props.putBack}>Put it back</TextButton>
    </p>
  );
}
