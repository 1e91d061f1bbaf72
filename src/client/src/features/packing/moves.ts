import type { Package } from "../../api/client";

/** A place in a box with rows. */
export interface Place {
  box: number;
  cell: number;
}

/** Boxes that hold the same in the same places, shown once. */
export interface Alike {
  first: Package;
  /** Their places among all packages. */
  at: number[];
}

/** Packages that look the same, together, in the order that they are filled. */
export function alike(packages: Package[]): Alike[] {
  const groups = new Map<string, Alike>();
  packages.forEach((pack, i) => {
    const key = JSON.stringify([pack.supply, pack.cells, pack.pieces]);
    const group = groups.get(key);
    if (group) group.at.push(i);
    else groups.set(key, { first: pack, at: [i] });
  });
  return [...groups.values()];
}

/**
 * What lies where after two pieces have changed places: box by box, of those with rows. Within a box that stands for several it is done in
 * all of them.
 */
export function exchanged(packages: Package[], groups: Alike[], from: Place, to: Place): number[][] {
  const cells = packages.map((pack) => [...pack.cells]);
  const pairs = from.box === to.box ? inEach(groups[from.box], from, to) : [betweenBoxes(groups, from, to)];
  for (const [a, b] of pairs) {
    const [boxA, boxB] = [cells[a.box], cells[b.box]];
    if (!boxA || !boxB) continue;
    const [pieceA, pieceB] = [boxA[a.cell] ?? -1, boxB[b.cell] ?? -1];
    boxA[a.cell] = pieceB;
    boxB[b.cell] = pieceA;
  }
  return cells.filter((_, i) => (packages[i]?.rows ?? 0) > 0);
}

const inEach = (group: Alike | undefined, from: Place, to: Place): [Place, Place][] =>
  (group?.at ?? []).map((box) => [
    { box, cell: from.cell },
    { box, cell: to.cell },
  ]);

// Of boxes that are alike the last one is told apart.
const betweenBoxes = (groups: Alike[], from: Place, to: Place): [Place, Place] => [
  { box: groups[from.box]?.at.at(-1) ?? -1, cell: from.cell },
  { box: groups[to.box]?.at.at(-1) ?? -1, cell: to.cell },
];
