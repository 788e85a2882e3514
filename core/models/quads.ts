import { itemAt } from '../lists/index.ts';
import {
  eachOfFour,
  identityOrientation,
  dot,
  facing,
  inverse,
  orientBox,
  rotationOf,
  sides,
  sideStep,
  turn,
  type Axis,
  type Orientation,
  type Side,
  type Vec3,
} from '../space/index.ts';
import type { ResolvedModel, TexturedBox } from './resolve.ts';

/** A textured rectangle of a model, in texels, in the model's frame. */
export interface Quad {
  /** Top left, bottom left, bottom right, top right, as seen from outside: anticlockwise. */
  corners: readonly [Vec3, Vec3, Vec3, Vec3];
  normal: Vec3;
  side: Side;
  texture: string | undefined;
  slot: string;
  /** The number of its box in the model. */
  box: number;
  /** The block's tint does not colour it. */
  untinted?: boolean;
  /** For each corner u to the right and v downward, 0 to 1 over one frame of the texture. */
  uv: readonly (readonly [number, number])[];
  /** The side of the cell that the quad lies in, where a neighbour may hide it. */
  touches?: Side;
}

/**
 * Width and height of one frame of a texture in its own texels; undefined when the texture is
 * unknown.
 */
export type TextureSize = (texture: string) => { width: number; height: number } | undefined;

/** For each side: the way up of its picture and the way right, as seen from outside. */
export const pictureFrame: Record<Side, { up: Vec3; right: Vec3 }> = {
  front: { up: [0, 1, 0], right: [1, 0, 0] },
  back: { up: [0, 1, 0], right: [-1, 0, 0] },
  left: { up: [0, 1, 0], right: [0, 0, -1] },
  right: { up: [0, 1, 0], right: [0, 0, 1] },
  top: { up: [0, 0, -1], right: [1, 0, 0] },
  bottom: { up: [0, 0, 1], right: [1, 0, 0] },
};

/**
 * The part of a block-sized picture that a side covers when it is laid on as if the block were
 * whole: left, top, width, height.
 */
export function naturalCrop(
  { at: [x, y, z], size: [w, h, d] }: Pick<TexturedBox, 'at' | 'size'>,
  side: Side,
  texels: number,
): [number, number, number, number] {
  switch (side) {
    case 'front':
      return [x, texels - y - h, w, h];
    case 'back':
      return [texels - x - w, texels - y - h, w, h];
    case 'left':
      return [texels - z - d, texels - y - h, d, h];
    case 'right':
      return [z, texels - y - h, d, h];
    case 'top':
      return [x, z, w, d];
    case 'bottom':
      return [x, texels - z - d, w, d];
  }
}

/**
 * A model's boxes as textured quads. Sides that a box does not name are left out.
 *
 * @example modelQuads(resolveModel(model, find, 16), 16, sizeOf).length // 6 for a cube
 */
export const modelQuads = (model: ResolvedModel, texels: number, sizeOf: TextureSize): Quad[] =>
  model.boxes.flatMap((box, i) =>
    sides.flatMap((side) => (box.sides[side] ? [quad(box, i, side, texels, sizeOf)] : [])),
  );

/**
 * A model's quads with its pictures kept upright for one orientation: each face shows what it would
 * show if the boxes had been made as they now lie. Boxes with a spin keep their pictures as they
 * are, since they lie along no direction.
 */
export function uprightQuads(
  model: ResolvedModel,
  orientation: Orientation,
  texels: number,
  sizeOf: TextureSize,
): Quad[] {
  const forth = rotationOf(orientation);
  const back = rotationOf(inverse(orientation));
  const middle = texels / 2;
  const undo = ([x, y, z]: Vec3): Vec3 => {
    const [a, b, c] = turn(back, [x - middle, y - middle, z - middle]);
    return [a + middle, b + middle, c + middle];
  };
  return model.boxes.flatMap((box, i) =>
    sides.flatMap((side) => {
      const made = box.sides[side];
      if (!made) return [];
      const plain = quad(box, i, side, texels, sizeOf);
      if (box.spin?.by) return [plain];
      const lies = sides.find(
        (one) => facing(identityOrientation, one) === facing(orientation, side),
      )!;
      // A crop that was given is turned about its own middle where its face now lies on its side,
      // so that texels keep their size.
      const onItsSide = dot(turn(forth, pictureFrame[side].up), pictureFrame[lies].up) === 0;
      const crop = made.crop && onItsSide ? turnedCrop(made.crop) : made.crop;
      const lying = quad(
        { ...box, ...orientBox(box, orientation, texels), sides: { [lies]: { ...made, crop } } },
        i,
        lies,
        texels,
        sizeOf,
      );
      return [{ ...plain, corners: eachOfFour(lying.corners, undo), uv: lying.uv }];
    }),
  );
}

