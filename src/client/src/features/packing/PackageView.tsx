import { useRef } from "react";
import type { LineTally, OrderLine, Package, Reference, Tally } from "../../api/client";
import { centreOf, colourOf, sizeOf } from "../../api/queries";
import type { Draft } from "../order/draft";
import { useLineLook } from "../piece/useLineLook";
import { usePictures } from "../piece/usePictures";
import { say } from "../../wording/say";

const variants = 4;
const wall = 3;

interface Props {
  pack: Package;
  draft: Draft;
  tally: Tally;
  reference: Reference;
  /** The place whose piece was picked up. */
  held: number | undefined;
  /** A place was chosen, by a tap, a key or at the end of a drag. */
  choose: ((cell: number) => void) | undefined;
}

/** A box, bag or bouquet from above, to scale, with its pieces as they will look. */
export function PackageView({ pack, draft, tally, reference, held, choose }: Props) {
  const lines = [...new Set(pack.pieces.map((p) => p.line))];
  return (
    <div className="relative">
      <svg
        role="img"
        aria-label={saidOf(pack, draft, reference)}
        viewBox={`${-wall} ${-wall} ${pack.wide + 2 * wall} ${pack.deep + 2 * wall}`}
        className="block w-full"
      >
        <Ground pack={pack} />
        {lines.map((line) => (
          <Pieces
            key={line}
            seed={line * 31}
            pack={pack}
            of={line}
            line={draft.lines[line]}
            tally={tally.lines.find((l) => l.line === line)}
            reference={reference}
          />
        ))}
      </svg>
      {choose && pack.rows > 0 && (
        <Places pack={pack} held={held} choose={choose} nameOf={(line) => nameOf(line, draft, reference)} />
      )}
    </div>
  );
}

/** What its pieces lie on. */
function Ground({ pack }: { pack: Package }) {
  if (pack.kind === "bag") return null;
  if (pack.kind === "bouquet")
    return (
      <circle
        cx={pack.wide / 2}
        cy={pack.deep / 2}
        r={pack.wide / 2 + wall / 2}
        className="fill-parchment stroke-rim"
      />
    );
  const [wide, deep] = [pack.wide / Math.max(1, pack.columns), pack.deep / Math.max(1, pack.rows)];
  const cup = Math.min(wide, deep) / 2 - 1.5;
  return (
    <>
      <rect
        x={-wall / 2}
        y={-wall / 2}
        width={pack.wide + wall}
        height={pack.deep + wall}
        rx="3"
        className="fill-parchment stroke-board-edge"
        strokeWidth={wall}
      />
      {Array.from({ length: pack.rows * pack.columns }, (_, cell) => (
        <circle
          key={cell}
          cx={((cell % pack.columns) + 0.5) * wide}
          cy={(Math.floor(cell / pack.columns) + 0.5) * deep}
          r={cup}
          className="fill-curl"
        />
      ))}
    </>
  );
}

function Pieces(props: {
  seed: number;
  pack: Package;
  of: number;
  line: OrderLine | undefined;
  tally: LineTally | undefined;
  reference: Reference;
}) {
  const { pack, of, line, reference } = props;
  const pictures = usePictures(useLineLook(line, props.tally, reference), props.seed, variants);
  const length = sizeOf(reference, line?.centre ?? null, line?.size ?? null)?.length ?? 40;
  const turned = pack.rows > 0 && length > pack.deep / pack.rows;
  return pack.pieces
    .map((piece, i) => ({ piece, i }))
    .filter(({ piece }) => piece.line === of)
    .map(({ piece, i }) => (
      <image
        key={i}
        {...pictures[(i * 7) % variants]}
        transform={`translate(${piece.x} ${piece.y}) rotate(${(piece.turned ? 180 : 0) + (turned ? 90 : 0)}) translate(0 ${-length / 2})`}
      />
    ));
}

const arrows: Record<string, [across: number, down: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The places of a box with rows: a piece is picked up and put down by tap, key or drag. */
function Places(props: {
  pack: Package;
  held: number | undefined;
  choose: (cell: number) => void;
  nameOf: (line: number) => string;
}) {
  const { pack, held, choose, nameOf } = props;
  const grid = useRef<HTMLDivElement>(null);
  const go = (cell: number, [across, down]: [number, number]) => {
    const [row, column] = [Math.floor(cell / pack.columns) + down, (cell % pack.columns) + across];
    if (row < 0 || row >= pack.rows || column < 0 || column >= pack.columns) return;
    const next = grid.current?.children[row * pack.columns + column];
    if (next instanceof HTMLElement) next.focus();
  };
  const called = (cell: number) =>
    say("packing.row-place", { cell: Math.floor(cell / pack.columns) + 1, cell2: (cell % pack.columns) + 1 });
  const [edgeX, edgeY] = [wall / (pack.wide + 2 * wall), wall / (pack.deep + 2 * wall)].map((s) => `${s * 100}%`);
  return (
    <div
      ref={grid}
      role="group"
      aria-label={say("packing.places")}
      className="absolute grid print:hidden"
      style={{
        inset: `${edgeY} ${edgeX}`,
        gridTemplateColumns: `repeat(${pack.columns}, 1fr)`,
        gridTemplateRows: `repeat(${pack.rows}, 1fr)`,
      }}
    >
      {pack.cells.map((line, cell) => (
        <button
          key={cell}
          type="button"
          draggable
          aria-pressed={held === cell}
          aria-label={`${called(cell)}: ${line < 0 ? say("packing.empty") : nameOf(line)}`}
          className={`m-[2%] cursor-grab rounded-full ${held === cell ? "ring-act ring-4" : "hover:ring-act/60 hover:ring-2"}`}
          onClick={() => choose(cell)}
          onDragStart={(e) => {
            e.dataTransfer.effectAllowed = "move";
            if (held !== cell) choose(cell);
          }}
          onDragOver={(e) => e.preventDefault()}
          onDrop={(e) => {
            e.preventDefault();
            choose(cell);
          }}
          onKeyDown={(e) => {
            const arrow = arrows[e.key];
            if (arrow) {
              e.preventDefault();
              go(cell, arrow);
            }
            if (e.key === "Escape" && held !== undefined) choose(held);
          }}
        />
      ))}
    </div>
  );
}

/** A line's pieces in words: "dark strawberries". */
export function nameOf(line: number, draft: Draft, reference: Reference, count = 2): string {
  const of = draft.lines[line];
  const centre = centreOf(reference, of?.centre ?? null);
  const colour = colourOf(reference, of?.coating ?? null, of?.colour ?? null);
  const size = centre && centre.sizes.length > 1 ? sizeOf(reference, centre.code, of?.size ?? null)?.name : undefined;
  return [colour?.name, size, count === 1 ? centre?.name : centre?.plural].filter(Boolean).join(" ");
}

const saidOf = (pack: Package, draft: Draft, reference: Reference) =>
  `${pack.name}: ${pack.holds.map((h) => `${h.count} ${nameOf(h.line, draft, reference, h.count)}`).join(", ")}`;
