import { Switch } from "@headlessui/react";
import { Sheet } from "./Sheet";
import { useShortcutsOn } from "./useShortcuts";
import { say } from "../wording/say";

const keys: [key: string, does: string][] = [
  ["N", say("ui.new-order")],
  ["S", say("ui.shelf-2")],
  ["O", say("ui.all-orders")],
  ["D", say("ui.day")],
  ["B", say("ui.bench")],
  ["L", say("ui.looks")],
  ["C", say("ui.colours")],
  ["P", say("ui.pantry")],
  ["G", say("ui.logbook")],
  ["R", say("ui.handbook")],
  ["K", say("ui.kitchen")],
  ["A", say("ui.add-order")],
  ["I", say("ui.add-pantry")],
  [say("ui.space"), say("ui.mark-step-done")],
  ["H, W", say("ui.hold-step-report-what-went")],
  ["+, -", say("ui.one-piece-more-or-fewer")],
  ["/", say("ui.find-order")],
  [say("ui.ctrl-z"), say("ui.undo")],
  [say("ui.ctrl-shift-z"), say("ui.redo")],
  ["?", say("ui.this-list")],
];

export function Shortcuts({ open, close }: { open: boolean; close: () => void }) {
  const [on, setOn] = useShortcutsOn();
  return (
    <Sheet open={open} close={close} title={say("ui.keyboard-shortcuts")}>
      <dl className="mt-4">
        {keys.map(([key, does]) => (
          <div key={key} className="border-line flex gap-4 border-t border-dashed py-2">
            <dt className="w-32 font-bold">{key}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <Switch checked={on} onChange={setOn} className="group mt-6 flex items-center gap-3">
        <span className="bg-rim group-data-checked:bg-go h-6 w-11 rounded-full p-0.5">
          <span className="bg-panel block size-5 rounded-full transition group-data-checked:translate-x-5" />
        </span>
        {say("ui.single-key-shortcuts")}
      </Switch>
    </Sheet>
  );
}
