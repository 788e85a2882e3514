import {
  cross,
  directions,
  directionStep,
  dot,
  eachOfFour,
  rotationOf,
  sides,
  sideStep,
  turn,
  vector,
  type Direction,
  type Side,
  type Vec3,
} from '../../space/index.ts';
import type { PackView, YardBox, YardCandidate, YardSide } from '../pack-world.ts';
import { shownModel, type ShownModel } from './resolve.ts';
import { turnedAbout } from './turned.ts';

/** A textured rectangle in its cell, which reaches from 0 to 1 along each axis. */
export interface Face {
  /** Top left, bottom left, bottom right, top right of the picture, as seen from outside. */
  corners: readonly [Vec3, Vec3, Vec3, Vec3];
  /** Across and down over one frame of the picture, 0 to 1, for each corner. */
  uv: readonly (readonly [number, number])[];
  normal: Vec3;
  /** The picture; undefined for the marker. */
  picture: string | undefined;
  isTinted: boolean;
  /** The direction that it looks in, where it lies in that side of the cell. */
  side?: Direction;
}

type Crop = readonly [left: number, top: number, width: number, height: number];

/** Where the picture's up is, by the section Models: up on walls, the back above, the front below. */
const pictureUp: Record<Side, Vec3> = {
  front: [0, 1, 0],
  back: [0, 1, 0],
  left: [0, 1, 0],
  right: [0, 1, 0],
  top: sideStep('back'),
  bottom: sideStep('front'),
};

const tiny = 1e-6;
const middle: Vec3 = [0.5, 0.5, 0.5];
const plus = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];

/** The side of a model that looks the way of a step. */
const sideAlong = (step: Vec3): Side =>
  sides.find((side) => dot(sideStep(side), step) > 1 - tiny) ?? 'front';

/**
 * The faces of a candidate as they lie in the world, by the section Models of the format. A model
 * that is not there is a whole marker; so is the picture of a slot that is left open.
 *
 * @example facesOf({ model: 'saltmarsh:crate', front: 'east', top: 'up' }, view).length // 6
 */
export function facesOf(candidate: YardCandidate, view: PackView): Face[] {
  const model = shownModel(candidate.model, view) ?? markerModel;
  const rotation = rotationOf(candidate);
  const round = (point: Vec3): Vec3 => plus(turn(rotation, minus(point, middle)), middle);
  return model.boxes.flatMap((box) =>
    sides.flatMap((side): Face[] => {
      const made = box.sides[side];
      if (!made) return [];
      const lying = candidate.upright && !box.spin?.by;
      const face = lying
        ? uprightFace(box, side, made, model, view, round, rotation)
        : turnedFace(box, side, made, model, view, round, rotation);
      return [{ ...face, ...sideOf(face, box) }];
    }),
  );
}

const markerModel: ShownModel = {
  texels: 1,
  pictureIn: () => undefined,
  boxes: [
    {
      at: [0, 0, 0],
      size: [1, 1, 1],
      sides: Object.fromEntries(sides.map((side) => [side, { slot: 'face' }])),
    },
  ],
};

type Turning = ReturnType<typeof rotationOf>;

/** A face whose picture was laid on before the model was turned. */
function turnedFace(
  box: YardBox,
  side: Side,
  made: YardSide,
  model: ShownModel,
  view: PackView,
  round: (point: Vec3) => Vec3,
  rotation: Turning,
): Face {
  const { spin } = box;
  const normal = sideStep(side);
  const plain = cornersOf(lowOf(box, model), sizeOf(box, model), normal, pictureUp[side]);
  const spun = (point: Vec3) => {
    if (!spin?.by) return point;
    const pivot = vector((axis) => spin.pivot[axis] / model.texels);
    return plus(turnedAbout(minus(point, pivot), spin), pivot);
  };
  const picture = model.pictureIn(made.slot);
  return {
    corners: eachOfFour(plain, (point) => round(spun(point))),
    uv: uvOf(plain, normal, pictureUp[side], made, made.crop, picture, view),
    normal: turn(rotation, spin?.by ? turnedAbout(normal, spin) : normal),
    picture,
    isTinted: !made.untinted,
  };
}

