import { Switch } from "@headlessui/react";
import { Sheet } from "./Sheet";
import { useShortcutsOn } from "./useShortcuts";

const keys: [key: string, does: string][] = [
  ["N", "new order"],
  ["S", "to the shelf"],
  ["O", "to all orders"],
  ["D", "to the day"],
  ["B", "to the bench"],
  ["L", "to the looks"],
  ["C", "to colour"],
  ["P", "to the pantry"],
  ["G", "to the logbook"],
  ["R", "to the handbook"],
  ["K", "to the kitchen"],
  ["A", "add to the order"],
  ["I", "put something in, at the pantry"],
  ["Space", "the step is done, at the bench"],
  ["H, W", "put it on hold; tell what went wrong"],
  ["+, -", "one piece more or less"],
  ["/", "find an order, among all orders"],
  ["Ctrl Z", "undo the last change of an order"],
  ["Ctrl Shift Z", "make it again"],
  ["?", "this sheet"],
];

export function Shortcuts({ open, close }: { open: boolean; close: () => void }) {
  const [on, setOn] = useShortcutsOn();
  return (
    <Sheet open={open} close={close} title="Keys">
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
        Single keys act
      </Switch>
    </Sheet>
  );
}
