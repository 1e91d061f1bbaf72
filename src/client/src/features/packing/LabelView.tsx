import { useLayoutEffect, useRef, useState } from "react";
import type { LabelSheet, LabelStock } from "../../api/client";
import type { Wording } from "../../ui/units";
import { LabelText } from "./LabelText";
import type { PlacedLabel } from "./labels";
import { say } from "../../wording/say";

// Points. An x is about half as high as its letters: 1.2 mm, which Regulation (EU) 1169/2011, Article 13, asks for, is 6.8 points.
const sizes = [11, 10, 9, 8.5, 8, 7.5, 7, 6.8];
const padding = 2.5;

/** A label in its place on the page, in letters as large as fit. */
export function LabelView(props: {
  placed: PlacedLabel;
  sheet: LabelSheet;
  stock: LabelStock;
  wording: Wording;
  /** Told when not even the smallest letters that are allowed fit. */
  tooSmall: () => void;
}) {
  const { placed, sheet, stock, wording, tooSmall } = props;
  const text = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState(0);
  const key = JSON.stringify([placed.label, sheet.settings, stock, wording.us]);
  useLayoutEffect(() => {
    const box = text.current;
    if (!box) return;
    const fits = sizes.findIndex((points) => {
      box.style.fontSize = `${points}pt`;
      return box.scrollHeight <= box.clientHeight + 1;
    });
    setSize(fits < 0 ? sizes.length - 1 : fits);
    if (fits < 0) tooSmall();
    // The text is measured anew when what it says or where it stands changes.
  }, [key]); // eslint-disable-line react-hooks/exhaustive-deps
  const code = Math.min(18, stock.high * 0.3);
  return (
    <article
      className="outline-rim absolute leading-[1.22] outline-1 outline-dashed print:outline-none"
      data-testid="label"
      style={{
        left: `${placed.x + sheet.settings.right}mm`,
        top: `${placed.y + sheet.settings.down}mm`,
        width: `${stock.wide}mm`,
        height: `${stock.high}mm`,
        padding: `${padding}mm`,
      }}
    >
      <div ref={text} className="h-full overflow-hidden" style={{ fontSize: `${sizes[size] ?? 7}pt` }}>
        <svg
          role="img"
          aria-label={say("packing.code-leads-ingredients")}
          viewBox={`0 0 ${sheet.code.size} ${sheet.code.size}`}
          className="float-right"
          style={{ width: `${code}mm`, height: `${code}mm` }}
          shapeRendering="crispEdges"
        >
          <path d={sheet.code.path} fill="#000000" />
        </svg>
        <LabelText label={placed.label} settings={sheet.settings} wording={wording} />
      </div>
    </article>
  );
}
