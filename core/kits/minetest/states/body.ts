import { drawnModels } from '../../../draw/index.ts';
import { itemAt } from '../../../lists/index.ts';
import type { Mod, ResolvedBlock } from '../../../mod/index.ts';
import { shapeIn } from '../../../models/index.ts';
import {
  eachOfFour,
  mix,
  rotationOf,
  turn,
  vector,
  type Orientation,
  type PlainBox,
  type Vec3,
} from '../../../space/index.ts';
import { valueIn } from '../../../states/index.ts';

/** A textured face of a body; corners in blocks from the middle of the cell, as seen from outside. */
export interface BodyFace {
  corners: readonly [Vec3, Vec3, Vec3, Vec3];
  uv: readonly (readonly [number, number])[];
  texture: string | undefined;
  tinted: boolean;
  /** Which of the body's boxes it belongs to; it does not count for what looks alike. */
  box?: number;
}

/** The two corners of a box, in blocks from the middle of the cell. */
export type BodyBox = readonly [low: Vec3, high: Vec3];

/** What a state is to the engine: what is seen, what is bumped into, and its light. */
export interface Body {
  faces: readonly BodyFace[];
  collision: readonly BodyBox[];
  outline: readonly BodyBox[];
  lightEmitted: number;
  lightAbsorbed: number;
  friction: number;
}

/** Finer than any texel, and coarser than what turning leaves of a number. */
const round = (value: number): number => Math.round(value * 1e5) / 1e5 + 0;
const rounded = (point: Vec3): Vec3 => vector((axis) => round(point[axis]));

/** No model has so many boxes. */
const boxesApart = 10_000;

/** A state as it stands in the world. */
export function bodyOf(mod: Mod, block: ResolvedBlock, state: number): Body {
  const { texels } = mod.header;
  const fromMiddle = (point: Vec3): Vec3 => vector((axis) => point[axis] / texels - 0.5);
  const faces = drawnModels(mod, block, state).flatMap(({ quads, orientation, tint }, model) => {
    const rotation = rotationOf(orientation);
    const isTinted = tint?.some((value) => value !== 1) === true;
    return quads.map((quad): BodyFace => ({
      corners: eachOfFour(quad.corners, (corner) => rounded(turn(rotation, fromMiddle(corner)))),
      uv: quad.uv.map(([u, v]) => [round(u), round(v)] as const),
      texture: quad.texture,
      tinted: isTinted && !quad.untinted,
      box: model * boxesApart + quad.box,
    }));
  });
  const boxes = (shape: ResolvedBlock['shapes']['outline']) =>
    shapeIn(mod, block, shape, state).map(({ at, size }: PlainBox): BodyBox => {
      const low = fromMiddle(at);
      return [rounded(low), rounded(vector((axis) => low[axis] + size[axis] / texels))];
    });
  return {
    faces,
    collision: boxes(block.shapes.collision),
    outline: boxes(block.shapes.outline),
    lightEmitted: valueIn(block.traits.lightEmitted, block.space, state) ?? 0,
    lightAbsorbed: valueIn(block.traits.lightAbsorbed, block.space, state) ?? 0,
    friction: valueIn(block.traits.friction, block.space, state) ?? 0,
  };
}

/** A box turned about the middle of the cell. */
export function turnedBox([low, high]: BodyBox, orientation: Orientation): BodyBox {
  const rotation = rotationOf(orientation);
  const [a, b] = [turn(rotation, low), turn(rotation, high)];
  return [
    rounded(vector((axis) => Math.min(a[axis], b[axis]))),
    rounded(vector((axis) => Math.max(a[axis], b[axis]))),
  ];
}

/** A body turned about the middle of the cell. */
export function turnedBody(body: Body, orientation: Orientation): Body {
  const rotation = rotationOf(orientation);
  const box = (one: BodyBox) => turnedBox(one, orientation);
  return {
    ...body,
    faces: body.faces.map((face) => ({
      ...face,
      corners: eachOfFour(face.corners, (corner) => rounded(turn(rotation, corner))),
    })),
    collision: body.collision.map(box),
    outline: body.outline.map(box),
  };
}

/** A face as a word that is the same whichever of its corners comes first. */
export function faceKey({ corners, uv, texture, tinted }: BodyFace): string {
  const words = corners.map(([x, y, z], i) => {
    const [u, v] = itemAt(uv, i);
    return `${whole(x)},${whole(y)},${whole(z)},${whole(u)},${whole(v)}`;
  });
  const first = words.reduce((least, word, i) => (word < itemAt(words, least) ? i : least), 0);
  const word = (i: number) => itemAt(words, (first + i) % words.length);
  return `${texture} ${tinted} ${word(0)} ${word(1)} ${word(2)} ${word(3)}`;
}

/** Whole numbers are printed faster, and nothing has one sign. */
const whole = (value: number): number => Math.round(value * 1e5) + 0;

const boxesKey = (boxes: readonly BodyBox[]): string =>
  boxes
    .map((box) => box.flat().join())
    .sort()
    .join(' ');

/** A body as a word: two that look and behave alike have the same one. */
export const bodyKey = ({ faces, collision, outline, ...light }: Body): string =>
  [
    ...faces.map(faceKey).sort(),
    boxesKey(collision),
    boxesKey(outline),
    light.lightEmitted,
    light.lightAbsorbed,
    light.friction,
  ].join('\n');

/** Fine enough to tell texels apart, whole, and the same on both sides of nothing. */
const steps = (value: number): number => Math.sign(value) * Math.round(Math.abs(value) * 1e4);

/**
 * A number that bodies that look alike share, for a body as it is once it is turned: quick to work
 * out, so that only turns that may fit are made. Sums do not ask in which order faces come.
 */
export function quickKey({ faces, collision, outline }: Body, orientation: Orientation): number {
  const rotation = rotationOf(orientation);
  const hashOf = (point: Vec3): number => {
    const [x, y, z] = turn(rotation, point);
    return mix(steps(x), steps(y), steps(z));
  };
  let sum = 0;
  for (const { corners, uv } of faces) {
    const words = corners.map((corner, i) => {
      const [u, v] = itemAt(uv, i);
      return mix(hashOf(corner), steps(u), steps(v));
    });
    // Each corner with the next one: the way round counts, where it begins does not.
    words.forEach((word, i) => (sum = (sum + mix(word, itemAt(words, (i + 1) % 4), 1)) % 2 ** 32));
  }
  for (const [shape, boxes] of [collision, outline].entries())
    for (const [low, high] of boxes) {
      const middle = hashOf(vector((axis) => low[axis] + high[axis]));
      const [x, y, z] = turn(
        rotation,
        vector((axis) => high[axis] - low[axis]),
      );
      const size = mix(steps(Math.abs(x)), steps(Math.abs(y)), steps(Math.abs(z)));
      sum = (sum + mix(middle, size, shape)) % 2 ** 32;
    }
  return sum;
}
