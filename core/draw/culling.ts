import type { ResolvedBlock } from '../mod/index.ts';
import {
  axisOf,
  facing,
  opposite,
  rotationOf,
  turn,
  type Direction,
  type Vec3,
} from '../space/index.ts';
import type { DrawnModel } from './isometric.ts';

/**
 * A rectangle on a side of a cell, in texels along the two axes of the side: x before y before z.
 */
export interface Patch {
  at: readonly [number, number];
  to: readonly [number, number];
}

/**
 * What a neighbour leaves out on one side: every face that touches it, or faces within these
 * patches.
 */
export type Hidden = 'all' | readonly Patch[];

type Shown = Pick<ResolvedBlock, 'name' | 'traits'>;

/**
 * Where a quad that touches a side of its cell lies on it, in the world; undefined when it touches
 * none.
 */
export function touchingPatch(
  { orientation }: Pick<DrawnModel, 'orientation'>,
  { touches, corners }: DrawnModel['quads'][number],
  texels: number,
): { direction: Direction; patch: Patch } | undefined {
  if (!touches) return undefined;
  const direction = facing(orientation, touches);
  const rotation = rotationOf(orientation);
  const flat = corners.map((corner) => {
    const middle = turn(rotation, [
      corner[0] - texels / 2,
      corner[1] - texels / 2,
      corner[2] - texels / 2,
    ]);
    return { x: [middle[1], middle[2]], y: [middle[0], middle[2]], z: [middle[0], middle[1]] }[
      axisOf(direction)
    ].map((value) => value + texels / 2) as [number, number];
  });
  const end = (which: (...values: number[]) => number, i: 0 | 1) =>
    which(...flat.map((corner) => corner[i]));
  return {
    direction,
    patch: { at: [end(Math.min, 0), end(Math.min, 1)], to: [end(Math.max, 0), end(Math.max, 1)] },
  };
}

/**
 * True when patches together leave nothing of one open. Exact: the lines of all patches cut it into
 * pieces, and each piece must be in one.
 */
export function coveredBy(patch: Patch, patches: readonly Patch[]): boolean {
  const cuts = (i: 0 | 1) =>
    [...new Set([patch.at[i], patch.to[i], ...patches.flatMap((one) => [one.at[i], one.to[i]])])]
      .filter((value) => value >= patch.at[i] && value <= patch.to[i])
      .sort((a, b) => a - b);
  const [across, down] = [cuts(0), cuts(1)];
  return across.slice(1).every((x, i) =>
    down.slice(1).every((y, j) => {
      const [mx, my] = [(across[i]! + x) / 2, (down[j]! + y) / 2];
      return patches.some(({ at, to }) => at[0] <= mx && mx <= to[0] && at[1] <= my && my <= to[1]);
    }),
  );
}

/**
 * What a neighbour in a direction leaves out of a block's faces there, by the block pack's rules:
 * blocks of one kind that join have no face between; what hides by whole leaves out everything that
 * touches it; by side where its own faces fill the side; by shape what its own faces cover.
 * Undefined when it leaves out nothing.
 *
 * @example hiddenBy(glass, glass, models, 'east', 16) // 'all': they join
 */
export function hiddenBy(
  block: Shown,
  neighbour: Shown,
  models: readonly DrawnModel[],
  direction: Direction,
  texels: number,
): Hidden | undefined {
  if (block.name === neighbour.name && block.traits.joinsOwnKind) return 'all';
  const how = neighbour.traits.hidesNeighbours;
  if (how === 'never') return undefined;
  if (how === 'whole') return 'all';
  const towards = opposite(direction);
  const patches = models.flatMap((model) =>
    model.shift
      ? []
      : model.quads.flatMap((quad) => {
          const touching = touchingPatch(model, quad, texels);
          return touching?.direction === towards ? [touching.patch] : [];
        }),
  );
  if (how === 'by shape') return patches.length ? patches : undefined;
  return coveredBy({ at: [0, 0], to: [texels, texels] }, patches) ? 'all' : undefined;
}

/** True when a quad is left out, given what each neighbour leaves out. */
export function isHidden(
  model: Pick<DrawnModel, 'orientation'>,
  quad: DrawnModel['quads'][number],
  hidden: ReadonlyMap<Direction, Hidden>,
  texels: number,
): boolean {
  if (!quad.touches || hidden.size === 0) return false;
  const by = hidden.get(facing(model.orientation, quad.touches));
  if (!by || by === 'all') return by === 'all';
  return coveredBy(touchingPatch(model, quad, texels)!.patch, by);
}

/**
 * How bright a corner of a face is when corners are shaded: by which of the two cells beside it and
 * the one across are taken, in the layer that the face looks into. 1 is open; two taken sides are
 * darkest. `taken` is asked for cells by their place; the corner is one of a cell's eight, given in
 * units of cells from the middle of the cell.
 */
export function cornerShade(
  taken: (cell: Vec3) => boolean,
  cell: Vec3,
  corner: Vec3,
  normal: Vec3,
): number {
  const sign = (i: number) =>
    Math.abs(Math.abs(corner[i]!) - 0.5) < 1e-6 ? Math.sign(corner[i]!) : 0;
  const axis = normal.findIndex((value) => Math.abs(value) > 0.999);
  if (axis < 0 || sign(axis) !== Math.sign(normal[axis]!)) return 1;
  const [u, v] = [0, 1, 2].filter((i) => i !== axis) as [number, number];
  const near = (along: number, across: number) => {
    const at = [...cell] as [number, number, number];
    at[axis]! += Math.sign(normal[axis]!);
    at[u]! += along;
    at[v]! += across;
    return (along || across) && taken(at) ? 1 : 0;
  };
  const [a, b] = [near(sign(u), 0), near(0, sign(v))];
  const dark = a && b ? 3 : a + b + near(sign(u), sign(v));
  return 1 - dark * 0.11;
}
