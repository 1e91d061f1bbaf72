import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { DayTask } from "../../api/client";
import { inSteps, step } from "./moves";
import type { Scale } from "./times";
import { minutesFrom, plusMinutes } from "../../ui/localTime";

const aDay = 24 * 60;

// A finger that slips so many px did not mean to drag.
const slip = 6;

/** What marks a day in the row above, so that a step can be dropped on it. */
export const dropDay = "data-day";

const dayUnder = (e: PointerEvent) =>
  document.elementFromPoint(e.clientX, e.clientY)?.closest(`[${dropDay}]`)?.getAttribute(dropDay);

/**
 * Moves a step: arrow keys by five minutes or a day, or dragged up and down or onto another day; Enter, leaving it or letting go pins
 * it there, Escape leaves it.
 */
export function useMoving(task: DayTask, scale: Scale, pin: (task: DayTask, at: string) => void) {
  const [by, setBy] = useState(0);
  const held = useRef<number>(undefined);
  const dragged = useRef(false);
  const settle = () => {
    if (by !== 0) pin(task, plusMinutes(task.starts, by));
    setBy(0);
  };
  const keys: Partial<Record<string, number>> = { ArrowUp: -step, ArrowDown: step, ArrowLeft: -aDay, ArrowRight: aDay };
  return {
    /** When it would begin; undefined while it is not moved. */
    to: by === 0 ? undefined : plusMinutes(task.starts, by),
    props: {
      onKeyDown: (e: KeyboardEvent) => {
        const further = keys[e.key];
        if (further !== undefined) setBy(by + further);
        else if (e.key === "Escape" && by !== 0) setBy(0);
        else if (e.key === "Enter" && by !== 0) settle();
        else return;
        e.preventDefault();
      },
      onBlur: settle,
      onPointerDown: (e: PointerEvent) => {
        held.current = e.pointerType === "touch" ? undefined : e.clientY;
        dragged.current = false;
      },
      onPointerMove: (e: PointerEvent) => {
        if (held.current === undefined || (!dragged.current && Math.abs(e.clientY - held.current) < slip)) return;
        dragged.current = true;
        e.currentTarget.setPointerCapture(e.pointerId);
        const day = dayUnder(e);
        const at = day ? `${day}${task.starts.slice(10)}` : scale.at(scale.y(task.starts) + e.clientY - held.current);
        setBy(inSteps(minutesFrom(task.starts, at)));
      },
      onPointerUp: () => {
        held.current = undefined;
        if (dragged.current) settle();
      },
    },
    /** Whether a click is only the end of dragging. */
    isDragged: () => dragged.current,
  };
}
