import { Link } from "wouter";
import { say } from "../wording/say";

/** Shown while something is on its way; silent for the first moment, so that quick answers do not flash. */
export function Waiting() {
  return (
    <p role="status" className="text-ink2 p-10 opacity-0 transition-opacity delay-300 duration-300 starting:opacity-0">
      {say("ui.loading")}
    </p>
  );
}

export function ErrorNote({ error, retry }: { error: Error; retry?: () => void }) {
  return (
    <div role="alert" className="border-mind bg-mind-ground m-6 max-w-xl border-l-4 p-4 sm:m-10">
      <p className="font-semibold">{error.message}</p>
      <p className="mt-2 flex gap-4">
        {retry && (
          <button className="text-act font-semibold" onClick={retry}>
            {say("ui.try-again")}
          </button>
        )}
        <Link className="text-act font-semibold" to="/">
          {say("ui.shelf")}
        </Link>
      </p>
    </div>
  );
}

/** What is wrong with a field and what to do, under it. */
export function FieldNote({ id, text }: { id: string; text: string | undefined }) {
  if (!text) return null;
  return (
    <p id={id} role="alert" className="border-mind text-mind mt-1 border-l-[3px] pl-2 text-[13px] leading-snug">
      {text}
    </p>
  );
}
