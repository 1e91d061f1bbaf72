import { TextButton, Undoable } from "../../ui/buttons";
import { useState, type ReactNode } from "react";
import { capital, say } from "../../wording/say";

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
          <h3 className="text-lg font-bold">
            {typeof props.name === "string" ? capital(props.name) : props.name}
            {props.own && <span className="text-go ml-2 text-[13px] font-semibold">{say("ui.yours")}</span>}
          </h3>
          {props.form && !open && (
            <TextButton onClick={() => setOpen(true)} label={props.change}>
              {say("kitchen.change")}
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
  return <Undoable says={say("kitchen.was-removed", { name: props.name })} act={say("ui.undo")} undo={props.putBack} />;
}
