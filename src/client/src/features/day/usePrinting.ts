import { useEffect, useState } from "react";
import { flushSync } from "react-dom";

/** Whether the page is being printed; drawn anew before the paper is laid out. */
export function usePrinting() {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    const began = () => flushSync(() => setPrinting(true));
    const ended = () => setPrinting(false);
    window.addEventListener("beforeprint", began);
    window.addEventListener("afterprint", ended);
    return () => {
      window.removeEventListener("beforeprint", began);
      window.removeEventListener("afterprint", ended);
    };
  }, []);
  return printing;
}