/** A face that shows what it would show had its box been made as it now lies. */
function uprightFace(
  box: YardBox,
  side: Side,
  made: YardSide,
  model: ShownModel,
  view: PackView,
  round: (point: Vec3) => Vec3,
  rotation: Turning,
): Face {
  const [a, b] = [round(lowOf(box, model)), round(plus(lowOf(box, model), sizeOf(box, model)))];
  const low = vector((axis) => Math.min(a[axis], b[axis]));
  const size = vector((axis) => Math.abs(a[axis] - b[axis]));
  const normal = turn(rotation, sideStep(side));
  const up = pictureUp[sideAlong(normal)];
  const corners = cornersOf(low, size, normal, up);
  const liesOnItsSide = Math.abs(dot(turn(rotation, pictureUp[side]), up)) < tiny;
  const crop = made.crop && liesOnItsSide ? onItsSide(made.crop) : made.crop;
  const picture = model.pictureIn(made.slot);
  const uv = uvOf(corners, normal, up, made, crop, picture, view);
  return { corners, uv, normal, picture, isTinted: !made.untinted };
}

const lowOf = ({ at }: YardBox, { texels }: ShownModel): Vec3 =>
  vector((axis) => at[axis] / texels);
const sizeOf = ({ size }: YardBox, { texels }: ShownModel): Vec3 =>
  vector((axis) => size[axis] / texels);

/** The corners of a box's side, begun at the top left of its picture. */
function cornersOf(low: Vec3, size: Vec3, normal: Vec3, up: Vec3): Face['corners'] {
  const right = cross(up, normal);
  const corner = (vertical: number, horizontal: number): Vec3 =>
    vector((axis) => {
      const way = normal[axis] + up[axis] * vertical + right[axis] * horizontal;
      return low[axis] + (way > 0 ? size[axis] : 0);
    });
  return [corner(1, -1), corner(-1, -1), corner(-1, 1), corner(1, 1)];
}

const onItsSide = ([left = 0, top = 0, width = 0, height = 0]: readonly number[]): Crop => [
  left + (width - height) / 2,
  top + (height - width) / 2,
  height,
  width,
];

/** Without a crop a corner shows the point of a block-sized picture before which it lies. */
function uvOf(
  corners: Face['corners'],
  normal: Vec3,
  up: Vec3,
  made: YardSide,
  crop: readonly number[] | undefined,
  picture: string | undefined,
  { pictureOf }: PackView,
): (readonly [number, number])[] {
  const right = cross(up, normal);
  const across = (point: Vec3) => 0.5 + dot(minus(point, middle), right);
  const down = (point: Vec3) => 0.5 - dot(minus(point, middle), up);
  let [from, to] = [across(corners[0]), across(corners[3])];
  let [top, bottom] = [down(corners[0]), down(corners[1])];
  const size = picture === undefined ? undefined : pictureOf(picture);
  if (crop && size) {
    const [left = 0, above = 0, width = 0, height = 0] = crop;
    [from, to] = [left / size.width, (left + width) / size.width];
    [top, bottom] = [above / size.height, (above + height) / size.height];
  }
  if (made.mirrored) [from, to] = [to, from];
  const shown = [
    [from, top],
    [from, bottom],
    [to, bottom],
    [to, top],
  ] as const;
  // Turned clockwise, the top left shows what was at the bottom left.
  return shown.map((_, i) => shown[(i + (made.quarters ?? 0)) % 4]!);
}

/** The side of the cell in which a face lies; none for what was spun. */
function sideOf({ corners, normal }: Face, { spin }: YardBox): { side?: Direction } {
  if (spin?.by) return {};
  const side = directions.find((one) => dot(directionStep(one), normal) > 1 - tiny);
  if (!side) return {};
  const step = directionStep(side);
  const wall = dot(step, [1, 1, 1]) > 0 ? 1 : 0;
  const axis = step.findIndex((part) => part !== 0);
  return corners.every((point) => Math.abs((point[axis] ?? 0) - wall) < tiny) ? { side } : {};
}
