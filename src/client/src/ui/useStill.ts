import { useEffect, useState } from "react";

const pause = 250;

/** A value a moment after it last changed: for what may come after the figures that are looked at. */
export function useStill<T>(value: T): T {
  const [still, setStill] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setStill(value), pause);
    return () => clearTimeout(timer);
  }, [value]);
  return still;
}
