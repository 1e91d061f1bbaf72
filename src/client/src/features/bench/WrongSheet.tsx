import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import type { DayTask, Plan } from "../../api/client";
import type { DayDesk } from "../day/useDay";
import { big } from "./big";
import { say } from "../../wording/say";

/** What can be told when a step does not go as it should. */
export function WrongSheet(props: { step: DayTask; plan: Plan; desk: DayDesk; now: string; close: () => void }) {
  const { step, plan, desk, now, close } = props;
  const { code } = step.what;
  const last = plan.tasks
    .filter((t) => t.mark?.done != null)
    .sort((a, b) => (a.mark?.done ?? "").localeCompare(b.mark?.done ?? ""))
    .at(-1);
  const choices: { says: string; does: () => void }[] = [
    ...(step.what.pieces > 0 ? [{ says: say("bench.one-broke-2"), does: () => desk.count(code, "spoilt", 1) }] : []),
    { says: say("bench.15-min-late"), does: () => desk.late(step, 15, now) },
    { says: say("bench.30-min-late"), does: () => desk.late(step, 30, now) },
    ...(last
      ? [
          {
            says: say("bench.not-done-after-all", { title: last.what.title }),
            does: () => desk.tell(last.what.code, say("ui.not-done-after-all", { title: last.what.title }), "undone"),
          },
        ]
      : []),
  ];
  return (
    <Dialog open onClose={close} className="night relative z-30">
      <DialogBackdrop className="bg-ground/80 fixed inset-0" />
      <DialogPanel
        className={[
          "bg-panel text-ink fixed inset-x-0 bottom-0 mx-auto max-h-screen max-w-4xl",
          "overflow-y-auto rounded-t-3xl p-6 sm:p-9",
        ].join(" ")}
      >
        <DialogTitle className="font-serif text-[36px] leading-tight">{say("bench.what-went-wrong")}</DialogTitle>
        <div className="mt-5 grid gap-4 sm:grid-cols-2">
          {choices.map(({ says, does }) => (
            <button
              key={says}
              className={`${big} px-5 py-4 text-[24px]`}
              onClick={() => {
                does();
                close();
              }}
            >
              {says}
            </button>
          ))}
          <button className={`${big} text-act px-5 py-4 text-[24px]`} onClick={close}>
            {say("bench.nothing-carry")}
          </button>
        </div>
      </DialogPanel>
    </Dialog>
  );
}
