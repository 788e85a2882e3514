import { itemAt } from '../lists/index.ts';
import type { Box } from '../mod/entries.schema.ts';
import { sides, sideStep, type AxisIndex, type PlainBox, type Side } from '../space/index.ts';

type Sided = Pick<Box, 'at' | 'size' | 'spin' | 'sides'>;

/** A side of a box by the number of the box. */
export interface BoxFace {
  box: number;
  side: Side;
}

/** A side as a rectangle: across the two other axes, in their order. */
interface Flat {
  axis: AxisIndex;
  /** 1 where it looks along the axis, −1 where against it. */
  way: number;
  /** Where on the axis it lies. */
  plane: number;
  from: readonly [number, number];
  to: readonly [number, number];
}

const across = [
  [1, 2],
  [0, 2],
  [0, 1],
] as const;

function flatOf({ at, size }: PlainBox, side: Side): Flat {
  const step = sideStep(side);
  const axis = step.findIndex((value) => value !== 0) as AxisIndex;
  const way = step[axis];
  const [u, v] = across[axis];
  return {
    axis,
    way,
    plane: at[axis] + (way > 0 ? size[axis] : 0),
    from: [at[u], at[v]],
    to: [at[u] + size[u], at[v] + size[v]],
  };
}

const tiny = 1e-6;
const area = ({ from, to }: Flat): number => (to[0] - from[0]) * (to[1] - from[1]);
const meets = (a: Flat, b: Flat): boolean =>
  [0, 1].every(
    (i) => itemAt(a.from, i) < itemAt(b.to, i) - tiny && itemAt(b.from, i) < itemAt(a.to, i) - tiny,
  );

/** The drawn sides of boxes that lie along the axes, each as a rectangle. */
const flats = (boxes: readonly Sided[]): (BoxFace & { flat: Flat })[] =>
  boxes.flatMap((box, index) =>
    box.spin?.by
      ? []
      : sides.flatMap((side) =>
          box.sides[side] ? [{ box: index, side, flat: flatOf(box, side) }] : [],
        ),
  );

/**
 * Drawn sides without an area: the edges of a flat box.
 *
 * @example sidesWithoutArea([{ at: [0, 0, 8], size: [16, 16, 0], sides: { top: … } }])
 */
export const sidesWithoutArea = (boxes: readonly Sided[]): BoxFace[] =>
  boxes.flatMap((box, index) =>
    sides.flatMap((side) => {
      const flat = flatOf(box, side);
      const isEdge = Math.abs(area(flat)) < tiny;
      return box.sides[side] && isEdge ? [{ box: index, side }] : [];
    }),
  );

/**
 * Pairs of drawn sides of different boxes that lie in one plane, look the same way and overlap, so
 * that nobody knows which of them shows. Pairs that show the same picture there are left out.
 */
export function facesInOnePlane(boxes: readonly Sided[]): [BoxFace, BoxFace][] {
  const byPlane = new Map<string, (BoxFace & { flat: Flat })[]>();
  for (const face of flats(boxes)) {
    if (area(face.flat) < tiny) continue;
    const key = `${face.flat.axis} ${face.flat.way} ${face.flat.plane.toFixed(4)}`;
    const list = byPlane.get(key);
    if (list) list.push(face);
    else byPlane.set(key, [face]);
  }
  return [...byPlane.values()].flatMap((faces) =>
    faces.flatMap((one, i) =>
      faces.slice(i + 1).flatMap((other): [BoxFace, BoxFace][] => {
        const isPair =
          one.box !== other.box && meets(one.flat, other.flat) && !showSame(boxes, one, other);
        const face = ({ box, side }: BoxFace): BoxFace => ({ box, side });
        return isPair ? [[face(one), face(other)]] : [];
      }),
    ),
  );
}

/** True where both show the part of one picture that lies there as if the block were whole. */
function showSame(boxes: readonly Sided[], a: BoxFace, b: BoxFace): boolean {
  const [one, other] = [a, b].map(({ box, side }) => boxes[box]?.sides[side]);
  const isPlain = (made: typeof one) => made && !made.crop && !made.quarters && !made.mirrored;
  return Boolean(isPlain(one) && isPlain(other) && one?.slot === other?.slot);
}

/**
 * Drawn sides that nobody can ever see, since other boxes cover them whole. `isSolid` says through
 * which boxes one does not see.
 */
export function coveredFaces(
  boxes: readonly Sided[],
  isSolid: (box: number) => boolean,
): BoxFace[] {
  const solid = boxes.flatMap((box, index) =>
    !box.spin?.by && box.size.every((length) => length > tiny) && isSolid(index)
      ? [{ box, index }]
      : [],
  );
  return flats(boxes).flatMap(({ box, side, flat }) => {
    if (area(flat) < tiny) return [];
    const covers = solid.flatMap(({ box: other, index }) => {
      const low = other.at[flat.axis];
      const high = low + other.size[flat.axis];
      // Right before the side there must be something of the other box.
      const isBefore =
        flat.way > 0
          ? low <= flat.plane + tiny && high > flat.plane + tiny
          : high >= flat.plane - tiny && low < flat.plane - tiny;
      return index !== box && isBefore ? [flatOf(other, side)] : [];
    });
    return isCovered(flat, covers) ? [{ box, side }] : [];
  });
}

/** Whether rectangles together leave nothing of another open, by the cells between their edges. */
function isCovered(flat: Flat, covers: readonly Flat[]): boolean {
  const near = covers.filter((cover) => meets(flat, cover));
  if (!near.length) return false;
  const cuts = [0, 1].map((i) => {
    const [from, to] = [itemAt(flat.from, i), itemAt(flat.to, i)];
    const inside = near
      .flatMap((cover) => [itemAt(cover.from, i), itemAt(cover.to, i)])
      .filter((value) => value > from && value < to);
    return [from, ...inside, to].sort((a, b) => a - b);
  });
  const middles = cuts.map((list) =>
    list
      .slice(1)
      .flatMap((to, i) => (to - itemAt(list, i) > tiny ? [(to + itemAt(list, i)) / 2] : [])),
  );
  return itemAt(middles, 0).every((u) =>
    itemAt(middles, 1).every((v) =>
      near.some(({ from, to }) => from[0] <= u && to[0] >= u && from[1] <= v && to[1] >= v),
    ),
  );
}

/** A slit between two boxes that nearly touch: the side that looks across it, and how wide it is. */
export interface Slit {
  face: BoxFace;
  other: number;
  width: number;
}

/** Two boxes that lie nearer than this, in texels, were meant to touch. */
const slitWidth = 0.25;

/** Boxes that lie a hair's breadth apart, so that one sees between them. */
export function slits(boxes: readonly Sided[]): Slit[] {
  const found: Slit[] = [];
  boxes.forEach((box, i) => {
    if (box.spin?.by) return;
    for (const side of ['left', 'top', 'front'] as const) {
      const flat = flatOf(box, side);
      boxes.forEach((other, j) => {
        if (i === j || other.spin?.by) return;
        const width = other.at[flat.axis] - flat.plane;
        if (width <= tiny || width >= slitWidth || !meets(flat, flatOf(other, side))) return;
        found.push({ face: { box: i, side }, other: j, width });
      });
    }
  });
  return found;
}