const turnedCrop = ([left, top, width, height]: readonly [number, number, number, number]): [
  number,
  number,
  number,
  number,
] => [left + (width - height) / 2, top + (height - width) / 2, height, width];

function quad(
  box: TexturedBox,
  number: number,
  side: Side,
  texels: number,
  sizeOf: TextureSize,
): Quad {
  const made = box.sides[side]!;
  const { up, right } = pictureFrame[side];
  const normal = sideStep(side);
  // A corner is the box's low corner plus its size along each axis on which normal + up + right
  // points up.
  const corner = (vertical: number, horizontal: number): Vec3 => {
    const at = (i: 0 | 1 | 2) =>
      box.at[i] + (normal[i] + up[i] * vertical + right[i] * horizontal > 0 ? box.size[i] : 0);
    return [at(0), at(1), at(2)];
  };
  const corners = [corner(1, -1), corner(-1, -1), corner(-1, 1), corner(1, 1)] as const;
  const { spin } = box;
  const spun = spin?.by ? eachOfFour(corners, (point) => spinPoint(point, spin)) : corners;
  return {
    corners: spun,
    normal: box.spin?.by ? spinPoint(normal, { ...box.spin, pivot: [0, 0, 0] }) : normal,
    side,
    texture: made.texture,
    slot: made.slot,
    box: number,
    untinted: made.untinted,
    uv: uvOf(
      made,
      naturalCrop(box, side, texels),
      texels,
      made.texture === undefined ? undefined : sizeOf(made.texture),
    ),
    touches: box.spin?.by ? undefined : touchedSide(corners, normal, side, texels),
  };
}

/**
 * A point turned about an axis through a pivot, by degrees and the right-hand rule (Rodrigues'
 * formula along an axis).
 */
export function spinPoint(
  [x, y, z]: Vec3,
  { about, by, pivot: [px, py, pz] }: { about: Axis; by: number; pivot: Vec3 },
): Vec3 {
  const angle = (by * Math.PI) / 180;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const [a, b, d] = [x - px, y - py, z - pz];
  if (about === 'x') return [x, py + b * c - d * s, pz + b * s + d * c];
  if (about === 'y') return [px + a * c + d * s, y, pz - a * s + d * c];
  return [px + a * c - b * s, py + a * s + b * c, z];
}

function uvOf(
  made: { crop?: readonly number[]; quarters?: number; mirrored?: boolean },
  natural: readonly number[],
  texels: number,
  size = { width: texels, height: texels },
): Quad['uv'] {
  const [left, top, width, height] = made.crop
    ? [
        itemAt(made.crop, 0) / size.width,
        itemAt(made.crop, 1) / size.height,
        itemAt(made.crop, 2) / size.width,
        itemAt(made.crop, 3) / size.height,
      ]
    : [
        itemAt(natural, 0) / texels,
        itemAt(natural, 1) / texels,
        itemAt(natural, 2) / texels,
        itemAt(natural, 3) / texels,
      ];
  const [from, to] = made.mirrored ? [left + width, left] : [left, left + width];
  const corners: [number, number][] = [
    [from, top],
    [from, top + height],
    [to, top + height],
    [to, top],
  ];
  // Turned clockwise by a quarter, the corner at the top left shows what was at the bottom left.
  return corners.map((_, i) => itemAt(corners, (i + (made.quarters ?? 0)) % 4));
}

function touchedSide(
  corners: readonly Vec3[],
  normal: Vec3,
  side: Side,
  texels: number,
): Side | undefined {
  const axis = normal.findIndex((value) => value !== 0);
  const wall = normal[axis]! > 0 ? texels : 0;
  return corners.every((point) => point[axis] === wall) ? side : undefined;
}
