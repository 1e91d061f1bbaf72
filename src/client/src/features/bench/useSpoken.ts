import { useEffect, useEffectEvent } from "react";

/** What is understood at the bench. */
export type Spoken = "done" | "hold" | "wrong" | "one";

const words: [Spoken, RegExp][] = [
  ["wrong", /\b(went wrong|wrong|broke)\b/],
  ["hold", /\b(hold|later|wait)\b/],
  ["one", /\b(one more|count one|one)\b/],
  ["done", /\b(done|ready|finished)\b/],
];

const denied = /\b(not|no|never)\b|n['’]t\b/i;

/** The one thing that was said; nothing where it was none or more than one: nobody guesses at wet hands. */
export function wordIn(said: string): Spoken | undefined {
  if (denied.test(said)) return undefined;
  const heard = words.filter(([, like]) => like.test(said.toLowerCase()));
  return heard.length === 1 ? heard[0]?.[0] : undefined;
}

// The browser's own, where it has one; it is in no list of what every browser has.
interface Recognition {
  continuous: boolean;
  lang: string;
  onresult: ((event: { results: ArrayLike<ArrayLike<object>>; resultIndex: number }) => void) | null;
  onend: (() => void) | null;
  start: () => void;
  abort: () => void;
}

/** The words of what the browser heard: of its parts the one that is text; the other is how sure it is. */
export function textOf(heard: object | undefined): string {
  for (const part in heard) {
    const value = (heard as Record<string, unknown>)[part];
    if (typeof value === "string") return value;
  }
  return "";
}

const recognitionOf = () => {
  const there = window as unknown as Partial<
    Record<"SpeechRecognition" | "webkitSpeechRecognition", new () => Recognition>
  >;
  return there.SpeechRecognition ?? there.webkitSpeechRecognition;
};

/** Whether this browser can listen. */
export const canListen = () => recognitionOf() !== undefined;

/** Listens for a word while it is allowed. */
export function useSpoken(on: boolean, hear: (word: Spoken) => void) {
  const heard = useEffectEvent(hear);
  useEffect(() => {
    const Listener = on ? recognitionOf() : undefined;
    if (!Listener) return;
    let over = false;
    const listener = new Listener();
    listener.continuous = true;
    listener.lang = "en-GB";
    listener.onresult = ({ results, resultIndex }) => {
      const word = wordIn(textOf(results[resultIndex]?.[0]));
      if (word) heard(word);
    };
    // Browsers stop listening after a silence; refused, they end at once and are not asked again.
    const begun = performance.now();
    listener.onend = () => {
      if (!over && performance.now() - begun > 1_000) listener.start();
    };
    listener.start();
    return () => {
      over = true;
      listener.abort();
    };
  }, [on]);
}
