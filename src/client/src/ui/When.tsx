import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { CalendarDays } from "lucide-react";
import { useRef, useState, type KeyboardEvent } from "react";
import { answer, api, ApiError } from "../api/client";
import { useKitchen } from "../api/queries";
import { fieldBox } from "./fieldBox";
import { dayOf, plusDays, plusMinutes } from "./localTime";
import { Month } from "./Month";
import { FieldNote } from "./notes";
import { clock, dayName } from "./units";
import { tellForm } from "./unsaved";
import { say } from "../wording/say";

const quarter = 15;

/** A day, a time, or both, as the server read them. */
interface When {
  day: string | null;
  time: string | null;
}

interface Input {
  id?: string;
  "aria-label"?: string | undefined;
  "aria-invalid"?: boolean | undefined;
  "aria-describedby"?: string | undefined;
  className?: string | undefined;
  /** What it holds. */
  value: string | null;
}

/**
 * A field that is typed into as one says it ("sat 3pm", "5 Dec", "17.30"), read while it is typed; left, it shows what it holds as the
 * kitchen writes it, or what was not understood. Escape goes back to what it held; the arrow keys go to the next and the one before.
 */
function TypedWhen(
  props: Input & {
    shown: string;
    of: "day" | "time";
    take: (when: When) => void;
    step: (by: number) => void;
    empty?: () => void;
    /** Takes back what was read while it was typed. */
    restore: (value: string | null) => void;
  },
) {
  const [typed, setTyped] = useState<string>();
  const [wrong, setWrong] = useState<string>();
  const [left, setLeft] = useState(false);
  const [busy, setBusy] = useState(false);
  const latest = useRef("");
  const held = useRef(props.value);
  // Left before it was read, it shows what was read when it is.
  const isTyping = typed !== undefined && (!left || busy || !!wrong);
  const note = `${props.id ?? props["aria-label"]}-when`;
  const drop = () => {
    latest.current = "";
    setTyped(undefined);
    setWrong(undefined);
    setBusy(false);
  };
  const read = async (text: string) => {
    latest.current = text;
    if (!isTyping) held.current = props.value;
    setTyped(text);
    setLeft(false);
    setWrong(undefined);
    if (text.trim() === "") {
      props.empty?.();
      return;
    }
    setBusy(true);
    const said = await understand(text, props.of);
    if (latest.current !== text) return;
    setBusy(false);
    if (typeof said === "string") setWrong(said);
    else props.take(said);
  };
  const leave = () => {
    setLeft(true);
    if (!wrong && !busy) drop();
  };
  const keys = (e: KeyboardEvent<HTMLInputElement>) => {
    const by = { ArrowUp: 1, ArrowDown: -1 }[e.key];
    if (by !== undefined) {
      e.preventDefault();
      drop();
      props.step(by);
      tellForm(e.currentTarget);
    } else if (e.key === "Enter" && isTyping) {
      e.preventDefault();
      leave();
    } else if (e.key === "Escape" && isTyping) {
      e.preventDefault();
      e.stopPropagation();
      drop();
      props.restore(held.current);
    }
  };
  const told = left ? wrong : undefined;
  return (
    <>
      <input
        id={props.id}
        aria-label={props["aria-label"]}
        aria-invalid={!!told || props["aria-invalid"] ? true : undefined}
        aria-describedby={told ? note : props["aria-describedby"]}
        aria-busy={busy}
        autoComplete="off"
        className={props.className ?? fieldBox}
        value={isTyping ? typed : props.shown}
        onFocus={(e) => e.target.select()}
        onChange={(e) => void read(e.target.value)}
        onKeyDown={keys}
        onBlur={leave}
      />
      <FieldNote id={note} text={told} />
    </>
  );
}

/** What was typed as a day or a time; a sentence where it is neither. */
async function understand(text: string, of: "day" | "time"): Promise<When | string> {
  try {
    const when = await answer(api.POST("/api/entry/when", { body: { text } }));
    if (!when[of]) return of === "day" ? say("ui.type-a-day") : say("ui.type-a-time");
    return { day: when.day ?? null, time: when.time ?? null };
  } catch (error) {
    const told = error instanceof ApiError ? error.errors.text?.[0] : undefined;
    return told ?? (error as Error).message;
  }
}

/** A day: typed, stepped with the arrow keys, or picked from its month. */
export function DayInput(props: Input & { onChange: (day: string | null, time: string | null) => void }) {
  const today = dayOf(useKitchen().data?.now ?? new Date().toISOString());
  const { value } = props;
  const button = useRef<HTMLButtonElement>(null);
  return (
    <Popover className="relative">
      <TypedWhen
        {...props}
        of="day"
        className={`${props.className ?? fieldBox} pr-9`}
        shown={value ? dayName(value) : ""}
        take={(when) => props.onChange(when.day, when.time)}
        step={(by) => props.onChange(value ? plusDays(value, by) : today, null)}
        empty={() => props.onChange(null, null)}
        restore={(day) => props.onChange(day, null)}
      />
      <PopoverButton
        ref={button}
        aria-label={say("ui.pick-day")}
        className="text-ink2 hover:text-ink absolute top-0 right-0 grid size-8 place-content-center pointer-coarse:size-11"
      >
        <CalendarDays aria-hidden size={17} />
      </PopoverButton>
      <PopoverPanel className="border-line bg-panel absolute top-full left-0 z-30 mt-1 rounded-lg border p-2 shadow-xl">
        {({ close }) => (
          <Month
            day={value ?? today}
            today={today}
            pick={(day) => {
              props.onChange(day, null);
              tellForm(button.current);
              close();
            }}
          />
        )}
      </PopoverPanel>
    </Popover>
  );
}

/** A time of the day, "HH:MM:SS": typed, or stepped by a quarter of an hour. */
export function TimeInput(props: Input & { onChange: (time: string, day: string | null) => void }) {
  const { value } = props;
  return (
    <TypedWhen
      {...props}
      of="time"
      shown={value ? clock(value) : ""}
      take={(when) => when.time && props.onChange(when.time, when.day)}
      restore={(time) => time && props.onChange(time, null)}
      step={(by) => {
        const to = plusMinutes(`2000-01-01T${(value ?? "12:00").slice(0, 5)}`, by * quarter);
        props.onChange(to.slice(11), null);
      }}
    />
  );
}
