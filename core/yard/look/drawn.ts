import { mix, opposite, pickShare, type Direction, type Vec3 } from '../../space/index.ts';
import { matches } from '../block/rows.ts';
import type { Meant, Numbers } from '../grid/numbers.ts';
import type { PackWorld, YardBlock, YardDisplay } from '../pack-world.ts';
import { facesOf, type Face } from './faces.ts';

/** A face with all that drawing it needs to know. */
export interface DrawnFace extends Face {
  id: number;
  display: YardDisplay;
  /** Whether it is a whole side of the cell with a whole picture: such faces may be merged. */
  isWhole: boolean;
}

/** What stands in a place as faces. The same list is given wherever the same is chosen. */
export type Drawn = readonly DrawnFace[];

const markerDisplay: YardDisplay = {
  alphaMode: 'opaque',
  hidesNeighbours: 'never',
  joinsOwnKind: false,
  tint: 'none',
  scatter: 0,
  shadedCorners: false,
  soundSet: 'obrank:stone',
};
const markerCandidate = { model: '', front: 'south', top: 'up' } as const;

type Hides = 'always' | 'never' | 'by what is there';

interface Row {
  faces: readonly Drawn[];
  shares: readonly number[];
}

/**
 * What is drawn for a number of a cell at a place, by the section Looks of the format: the rows that
 * match, and of each the candidate that the place chooses.
 *
 * @example new Looks(world, numbers).at(number, [3, 1, 4]).length // 6 for a cube
 */
export class Looks {
  private readonly rows: (readonly Row[])[] = [];
  private readonly hiding: Hides[] = [];
  private readonly inSides: boolean[] = [];
  private readonly chosen = new Map<string, Drawn>();
  private readonly made = new Map<string, Drawn>();
  private nextId = 1;

  constructor(
    private readonly world: PackWorld,
    private readonly numbers: Numbers,
  ) {}

  at(number: number, place: Vec3): Drawn {
    const rows = (this.rows[number] ??= this.rowsOf(number));
    const [only] = rows;
    if (!only) return [];
    if (rows.length === 1 && only.faces.length === 1) return only.faces[0] ?? [];
    const picks = rows.map(({ shares }, n) => pick(shares, place, n));
    const key = `${number} ${picks.join(' ')}`;
    let drawn = this.chosen.get(key);
    if (!drawn) {
      drawn = rows.flatMap(({ faces }, n) => faces[picks[n] ?? 0] ?? []);
      this.chosen.set(key, drawn);
    }
    return drawn;
  }

  /** Whether what a number stands for hides faces of its neighbours, as far as that alone says. */
  hides(number: number): Hides {
    return (this.hiding[number] ??= this.hidesOf(number));
  }

  /** Whether everything that a number may show lies in the sides of its cell, and does not stray. */
  liesInSides(number: number): boolean {
    return (this.inSides[number] ??= (this.rows[number] ??= this.rowsOf(number)).every(
      ({ faces }) => faces.flat().every(({ side, display }) => side && display.scatter === 0),
    ));
  }

  private hidesOf(number: number): Hides {
    const meant = this.numbers.meant(number);
    const display = meant?.kind === 'block' ? meant.block.look?.display : undefined;
    if (!display) return 'never';
    if (display.hidesNeighbours === 'whole') return 'always';
    return display.hidesNeighbours === 'never' && !display.joinsOwnKind
      ? 'never'
      : 'by what is there';
  }

  private rowsOf(number: number): Row[] {
    const meant = this.numbers.meant(number);
    if (!meant || meant.kind === 'fluid') return [];
    const rows = meant.kind === 'block' ? rowsShown(meant) : undefined;
    if (meant.kind === 'unknown' || !meant.block.look || !rows)
      return [{ faces: [this.facesFor(markerCandidate, markerDisplay)], shares: [1] }];
    const { display } = meant.block.look;
    return rows.map(({ use }) => ({
      faces: use.map((candidate) => this.facesFor(candidate, display)),
      shares: use.map(({ share = 1 }) => share),
    }));
  }

  private facesFor(
    candidate: Parameters<typeof facesOf>[0],
    display: YardDisplay,
  ): readonly DrawnFace[] {
    const { model, front, top, upright = false } = candidate;
    const key = `${model} ${front} ${top} ${upright} ${JSON.stringify(display)}`;
    let faces = this.made.get(key);
    if (!faces) {
      faces = facesOf(candidate, this.world.view).map((face) => ({
        ...face,
        id: this.nextId++,
        display,
        isWhole: isWhole(face) && display.scatter === 0,
      }));
      this.made.set(key, faces);
    }
    return faces;
  }
}

