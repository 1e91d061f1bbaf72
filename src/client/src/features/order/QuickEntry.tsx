import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { memo, useEffect, useId, useRef, useState, type KeyboardEvent } from "react";
import { answer, api, type Chip, type Entry, type OrderLine } from "../../api/client";
import { newId } from "../../api/newId";
import { putBy } from "../../ui/putBy";
import { useShortcuts } from "../../ui/useShortcuts";
import { isOffline, takeOrder, understood, without } from "./entry";
import { type Edit } from "./draft";
import { say } from "../../wording/say";

const style: Record<Chip["reading"], string> = {
  read: "border-line",
  corrected: "border-mind border-2",
  assumed: "border-ink2 border-dashed text-ink2",
};

// What is half typed is still there when the maker comes back to the order.
const textKey = (id: string) => `entry.${id}`;

/** What is wanted, typed in plain words; what was understood stands under it, to be put right before it goes onto the slip. */
export const QuickEntry = memo(function QuickEntry({ id, empty, edit }: { id: string; empty: boolean; edit: Edit }) {
  const [typed, setTyped] = useState(() => (putBy.read(textKey(id)) as string | undefined) ?? "");
  const [chosen, setChosen] = useState(-1);
  const [closed, setClosed] = useState(false);
  const input = useRef<HTMLTextAreaElement>(null);
  const hurried = useRef(false);
  const focusOn = useRef<string>(undefined);
  const list = useId();
  useShortcuts({ a: () => input.current?.focus() });
  useEffect(() => {
    if (typed) putBy.write(textKey(id), typed);
    else putBy.forget(textKey(id));
  }, [id, typed]);
  useEffect(() => {
    if (empty) input.current?.focus();
    // Only when the page is opened.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const reading = useQuery({
    queryKey: ["entry", typed],
    queryFn: ({ signal }) => answer(api.POST("/api/entry", { body: { text: typed }, signal })),
    enabled: typed.trim() !== "",
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    retry: 1,
    // Without a network it fails and says so, rather than waiting for one.
    networkMode: "always",
  });
  const entry = typed.trim() === "" ? undefined : reading.data;
  const fresh = !reading.isPlaceholderData && !reading.isFetching && !reading.isError;
  const completions = closed ? [] : (entry?.completions ?? []);

  // A count that was only assumed is what the maker types next.
  useEffect(() => {
    if (!focusOn.current) return;
    document.querySelector<HTMLInputElement>(`[data-line="${focusOn.current}"] [data-count]`)?.focus();
    focusOn.current = undefined;
  });

  const type = (text: string) => {
    setTyped(text);
    setChosen(-1);
    setClosed(false);
  };
  const put = (start: number, length: number, text: string) => {
    type(typed.slice(0, start) + text + typed.slice(start + length));
    input.current?.focus();
  };
  const add = () => {
    // Typed faster than it is read: taken as soon as it is.
    hurried.current = !fresh;
    if (!entry || !fresh || !takes(entry)) return;
    const lines: OrderLine[] = entry.lines.map(({ line }) => ({ ...line, id: newId() }));
    const unsure = entry.lines.findIndex((l) => l.chips.some((c) => c.field === "amount" && c.reading === "assumed"));
    focusOn.current = lines[unsure]?.id;
    edit(lines[0]?.id ?? "entry", (draft) => takeOrder({ ...draft, lines: [...draft.lines, ...lines] }, entry.order));
    type("");
  };
  const note = (start: number, length: number) => {
    const words = typed.slice(start, start + length).trim();
    edit("notes", (draft) => ({ ...draft, notes: [draft.notes, words].filter(Boolean).join("\n") }));
    put(start, length, "");
  };
  useEffect(() => {
    if (fresh && hurried.current) add();
  });
  const keys = (e: KeyboardEvent<HTMLTextAreaElement>) => {
    const to = { ArrowDown: chosen + 1, ArrowUp: chosen - 1 }[e.key];
    if (to !== undefined && completions.length > 0) {
      e.preventDefault();
      setChosen(Math.max(-1, Math.min(to, completions.length - 1)));
    } else if (e.key === "Escape" && completions.length > 0) {
      e.preventDefault();
      setClosed(true);
    } else if (e.key === "Enter" && !e.shiftKey) {
      e.preventDefault();
      const completion = completions[chosen];
      if (completion) put(completion.start, typed.length - completion.start, `${completion.text} `);
      else add();
    }
  };

  return (
    <div className="relative mb-3 print:hidden">
      <textarea
        ref={input}
        role="combobox"
        rows={1}
        aria-label={say("ui.add-order")}
        aria-expanded={completions.length > 0}
        aria-controls={list}
        aria-autocomplete="list"
        aria-activedescendant={chosen >= 0 ? `${list}-${chosen}` : undefined}
        placeholder={empty ? say("order.2-doz-large-strawberries-milk") : say("order.12-rods-navy-silver-zigzag")}
        className="border-act placeholder:text-ink2 field-sizing-content max-h-60 w-full resize-none border-b-2 bg-transparent py-1.5"
        autoComplete="off"
        spellCheck={false}
        value={typed}
        onKeyDown={keys}
        onBlur={() => setClosed(true)}
        onFocus={() => setClosed(false)}
        onChange={(e) => type(e.target.value)}
      />
      <div
        id={list}
        role="listbox"
        aria-label={say("order.completions")}
        className="border-line bg-panel absolute z-20 max-h-60 w-full overflow-y-auto rounded-lg border py-1 text-[15px] shadow-xl empty:hidden"
      >
        {completions.map((completion, i) => (
          <div
            key={`${completion.start}/${completion.text}/${completion.is}`}
            id={`${list}-${i}`}
            role="option"
            tabIndex={-1}
            aria-selected={i === chosen}
            className="aria-selected:bg-parchment aria-selected:text-parchment-ink hover:bg-parchment hover:text-parchment-ink flex cursor-pointer justify-between gap-4 px-3 py-1"
            onMouseDown={(e) => {
              e.preventDefault();
              put(completion.start, typed.length - completion.start, `${completion.text} `);
            }}
          >
            <b>{completion.text}</b>
            <span className="text-[13px] opacity-80">{completion.is}</span>
          </div>
        ))}
      </div>
      <p role="status" className="sr-only">
        {entry && fresh ? understood(entry) : ""}
      </p>
      {typed.trim() !== "" && reading.isError && (
        <p role="alert" className="border-mind mt-2 border-l-[3px] pl-2 text-[14px] leading-snug">
          {isOffline(reading.error) ? say("order.offline-what-you-typed-stays") : reading.error.message}{" "}
          <button className="text-act font-semibold" onClick={() => void reading.refetch()}>
            {say("ui.try-again")}
          </button>
        </p>
      )}
      {entry && !reading.isError && (
        <section aria-label={say("order.understood")} className="mt-2 space-y-2 text-[14px]">
          {entry.order.chips.length > 0 && (
            <div>
              <h3 className="text-ink2 text-[13px]">{say("order.whole-order")}</h3>
              <Chips chips={entry.order.chips} put={put} />
            </div>
          )}
          {groups(entry).map((lines, i) => (
            <div key={i} className={lines.length > 1 ? "border-go space-y-1 border-l-[3px] pl-2" : undefined}>
              {lines.length > 1 && (
                <h3 className="text-ink2 text-[13px]">{say("order.divided-into-lines", { count: lines.length })}</h3>
              )}
              {lines.map((line, j) => (
                <div key={j} className={j > 0 ? "border-line border-t border-dashed pt-1" : undefined}>
                  <Chips chips={line.chips} put={put} testid="understood" />
                </div>
              ))}
            </div>
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
              <button className="text-act font-semibold" onClick={() => note(unknown.start, unknown.length)}>
                {say("order.add-notes")}
              </button>
            </p>
          ))}
          {takes(entry) && (
            <button className="bg-act text-on-act rounded-2xl px-4 py-1 text-left text-[15px] font-bold" onClick={add}>
              {say("order.add", {
                count:
                  entry.lines.length === 1
                    ? say("ui.it")
                    : entry.lines.length > 1
                      ? say("order.lines", { count: entry.lines.length })
                      : say("order.order-2"),
                without: without(entry.notUnderstood),
              })}
            </button>
          )}
        </section>
      )}
    </div>
  );
});

const takes = (entry: Entry) => entry.lines.length > 0 || entry.order.chips.length > 0;

/** Lines in the requests that they are parts of. */
const groups = (entry: Entry) =>
  [...new Set(entry.lines.map((l) => l.group))].map((group) => entry.lines.filter((l) => l.group === group));

function Chips(props: { chips: Chip[]; put: (start: number, length: number, text: string) => void; testid?: string }) {
  return (
    <ul className="flex flex-wrap gap-1" data-testid={props.testid}>
      {props.chips.map((chip, i) => (
        <li key={i}>
          <ChipButton chip={chip} choose={(text) => props.put(chip.start, chip.length, text)} />
        </li>
      ))}
    </ul>
  );
}

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
