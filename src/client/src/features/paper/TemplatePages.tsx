import type { OrderLine, Reference, Tally } from "../../api/client";
import type { Draft } from "../order/draft";
import { nameOf } from "../packing/PackageView";
import { pairs, pieceOf, type PieceLook } from "../piece/points";
import { CounterSheet, head, tail } from "./CounterSheet";
import { dipEdge, fitting, silhouette } from "./outlines";
import { say } from "../../wording/say";

const page = { wide: 210, deep: 297 };
const margin = 12;
const gap = 8;

/** A page to lie under parchment for each line: outlines, the dip's edge and drizzle lines, true to size. */
export function TemplatePages(props: { draft: Draft; tally: Tally; reference: Reference; mirrored: boolean }) {
  const { draft, tally, reference, mirrored } = props;
  return draft.lines.map((line, i) => {
    const look = pieceOf(
      reference,
      line,
      tally.lines.find((l) => l.line === i),
    );
    const name = nameOf(i, draft, reference);
    if (!look) return null;
    return (
      <div key={line.id} className="contents">
        <Page title={say("paper.true-size", { name, mirrored: mirrored ? say("paper.mirrored") : "" })}>
          <Outlines look={look} mirrored={mirrored} />
        </Page>
        {isBar(line, look) && (
          <Page title={say("paper.cutting-grid", { name })}>
            <CuttingGrid look={look} />
          </Page>
        )}
      </div>
    );
  });
}

const isBar = (line: OrderLine, look: PieceLook) => look.centre.shape === "box" && line.centre === "coconut-bar";

function Page(props: { title: string; children: React.ReactNode }) {
  return (
    <CounterSheet
      paper="paper-a4"
      {...page}
      margin={margin}
      title={props.title}
      says={say("paper.lay-under-parchment-printed-side")}
      testId="template"
    >
      {props.children}
    </CounterSheet>
  );
}

/** As many outlines as the page takes. */
function Outlines({ look, mirrored }: { look: PieceLook; mirrored: boolean }) {
  const { width, length } = look.size;
  const lies = width > page.wide - 2 * margin;
  const columns = fitting(page.wide - 2 * margin, width, gap);
  const rows = fitting(page.deep - head - tail, length, gap);
  const pitch = (page.wide - 2 * margin) / columns;
  const edge = dipEdge(look);
  const placed = (i: number) => {
    const [x, y] = [margin + pitch * ((i % columns) + 0.5), head + Math.floor(i / columns) * (length + gap)];
    return `translate(${x} ${y})${mirrored ? " scale(-1 1)" : ""}`;
  };
  return Array.from({ length: columns * rows }, (_, i) => (
    <g key={i} transform={placed(i)} fill="none" stroke="#2b1810" strokeLinecap="round" strokeLinejoin="round">
      {!lies && <path data-testid="outline" d={silhouette(look)} strokeWidth="0.4" />}
      {edge !== undefined && (
        <path d={`M${-width / 2} ${edge}H${width / 2}`} strokeWidth="0.3" strokeDasharray="1.5 1.5" stroke="#6e4e3f" />
      )}
      {look.patterns.flatMap((pattern, p) =>
        pattern.strokes.map((stroke, s) => {
          const points = pairs(stroke);
          const [first] = points;
          return points.length === 1 && first ? (
            <circle key={`${p}-${s}`} cx={first[0]} cy={first[1]} r={pattern.bead / 2} strokeWidth="0.3" />
          ) : (
            <polyline
              key={`${p}-${s}`}
              points={points.map(([x, y]) => `${x.toFixed(2)},${y.toFixed(2)}`).join(" ")}
              strokeWidth="0.5"
              stroke="#b01f4a"
            />
          );
        }),
      )}
    </g>
  ));
}

/** Lines to cut a slab along, with a cross at each corner. */
function CuttingGrid({ look }: { look: PieceLook }) {
  const { width, length } = look.size;
  const columns = Math.max(1, Math.floor((page.wide - 2 * margin) / width));
  const rows = Math.max(1, Math.floor((page.deep - head - tail) / length));
  const [wide, deep] = [columns * width, rows * length];
  return (
    <g transform={`translate(${(page.wide - wide) / 2} ${head})`} fill="none" stroke="#2b1810" strokeWidth="0.35">
      {Array.from({ length: columns + 1 }, (_, i) => (
        <path key={`c${i}`} data-testid="cut" d={`M${i * width} 0V${deep}`} />
      ))}
      {Array.from({ length: rows + 1 }, (_, i) => (
        <path key={`r${i}`} data-testid="cut" d={`M0 ${i * length}H${wide}`} />
      ))}
    </g>
  );
}
