import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import { X } from "lucide-react";
import { capital, say } from "../wording/say";
import type { SheetProps } from "./Sheet";

export function SheetPaper(props: SheetProps) {
  return (
    <Dialog open={props.open} onClose={props.close} className="relative z-30">
      <DialogBackdrop className="bg-cocoa/40 fixed inset-0" />
      <DialogPanel
        className={`bg-panel fixed inset-y-0 right-0 w-full overflow-y-auto px-6 pt-5 pb-10 shadow-2xl ${props.full ? "max-w-[76rem]" : props.wide ? "max-w-4xl" : "max-w-lg"}`}
      >
        <div className="flex items-start justify-between gap-4">
          <DialogTitle className="font-serif text-2xl">{capital(props.title)}</DialogTitle>
          <button aria-label={say("ui.close")} className="text-ink2 p-1" onClick={props.close}>
            <X size={22} />
          </button>
        </div>
        {props.children}
      </DialogPanel>
    </Dialog>
  );
}
