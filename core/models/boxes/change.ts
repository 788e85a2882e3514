import { itemAt } from '../../lists/index.ts';
import type { Box, BoxSide } from '../../mod/entries.schema.ts';
import { axes, dot, sides, sideStep, vector, type Side, type Vec3 } from '../../space/index.ts';
import { pictureFrame } from '../quads.ts';

/** The numbers of the boxes that are worked on. */
export type Chosen = ReadonlySet<number>;

/**
 * What a side that is sized does with a crop: `follows`, more of the picture shows at the same size
 * of texel; `stretches`, the same part of the picture shows over the whole side.
 */
export type TextureWay = 'follows' | 'stretches';

/** The boxes with the chosen ones changed; what is left out stays the same object. */
export const changed = (
  boxes: readonly Box[],
  chosen: Chosen,
  change: (box: Box, index: number) => Box,
): Box[] => boxes.map((box, i) => (chosen.has(i) ? change(box, i) : box));

/** To a thousandth of a texel, so that files do not carry the noise of sums. */
export const tidy = (value: number): number => Math.round(value * 1000) / 1000 + 0;
const triple = (make: (axis: 0 | 1 | 2) => number): Box['at'] => {
  const [x, y, z] = vector((axis) => tidy(make(axis)));
  return [x, y, z];
};
const shifted = (point: Vec3, by: Vec3): Box['at'] => triple((axis) => point[axis] + by[axis]);

/**
 * The chosen boxes moved by so many texels, the pivots of their spins with them.
 *
 * @example moved(rack, new Set([3]), [0, 1, 0]) // the fourth box lies a texel higher
 */
export const moved = (boxes: readonly Box[], chosen: Chosen, by: Vec3): Box[] =>
  changed(boxes, chosen, (box) => ({
    ...box,
    at: shifted(box.at, by),
    ...(box.spin && { spin: { ...box.spin, pivot: shifted(box.spin.pivot, by) } }),
  }));

/**
 * The chosen boxes with one side moved outward by so many texels, or inward where `by` is negative;
 * no box becomes smaller than nothing.
 *
 * @example sized(rack, new Set([3]), 'top', 4, 'follows') // four texels higher
 */
export const sized = (
  boxes: readonly Box[],
  chosen: Chosen,
  side: Side,
  by: number,
  texture: TextureWay,
): Box[] => changed(boxes, chosen, (box) => sizedBox(box, side, by, texture));

function sizedBox(box: Box, side: Side, asked: number, texture: TextureWay): Box {
  const step = sideStep(side);
  const axis = step.findIndex((value) => value !== 0) as 0 | 1 | 2;
  const by = Math.max(asked, -box.size[axis]);
  const at = triple((i) => box.at[i] - (step[i] < 0 ? by : 0));
  const size = triple((i) => box.size[i] + (i === axis ? by : 0));
  if (texture === 'stretches') return { ...box, at, size };
  const made = Object.fromEntries(
    sides.flatMap((one) => {
      const drawn = box.sides[one];
      return drawn ? [[one, followed(drawn, one, side, box.size, size)]] : [];
    }),
  );
  return { ...box, at, size, sides: made };
}

/** A side's crop grown with the box at the edge at which the moved side lies. */
function followed(made: BoxSide, on: Side, towards: Side, before: Vec3, after: Vec3): BoxSide {
  if (!made.crop) return made;
  const { up, right } = pictureFrame[on];
  const step = sideStep(towards);
  const across = dot(step, right);
  const upward = dot(step, up);
  if (!across && !upward) return made;
  const axis = step.findIndex((value) => value !== 0) as 0 | 1 | 2;
  // Edges of the side, anticlockwise from its left; turning and mirroring say which of the crop's.
  const edge = across ? (across > 0 ? 2 : 0) : upward > 0 ? 3 : 1;
  const turned = (edge + (made.quarters ?? 0)) % 4;
  const shown = made.mirrored && turned % 2 === 0 ? 2 - turned : turned;
  const [left, top, width, height] = made.crop;
  const length = shown % 2 === 0 ? width : height;
  const by = (before[axis] > 0 ? length / before[axis] : 1) * (after[axis] - before[axis]);
  const crop: [number, number, number, number] = [
    tidy(shown === 0 ? left - by : left),
    tidy(shown === 3 ? top - by : top),
    tidy(shown % 2 === 0 ? width + by : width),
    tidy(shown % 2 === 1 ? height + by : height),
  ];
  return { ...made, crop };
}

/** The chosen boxes with their corners on whole texels, or on another step. */
export const snapped = (boxes: readonly Box[], chosen: Chosen, step: number): Box[] =>
  changed(boxes, chosen, (box) => {
    const snap = (value: number) => Math.round(value / step) * step;
    const at = triple((axis) => snap(box.at[axis]));
    return { ...box, at, size: triple((axis) => snap(box.at[axis] + box.size[axis]) - at[axis]) };
  });

/**
 * The chosen boxes mirrored over the middle of the cell along an axis. Pictures that are cropped
 * are mirrored with them, and a spin turns the other way unless it is about that axis.
 *
 * @example mirrored(rack, new Set([0]), 'x', 16) // the left leg becomes the right one
 */
export function mirrored(
  boxes: readonly Box[],
  chosen: Chosen,
  axis: 'x' | 'y' | 'z',
  texels: number,
): Box[] {
  const along = axes.indexOf(axis);
  const over = (point: Vec3, size: Vec3 = [0, 0, 0]) =>
    triple((i) => (i === along ? texels - point[i] - size[i] : point[i]));
  return changed(boxes, chosen, ({ spin, ...box }) => ({
    ...box,
    at: over(box.at, box.size),
    ...(spin && {
      spin: { ...spin, by: spin.about === axis ? spin.by : 0 - spin.by, pivot: over(spin.pivot) },
    }),
    sides: Object.fromEntries(
      sides.flatMap((side) => {
        const made = box.sides[mirroredSide(side, along)];
        return made ? [[side, made.crop ? mirroredPicture(made, side, along) : made]] : [];
      }),
    ),
  }));
}

const mirroredSide = (side: Side, along: number): Side => {
  const step = sideStep(side);
  if (itemAt(step, along) === 0) return side;
  return sides.find((one) => itemAt(sideStep(one), along) === -itemAt(step, along)) ?? side;
};

/** A crop as it lies on the mirrored side: left and right change places, or above and below. */
function mirroredPicture(made: BoxSide, side: Side, along: number): BoxSide {
  const { up } = pictureFrame[side];
  const quarters = made.quarters ?? 0;
  // Mirrored up and down is mirrored left and right and turned by a half; a picture that was turned
  // before is mirrored first, and so turns the other way.
  // The ups of the top side and of the bottom side point against each other.
  const isUpDown = itemAt(up, along) !== 0 || (up[1] === 0 && along === 1);
  const half = isUpDown ? 2 : 0;
  const { quarters: _, mirrored: was, ...rest } = made;
  const turned = (4 - quarters + half) % 4;
  return {
    ...rest,
    ...(turned && { quarters: turned }),
    ...(!was && { mirrored: true }),
  };
}
