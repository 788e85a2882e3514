import { heldUnder } from '../lists/index.ts';
import {
  resolveBlock,
  type HeldPlace,
  type Mod,
  type Pose,
  type ResolvedBlock,
} from '../mod/index.ts';
import { spinPoint } from '../models/index.ts';
import {
  eachOfFour,
  identityOrientation,
  rotationOf,
  turn,
  vector,
  type Vec3,
} from '../space/index.ts';
import type { Pixels } from '../textures/index.ts';
import { drawnModels } from './block.ts';
import { drawIsometric, wholeCell, type DrawnModel, type PixelsOf } from './isometric.ts';

/** How an item sits where its block says nothing: our own drawing in lists, smaller elsewhere. */
export const usualPoses: Readonly<Record<HeldPlace, Pose>> = {
  hand: { turn: [14, -38, 0], scale: 0.5, shift: [0, -1, 0] },
  ground: { turn: [24, -30, 0], scale: 0.36, shift: [0, -3, 0] },
  catalogue: { turn: [35.264, -45, 0], scale: 0.8, shift: [0, 0, 0] },
};

/**
 * What the item of a block shows: the model that it declares for it, or the block in the state in
 * which it is placed first.
 */
export function heldModels(mod: Mod, block: ResolvedBlock): DrawnModel[] {
  const { held } = block.declared.identity;
  if (held?.model === undefined) return drawnModels(mod, block, block.space.defaultState);
  const { declared } = block;
  const shown = resolveBlock(mod, block.name, {
    ...heldUnder(mod.blocks, block.name),
    states: { properties: [] },
    looks: { mode: 'one-of', rows: [{ use: [{ model: held.model }] }] },
    traits: { ...declared.traits, lightEmitted: 0 },
  });
  return drawnModels(mod, shown, 0);
}

/**
 * An item as it sits at one place, seen straight from the front, `size` pixels square on a clear
 * ground.
 *
 * @example drawHeld(heldModels(mod, chair), 16, usualPoses.hand, 120, pixelsOf)
 */
export function drawHeld(
  models: readonly DrawnModel[],
  texels: number,
  pose: Pose,
  size: number,
  pixelsOf: PixelsOf,
): Pixels {
  return drawIsometric(
    models.map((model) => posed(model, texels, pose)),
    texels,
    size,
    pixelsOf,
    nearer,
  );
}

/** An item is looked at from nearer than a block in its cell: so wide a block is of the picture. */
export const heldShare = 0.97 * 0.75;
const nearer = { ...wholeCell, zoom: 1.5 };

const none: Vec3 = [0, 0, 0];
const about = (point: Vec3, axis: 'x' | 'y' | 'z', by: number): Vec3 =>
  spinPoint(point, { about: axis, by, pivot: none });

/** What is seen straight on, for a drawing that looks down along the diagonal of the cell. */
function forDiagonal(point: Vec3): Vec3 {
  // The diagonal view turns by 45° and tilts by atan(1/√2), and draws 1.2247 times as large.
  const tilted = about(about(point, 'x', -tilt), 'y', 45);
  return vector((axis) => tilted[axis] / Math.sqrt(1.5));
}
const tilt = (Math.atan(Math.SQRT1_2) * 180) / Math.PI;

/** A model as it sits: turned about the middle of its cell, scaled, moved, all in its quads. */
function posed(
  model: DrawnModel,
  texels: number,
  { turn: turned, scale, shift }: Pose,
): DrawnModel {
  const rotation = rotationOf(model.orientation);
  const half = texels / 2;
  const turning = (point: Vec3) =>
    about(about(about(point, 'y', turned[1]), 'x', turned[0]), 'z', turned[2]);
  const place = (corner: Vec3): Vec3 => {
    const middle = turn(
      rotation,
      vector((axis) => corner[axis] - half),
    );
    const lies = turning(vector((axis) => middle[axis] + (model.shift?.[axis] ?? 0)));
    const moved = vector((axis) => lies[axis] * scale + (shift[axis] * texels) / 16);
    const seen = forDiagonal(moved);
    return vector((axis) => seen[axis] + half);
  };
  const { shift: _, ...rest } = model;
  return {
    ...rest,
    orientation: identityOrientation,
    quads: model.quads.map((quad) => ({
      ...quad,
      corners: eachOfFour(quad.corners, place),
      normal: unit(forDiagonal(turning(turn(rotation, quad.normal)))),
    })),
  };
}

function unit(way: Vec3): Vec3 {
  const length = Math.hypot(...way) || 1;
  return vector((axis) => way[axis] / length);
}
