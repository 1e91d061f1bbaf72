import type { LineTally, Reference } from "../../api/client";
import { useWording } from "../../ui/units";
import { Piece } from "../piece/Piece";
import { overhang, pairs, pieceOf, shownOf, type Point } from "../piece/points";
import type { Designed } from "./designed";
import { say } from "../../wording/say";

const sheet = { wide: 560, tall: 452 };
const room = { wide: 300, tall: 400 };
const apart = 46;

interface Callout {
  title: string;
  text: string;
  /** On the piece, in mm. */
  at: Point;
  right: boolean;
}

/** One piece, large on parchment, with what there is to know about it beside it. */
export function LargePiece(props: {
  design: Designed;
  tally: LineTally | undefined;
  reference: Reference;
  notes: Record<string, string>;
  label: string;
}) {
  const { design, tally, reference } = props;
  const callouts = useCallouts(design, tally, reference, props.notes);
  const look = pieceOf(reference, design, tally);
  if (!look || !tally) return <div className="rounded-tray border-rim bg-parchment aspect-[560/452] border-8" />;
  const { length, width } = look.size;
  const top = overhang(look);
  const shown = shownOf(look);
  const scale = Math.min(room.tall / (shown + top), room.wide / width);
  const x0 = sheet.wide / 2;
  const y0 = (shown < length ? sheet.tall - shown * scale : (sheet.tall - (shown - top) * scale) / 2) - 2;
  const onSheet = ([x, y]: Point): Point => [x0 + x * scale, y0 + y * scale];

  return (
    <div className="rounded-tray border-rim bg-parchment text-parchment-ink relative border-8">
      <svg aria-hidden viewBox="0 0 26 26" className="absolute top-0 right-0 size-9">
        <path d="M0 0H26V26Z" className="fill-ground" />
        <path d="M0 0V18Q0 26 8 26H26Z" className="fill-curl" />
      </svg>
      <svg
        role="img"
        aria-label={props.label}
        viewBox={`0 0 ${sheet.wide} ${sheet.tall}`}
        className="block w-full"
        data-testid="large-piece"
      >
        <g transform={`translate(${x0} ${y0}) scale(${scale})`}>
          <Piece look={look} seed={3} fine />
        </g>
        {[false, true].flatMap((right) =>
          spread(callouts.filter((c) => c.right === right).map((c) => ({ ...c, at: onSheet(c.at) }))).map((c) => (
            <g key={c.title + c.text} className="max-sm:hidden">
              <path
                d={`M${c.at[0]} ${c.at[1]}L${right ? sheet.wide - 132 : 126} ${c.y}`}
                className="stroke-parchment-ink2"
                strokeWidth="1.2"
              />
              <circle cx={c.at[0]} cy={c.at[1]} r="3" className="fill-parchment-ink2" />
              <text
                x={right ? sheet.wide - 126 : 120}
                y={c.y + 1}
                textAnchor={right ? "start" : "end"}
                className="fill-parchment-ink text-[14px] font-bold"
              >
                {c.title}
              </text>
              <text
                x={right ? sheet.wide - 126 : 120}
                y={c.y + 17}
                textAnchor={right ? "start" : "end"}
                className="fill-parchment-ink2 text-[13px]"
              >
                {c.text}
              </text>
            </g>
          )),
        )}
      </svg>
    </div>
  );
}

/** Labels of one side, from the top, none on another. */
function spread<T extends { at: Point }>(callouts: T[]): (T & { y: number })[] {
  const placed: (T & { y: number })[] = [];
  for (const callout of callouts.toSorted((a, b) => a.at[1] - b.at[1])) {
    const above = placed.at(-1)?.y ?? 0;
    placed.push({ ...callout, y: Math.max(callout.at[1], above + apart, 40) });
  }
  const over = (placed.at(-1)?.y ?? 0) - (sheet.tall - 34);
  return over > 0 ? placed.map((c) => ({ ...c, y: c.y - over })) : placed;
}

function useCallouts(
  design: Designed,
  tally: LineTally | undefined,
  reference: Reference,
  notes: Record<string, string>,
): Callout[] {
  const wording = useWording();
  const look = pieceOf(reference, design, tally);
  if (!look || !tally) return [];
  const { size, centre } = look;
  const mm = (value: number) => wording.value(value, "mm");
  const y = (along: number) => (centre.dippedEndUp ? along : size.length - along);
  const halfAt = (along: number) => size.profile.find((p) => p.along >= along)?.halfWidth ?? 0;
  const dip = tally.dipLine;
  const whole = dip >= size.length - 0.01;
  const callouts: Callout[] = [];
  if (!whole)
    callouts.push({
      title: say("looks.dip-line"),
      text: say("looks.dip-of-count", { dip: mm(dip), count: mm(size.length) }),
      at: [halfAt(dip), y(dip)],
      right: true,
    });
  callouts.push({
    title: say("looks.coat-2", { coat: mm(Math.round(tally.coat * 10) / 10) }),
    text: notes.coats ? say("looks.sheer-shows-through") : say("looks.no-sheer-spots"),
    at: [-halfAt(dip * 0.62) * 0.92, y(dip * 0.62)],
    right: false,
  });
  tally.look?.patterns.slice(0, 3).forEach((pattern, i) => {
    const stroke = pairs(pattern.strokes[Math.floor(pattern.strokes.length * (0.55 + i * 0.15))] ?? []);
    const point = stroke.reduce<Point | undefined>((far, p) => (!far || p[0] > far[0] ? p : far), undefined);
    const kind = reference.decor.patterns.find((k) => k.code === pattern.kind);
    if (point)
      callouts.push({
        title: kind?.name ?? pattern.kind,
        text:
          pattern.kind === "dots"
            ? say("looks.across", { bead: mm(pattern.bead) })
            : say("looks.tip", { tip: mm(pattern.tip) }),
        at: point,
        right: true,
      });
  });
  tally.look?.sprinkles.forEach((sprinkle, i) => {
    const grains = pairs(sprinkle.grains);
    const grain = grains.reduce<Point | undefined>((far, p) => (!far || p[0] < far[0] ? p : far), undefined);
    const kind = reference.decor.sprinkles.find((k) => k.code === sprinkle.kind);
    if (grain)
      callouts.push({
        title: kind?.name ?? sprinkle.kind,
        text: { front: say("looks.one-side"), both: say("ui.all-round"), tip: say("looks.tip-only") }[
          design.decor.sprinkles[i]?.side ?? "front"
        ],
        at: grain,
        right: false,
      });
  });
  if (!centre.dippedEndUp && centre.holding !== "mould") {
    const foot = tally.foot.value >= 0.05;
    const upright = design.upright ?? centre.upright;
    callouts.push({
      title: foot ? say("ui.foot", { foot: wording.mass(tally.foot.value) }) : say("ui.no-foot"),
      text: upright ? say("looks.stood-up-set") : say("ui.laid-flat"),
      at: [0, size.length],
      right: false,
    });
  }
  return callouts;
}
