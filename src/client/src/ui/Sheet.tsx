import { useEffect, useState, type ReactNode } from "react";
import { later } from "./later";

const SheetPaper = later(() => import("./SheetPaper"), "SheetPaper");

export interface SheetProps {
  open: boolean;
  close: () => void;
  title: string;
  wide?: boolean;
  full?: boolean;
  children: ReactNode;
}

/** A dialog drawn as a sheet of paper from the right; what draws it is fetched with the first one that opens. */
export function Sheet(props: SheetProps) {
  const [used, setUsed] = useState(props.open);
  if (props.open && !used) setUsed(true);
  useEffect(() => {
    if (!props.open) return;
    // The first one's own code comes too late to know where the focus was.
    const before = document.activeElement;
    return () => {
      setTimeout(() => {
        if (document.activeElement === document.body && before instanceof HTMLElement) before.focus();
      });
    };
  }, [props.open]);
  return used && <SheetPaper {...props} />;
}
