import type {
  OrderLine,
  Centre,
  CentreSize,
  Decor,
  Part,
  PieceLine,
  LineTally,
  Reference,
  Sprinkle,
} from "../../api/client";
import { centreOf, colourOf, sizeOf } from "../../api/queries";

/** A coat as it is drawn. */
export interface Coat {
  srgb: string;
  /** Thickness in mm: the coat stands out by it. */
  film: number;
  /** At which the piece went in, in degrees; 0 end first. */
  angle: number;
  /** How far it reaches along the way the piece went in, in mm from the middle of the dipped end. */
  upTo: number;
}

/** Everything that is drawn of a piece, in the mm of Core's geometry. */
export interface PieceLook {
  centre: Centre;
  size: CentreSize;
  /** How far its stick reaches beyond it, in mm; nothing for none. */
  stick: number;
  /** What it is set on. */
  disc: { srgb: string; across: number } | undefined;
  /** First to last. */
  coats: [Coat, ...Coat[]];
  patterns: { srgb: string; bead: number; strokes: number[][] }[];
  sprinkles: { kind: Sprinkle; grains: number[] }[];
  parts: { kind: Part; spots: number[] }[];
  lustre: { srgb: string; flecks: number[] } | undefined;
}

/** A line as it will look; nothing while it could not be computed. */
export function pieceOf(
  reference: Reference,
  line: PieceLine & HeldLine & { decor?: Decor | null },
  tally: (Pick<LineTally, "coat" | "dipLine" | "look" | "seen"> & { disc?: LineTally["disc"] }) | undefined,
): PieceLook | undefined {
  const centre = centreOf(reference, line.centre);
  const listed = sizeOf(reference, line.centre, line.size);
  const size = listed && tally?.seen ? { ...listed, ...tally.seen } : listed;
  const colour = colourOf(reference, line.coating, line.colour);
  if (!centre || !size || !colour || !tally) return undefined;
  const look = tally.look;
  const srgbOf = (pot: string) => colourOf(reference, ...(pot.split(".") as [string, string]))?.srgb ?? "#888888";
  const known = <T extends { code: string }>(kinds: T[], code: string) => kinds.filter((k) => k.code === code);
  return {
    centre,
    size,
    stick: stickOf(reference, line, centre),
    disc: tally.disc ? { srgb: srgbOf(tally.disc.pot), across: tally.disc.across } : undefined,
    coats: [
      { srgb: colour.srgb, film: tally.coat, angle: 0, upTo: tally.dipLine },
      ...(look?.over ?? []).map((over) => ({
        srgb: srgbOf(`${over.coating}.${over.colour}`),
        film: tally.coat + over.coat,
        angle: over.angle,
        upTo: over.upTo,
      })),
    ],
    patterns: (look?.patterns ?? []).map(({ pot, bead, strokes }) => ({ srgb: srgbOf(pot), bead, strokes })),
    sprinkles: (look?.sprinkles ?? []).flatMap(({ kind, grains }) =>
      known(reference.decor.sprinkles, kind).map((kind) => ({ kind, grains })),
    ),
    parts: (look?.parts ?? []).flatMap(({ kind, spots, moulded }) =>
      known(reference.decor.parts, kind).map((kind) => ({
        kind: moulded ? { ...kind, srgb: srgbOf(moulded) } : kind,
        spots,
      })),
    ),
    lustre: look?.flecks.length
      ? {
          srgb: reference.decor.lustres.find((l) => l.code === line.decor?.paint?.kind)?.srgb ?? "#ffffff",
          flecks: look.flecks,
        }
      : undefined,
  };
}

/** How far a drawn piece reaches beyond its silhouette: leaves or a stick. */
export function overhang({ centre, stick }: { centre: Centre | undefined; stick: number }): number {
  return Math.max(stick, centre?.code === "strawberry" ? 7 : 0);
}

const stub = 15;

/** What a line says of how its pieces are held. */
interface HeldLine {
  making?: OrderLine["making"];
  upright?: boolean | null;
}

/** How far the stick is seen beyond a piece: all of it when it lies, which takes room, else as much as tells that it is there. */
export function stickOf(reference: Reference, line: PieceLine & HeldLine, centre: Centre): number {
  const on = line.making?.on ?? (centre.holding === "stick" ? "stick" : "none");
  if (on === "none" || centre.figure) return 0;
  const long = reference.supplies.find((s) => s.code === on)?.long;
  const size = sizeOf(reference, line.centre, line.size);
  return long && size && !(line.upright ?? centre.upright) ? Math.max(stub, long - size.length / 2) : stub;
}

const slender = 6;
const beyondDip = 26;

/** How much of its length is shown when it stands alone: of a long rod the dipped end, as large as any other piece. */
export const shownOf = ({ size, coats }: PieceLook) =>
  size.length > size.width * slender ? Math.min(size.length, coats[0].upTo + beyondDip) : size.length;

export type Point = readonly [x: number, y: number];
export const n = (value: number) => value.toFixed(2);
export const at = ([x, y]: Point) => `${n(x)} ${n(y)}`;

/** Points as a closed SVG path. */
export const closed = (points: Point[]) => `M${points.map(at).join("L")}Z`;

/** A piece's silhouette: from the dipped end up one side and down the other, each point as far across and along. */
export function ringOf({ profile }: CentreSize): Point[] {
  const side = profile.map((p): Point => [p.halfWidth, p.along]);
  return [...side, ...side.toReversed().map(([x, along]): Point => [-x, along])];
}

/** How far down the sheet a point lies, by how far it is from the dipped end. */
export const downOf =
  ({ centre, size }: Pick<PieceLook, "centre" | "size">) =>
  (along: number) =>
    centre.dippedEndUp ? along : size.length - along;

/** x, y, x, y … as points. */
export function pairs(flat: number[]): Point[] {
  const points: Point[] = [];
  for (let i = 0; i + 1 < flat.length; i += 2) points.push([flat[i] ?? 0, flat[i + 1] ?? 0]);
  return points;
}
