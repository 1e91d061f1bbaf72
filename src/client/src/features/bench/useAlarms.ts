import { useEffect, useEffectEvent, useRef, useState } from "react";
import { putBy } from "../../ui/putBy";
import { alarmOf, type Timer } from "./bench";

/** What the maker lets the bench do on this device. */
export interface Allowed {
  sound: boolean;
  awake: boolean;
  notices: boolean;
  spoken: boolean;
}

const under = "bench.alarms";
const atFirst: Allowed = { sound: true, awake: true, notices: false, spoken: false };

/** What is allowed, kept for this person on this device. */
export function useAllowed(): [Allowed, (part: Partial<Allowed>) => void] {
  const [allowed, setAllowed] = useState<Allowed>(() => ({
    ...atFirst,
    ...(putBy.read(under) as Allowed | undefined),
  }));
  return [
    allowed,
    (part) => {
      const next = { ...allowed, ...part };
      putBy.write(under, next);
      setAllowed(next);
    },
  ];
}

/** Calls once for each tray whose time comes while the bench is looked at; what is past when it is opened is only shown. */
export function useAlarms(timers: Timer[], now: string, allowed: Allowed, says: (timer: Timer) => string) {
  const watched = useRef<Timer[]>([]);
  const pass = useEffectEvent((moment: string) => {
    const due = watched.current.filter((w) => w.at <= moment && timers.some((t) => t.tray.task === w.tray.task));
    watched.current = timers.filter((t) => t.at > moment);
    if (due.length === 0) return;
    if (allowed.sound) chime();
    if ("vibrate" in navigator) navigator.vibrate([300, 150, 300]);
    if (allowed.notices && "Notification" in window && Notification.permission === "granted")
      due.forEach((t) => new Notification("Kondiba", { body: says(t), tag: alarmOf(t) }));
  });
  useEffect(() => pass(now), [now]);
}

/** Three soft strokes, each a little higher. */
function chime() {
  const audio = new AudioContext();
  [660, 880, 1100].forEach((hertz, i) => {
    const [tone, volume] = [audio.createOscillator(), audio.createGain()];
    const from = audio.currentTime + i * 0.28;
    tone.frequency.value = hertz;
    volume.gain.setValueAtTime(0.25, from);
    volume.gain.exponentialRampToValueAtTime(0.001, from + 0.6);
    tone.connect(volume).connect(audio.destination);
    tone.start(from);
    tone.stop(from + 0.6);
  });
}

/** Keeps the screen on while the bench is looked at, where the browser can. */
export function useAwake(wanted: boolean) {
  useEffect(() => {
    if (!wanted || !("wakeLock" in navigator)) return undefined;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const take = () => {
      if (document.hidden) return;
      navigator.wakeLock.request("screen").then(
        (taken) => {
          if (over) void taken.release();
          else lock = taken;
        },
        () => undefined, // Refused, as where the battery is low: the screen goes dark as it always does.
      );
    };
    take();
    document.addEventListener("visibilitychange", take);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", take);
      void lock?.release();
    };
  }, [wanted]);
}
