import type { Reference, SetDownMap, Tally } from "../../api/client";
import { centreOf, sizeOf } from "../../api/queries";
import { span } from "../../ui/units";
import type { Draft } from "../order/draft";
import { nameOf } from "../packing/PackageView";
import { CounterSheet, head, tail } from "./CounterSheet";
import { silhouette, tilesOf } from "./outlines";
import { say } from "../../wording/say";

const page = { wide: 297, deep: 210 };
const margin = 10;

interface Props {
  map: SetDownMap;
  number: number;
  draft: Draft;
  tally: Tally;
  reference: Reference;
}

/** A tray's map on one page, smaller than it is; or true to size, on pages to tape together. */
export function SetDownPages({ trueSize, ...props }: Props & { trueSize: boolean }) {
  const { map, number } = props;
  const room = { wide: page.wide - 2 * margin, deep: page.deep - head - tail };
  if (!trueSize) {
    const scale = Math.min(1, room.wide / map.wide, room.deep / map.deep);
    return (
      <Page title={say("paper.tray-its-size", { number, scale: Math.round(scale * 100) })} rounds={roundsOf(props)}>
        <g transform={`translate(${margin} ${head}) scale(${scale.toFixed(4)})`}>
          <rect width={map.wide} height={map.deep} fill="none" stroke="#2b1810" strokeWidth="0.5" />
          <Pieces {...props} />
        </g>
      </Page>
    );
  }
  const tiles = tilesOf(map.wide, map.deep, room.wide, room.deep);
  return tiles.map((tile, i) => (
    <Page
      key={i}
      title={say("paper.tray-true-size-sheet", { number, number2: i + 1, count: tiles.length })}
      rounds={i === 0 ? roundsOf(props) : ""}
    >
      <clipPath id={`tile-${number}-${i}`}>
        <rect x={tile.x} y={tile.y} width={tile.wide} height={tile.deep} />
      </clipPath>
      <g transform={`translate(${margin - tile.x} ${head - tile.y})`} clipPath={`url(#tile-${number}-${i})`}>
        <rect width={map.wide} height={map.deep} fill="none" stroke="#2b1810" strokeWidth="0.5" />
        <rect
          x={tile.x}
          y={tile.y}
          width={tile.wide}
          height={tile.deep}
          fill="none"
          stroke="#6e4e3f"
          strokeWidth="0.3"
          strokeDasharray="2 2"
        />
        <Pieces {...props} />
      </g>
    </Page>
  ));
}

function Page(props: { title: string; rounds: string; children: React.ReactNode }) {
  return (
    <CounterSheet
      paper="paper-a4-wide"
      {...page}
      margin={margin}
      title={props.title}
      says={props.rounds}
      testId="set-down"
    >
      {props.children}
    </CounterSheet>
  );
}

/** The places of its pieces: outline, room of the foot, number; the first of each round says which it is. */
function Pieces({ map, draft, reference }: Props) {
  return map.pieces.map((piece, i) => {
    const line = draft.lines[piece.line];
    const centre = centreOf(reference, line?.centre ?? null);
    const size = sizeOf(reference, line?.centre ?? null, line?.size ?? null);
    const starts = piece.round !== map.pieces[i - 1]?.round;
    const even = piece.round % 2 === 0;
    const small = Math.min(piece.wide, piece.long);
    return (
      <g key={piece.number} transform={`translate(${piece.x} ${piece.y})`}>
        <rect
          x={-piece.wide / 2}
          y={-piece.long / 2}
          width={piece.wide}
          height={piece.long}
          rx={small / 2.4}
          fill={even ? "#efe6d8" : "none"}
          stroke="#6e4e3f"
          strokeWidth="0.25"
          strokeDasharray="1.2 1.2"
        />
        {centre && size && !piece.part && (
          <path
            d={silhouette({ centre, size })}
            transform={`${piece.turned ? "rotate(180) " : ""}translate(0 ${-size.length / 2})`}
            fill="none"
            stroke="#2b1810"
            strokeWidth="0.35"
          />
        )}
        <text textAnchor="middle" y={small * 0.12} fontSize={Math.min(8, small * 0.34)} fontWeight="bold">
          {piece.number}
        </text>
        {starts && (
          <text textAnchor="middle" y={small * 0.36} fontSize={Math.min(5, small * 0.2)}>
            {say("paper.round", { round: piece.round })}
          </text>
        )}
      </g>
    );
  });
}

/** "Dip 6, then sprinkle: 2 min of 3; …": what is done in each kind of round. */
function roundsOf({ map, draft, reference }: Props): string {
  const lines = [...new Set(map.rounds.map((r) => r.line))];
  return lines
    .map((line) => {
      const rounds = map.rounds.filter((r) => r.line === line);
      const [first] = rounds;
      const what = nameOf(line, draft, reference);
      if (first?.takes == null || first.wet === null) return say("paper.one-after-other", { what });
      const times = rounds.length === 1 ? say("paper.one-round") : say("paper.rounds", { count: rounds.length });
      const most = say("paper.most-each", { pieces: first.pieces, takes: span(first.takes) });
      return say("paper.coat-stays-wet", { what, times, most, wet: span(first.wet) });
    })
    .join(" · ");
}