/** The rows that are drawn; undefined where `one-of` has none for the state. */
function rowsShown({
  block,
  state,
}: Extract<Meant, { kind: 'block' }>): NonNullable<YardBlock['look']>['rows'] | undefined {
  const { look, space } = block;
  const decoded = space.decode(state);
  const fit = (look?.rows ?? []).filter(({ when }) => matches(when, decoded));
  if (look?.mode === 'layered') return fit;
  return fit.length ? fit.slice(0, 1) : undefined;
}

/** Row number n takes z + 65,536 n for z. */
const pick = (shares: readonly number[], [x, y, z]: Vec3, row: number): number =>
  shares.length < 2 ? 0 : pickShare(shares, mix(x, y, z + 65_536 * row));

const isUnit = (part: number | undefined): boolean => part === 0 || part === 1;

const isWhole = ({ side, corners, uv }: Face): boolean =>
  side !== undefined &&
  corners.every((point) => point.every(isUnit)) &&
  uv.every((point) => point.every(isUnit)) &&
  new Set(uv.map((point) => point.join(' '))).size === 4 &&
  new Set(corners.map((point) => point.join(' '))).size === 4;

/** A rectangle in a side of the cell, across the two other axes in their order. */
type Flat = readonly [fromU: number, fromV: number, toU: number, toV: number];

const acrossOf: Record<Direction, readonly [0 | 1 | 2, 0 | 1 | 2]> = {
  north: [0, 1],
  south: [0, 1],
  east: [1, 2],
  west: [1, 2],
  up: [0, 2],
  down: [0, 2],
};

const flatOf = ({ corners }: Face, side: Direction): Flat => {
  const [a, b] = acrossOf[side];
  const us = corners.map((point) => point[a]);
  const vs = corners.map((point) => point[b]);
  return [Math.min(...us), Math.min(...vs), Math.max(...us), Math.max(...vs)];
};

const tiny = 1e-6;
const flats = new WeakMap<Drawn, Map<Direction, { all: Flat[]; isFull: boolean }>>();

/** The rectangles of what lies in a side of a cell, and whether they fill it. */
function lyingIn(drawn: Drawn, side: Direction): { all: Flat[]; isFull: boolean } {
  const known = flats.get(drawn) ?? new Map<Direction, { all: Flat[]; isFull: boolean }>();
  flats.set(drawn, known);
  let found = known.get(side);
  if (!found) {
    const all = drawn.filter((face) => face.side === side).map((face) => flatOf(face, side));
    found = { all, isFull: isCovered([0, 0, 1, 1], all) };
    known.set(side, found);
  }
  return found;
}

/** Whether rectangles together leave nothing of another one open. */
function isCovered([fromU, fromV, toU, toV]: Flat, by: readonly Flat[]): boolean {
  const cuts = (low: number, high: number, from: 0 | 1) =>
    [...new Set([low, high, ...by.flatMap((one) => [one[from], one[from === 0 ? 2 : 3]])])]
      .filter((cut) => cut >= low && cut <= high)
      .sort((a, b) => a - b);
  const between = (list: number[]) =>
    list.slice(1).flatMap((to, i) => {
      const from = list[i] ?? to;
      return to - from > tiny ? [(from + to) / 2] : [];
    });
  const rows = between(cuts(fromV, toV, 1));
  return between(cuts(fromU, toU, 0)).every((u) =>
    rows.every((v) => by.some(([a, b, c, d]) => a < u && u < c && b < v && v < d)),
  );
}

/** What stands beyond a side of a cell, as far as hiding goes. */
export interface Neighbour {
  block: string | undefined;
  display: YardDisplay | undefined;
  drawn: () => Drawn;
}

/**
 * Whether a neighbour hides a face that lies in a side of its cell, by the section Reference physics:
 * always, where what lies in that side fills it or covers the face, or as one of its own kind.
 */
export function isHidden(face: DrawnFace, block: string, neighbour: Neighbour): boolean {
  const { side } = face;
  const { display } = neighbour;
  if (!side || !display || face.display.scatter > 0) return false;
  if (neighbour.block === block && display.joinsOwnKind) return true;
  if (display.hidesNeighbours === 'whole') return true;
  if (display.hidesNeighbours === 'never') return false;
  const there = lyingIn(neighbour.drawn(), opposite(side));
  if (there.isFull) return true;
  return display.hidesNeighbours === 'by shape' && isCovered(flatOf(face, side), there.all);
}
