import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Menu,
  MenuButton,
  MenuItem,
  MenuItems,
} from "@headlessui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { memo, useEffect, useRef, useState, type KeyboardEvent } from "react";
import { answer, api, type Chip, type Entry, type OrderLine } from "../../api/client";
import { useShortcuts } from "../../ui/useShortcuts";
import { type Edit } from "./draft";
import { newId } from "../../api/newId";

type Completion = Entry["completions"][number];

const style: Record<Chip["reading"], string> = {
  read: "border-line",
  corrected: "border-mind border-2",
  assumed: "border-ink2 border-dashed text-ink2",
};

/** Order lines typed in plain words; what was understood stands under them, to be put right before it goes onto the slip. */
export const QuickEntry = memo(function QuickEntry({ empty, edit }: { empty: boolean; edit: Edit }) {
  const [typed, setTyped] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const chosen = useRef(false);
  const hurried = useRef(false);
  const focusOn = useRef<string>(undefined);
  useShortcuts({ a: () => input.current?.focus() });
  const reading = useQuery({
    queryKey: ["entry", typed],
    queryFn: ({ signal }) => answer(api.POST("/api/entry", { body: { text: typed }, signal })),
    enabled: typed.trim() !== "",
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });
  const entry = typed.trim() === "" ? undefined : reading.data;
  const fresh = !reading.isPlaceholderData && !reading.isFetching;

  // A count that was only assumed is what the maker types next.
  useEffect(() => {
    if (!focusOn.current) return;
    document.querySelector<HTMLInputElement>(`[data-line="${focusOn.current}"] [data-count]`)?.focus();
    focusOn.current = undefined;
  });

  const put = (start: number, length: number, text: string) => {
    setTyped(typed.slice(0, start) + text + typed.slice(start + length));
    input.current?.focus();
  };
  const add = () => {
    // Typed faster than it is read: taken as soon as it is.
    hurried.current = !fresh;
    if (!entry || !fresh || entry.lines.length === 0) return;
    const lines: OrderLine[] = entry.lines.map(({ line }) => ({ ...line, id: newId() }));
    const unsure = entry.lines.findIndex((l) => l.chips.some((c) => c.field === "amount" && c.reading === "assumed"));
    focusOn.current = lines[unsure]?.id;
    edit(lines[0]?.id ?? "entry", (draft) => ({ ...draft, lines: [...draft.lines, ...lines] }));
    setTyped("");
  };
  useEffect(() => {
    if (fresh && hurried.current) add();
  });
  const keys = (e: KeyboardEvent<HTMLInputElement>) => {
    if (e.key === "ArrowDown" || e.key === "ArrowUp") chosen.current = true;
    // Enter takes the line; a completion only when one was gone to.
    if (e.key === "Enter" && !chosen.current) {
      e.preventDefault();
      add();
    }
  };

  return (
    <div className="mt-2 print:hidden">
      <Combobox
        value={null}
        onChange={(completion: Completion | null) => {
          if (completion) put(completion.start, typed.length - completion.start, `${completion.text} `);
          chosen.current = false;
        }}
      >
        <ComboboxInput
          ref={input}
          aria-label="Add to the order"
          placeholder={empty ? "2 doz large strawberries milk ¾ …" : "and 12 rods navy, silver zigzag …"}
          className="border-act placeholder:text-ink2 w-full border-b-2 bg-transparent py-1.5"
          autoComplete="off"
          spellCheck={false}
          displayValue={() => typed}
          value={typed}
          onKeyDown={keys}
          onPaste={(e) => {
            const text = e.clipboardData.getData("text");
            if (!/\n/.test(text)) return;
            e.preventDefault();
            const { selectionStart: from, selectionEnd: to } = e.currentTarget;
            const lines = text.trim().replace(/\s*\r?\n\s*/g, "; ");
            setTyped(typed.slice(0, from ?? typed.length) + lines + typed.slice(to ?? typed.length));
          }}
          onChange={(e) => {
            chosen.current = false;
            setTyped(e.target.value);
          }}
        />
        <ComboboxOptions
          modal={false}
          anchor={{ to: "bottom start", gap: 4 }}
          className="border-line bg-panel z-20 max-h-60! w-(--input-width) overflow-y-auto rounded-lg border py-1 text-[15px] shadow-xl empty:hidden"
        >
          {entry?.completions.map((completion) => (
            <ComboboxOption
              key={`${completion.start}/${completion.text}/${completion.is}`}
              value={completion}
              className="data-focus:bg-parchment data-focus:text-parchment-ink flex cursor-pointer justify-between gap-4 px-3 py-1"
            >
              <b>{completion.text}</b>
              <span className="text-[13px] opacity-80">{completion.is}</span>
            </ComboboxOption>
          ))}
        </ComboboxOptions>
      </Combobox>
      {entry && (
        <section aria-label="What was understood" className="mt-2 space-y-2 text-[14px]">
          {entry.lines.map((line, i) => (
            <ul key={i} className="flex flex-wrap gap-1" data-testid="understood">
              {line.chips.map((chip, j) => (
                <li key={j}>
                  <ChipButton chip={chip} choose={(text) => put(chip.start, chip.length, text)} />
                </li>
              ))}
            </ul>
          ))}
          {entry.notUnderstood.map((unknown) => (
            <p key={unknown.start} role="alert" className="border-mind border-l-[3px] pl-2 leading-snug">
              <b>“{unknown.text.length > 60 ? `${unknown.text.slice(0, 60)}…` : unknown.text}”</b> {unknown.reason}{" "}
              {unknown.choices.map((choice) => (
                <button
                  key={choice.text}
                  className="text-act mr-2 font-semibold"
                  onClick={() => put(unknown.start, unknown.length, choice.text)}
                >
                  {choice.says}
                </button>
              ))}
            </p>
          ))}
          {entry.lines.length > 0 && (
            <button className="bg-act text-on-act rounded-full px-4 py-1 text-[15px] font-bold" onClick={add}>
              Add {entry.lines.length === 1 ? "it" : `${entry.lines.length} lines`}
              {entry.notUnderstood.length > 0 && ` without “${entry.notUnderstood[0]?.text.slice(0, 20)}”`}
            </button>
          )}
        </section>
      )}
    </div>
  );
});

/** One thing that was understood; where it could mean something else, the others can be chosen. */
function ChipButton({ chip, choose }: { chip: Chip; choose: (text: string) => void }) {
  const tone = `inline-block rounded-md border px-1.5 leading-6 ${style[chip.reading]}`;
  const says = (
    <>
      {chip.says}
      {chip.reading !== "read" && <span className="sr-only">, {chip.reading}</span>}
    </>
  );
  if (chip.choices.length === 0) return <span className={tone}>{says}</span>;
  return (
    <Menu>
      <MenuButton className={tone}>
        <span className="sr-only">{chip.field}: </span>
        {says} <span aria-hidden>▾</span>
      </MenuButton>
      <MenuItems
        anchor={{ to: "bottom start", gap: 4 }}
        className="border-line bg-panel z-20 max-h-60! overflow-y-auto rounded-lg border py-1 text-[15px] shadow-xl"
      >
        {chip.choices.map((choice) => (
          <MenuItem key={choice.text}>
            <button
              className="data-focus:bg-parchment data-focus:text-parchment-ink block w-full px-3 py-1 text-left"
              onClick={() => choose(choice.text)}
            >
              {choice.says}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
