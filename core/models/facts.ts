import type { ResolvedModel } from './resolve.ts';
import { spinPoint } from './quads.ts';
import { fillsCell, vector, type PlainBox, type Vec3 } from '../space/index.ts';
import type { Box } from '../mod/entries.schema.ts';

/** True when the model's unspun boxes, with all six sides drawn, leave nothing of the cell open. */
export const modelFillsCell = (model: ResolvedModel, texels: number): boolean =>
  fillsCell(
    model.boxes.filter((box) => !box.spin?.by && Object.keys(box.sides).length === 6),
    texels,
  );

/** Corners of a box, spun as it lies: bit 0 of a corner's number is x, bit 1 is y, bit 2 is z. */
export const cornersOf = ({ at, size, spin }: Pick<Box, 'at' | 'size' | 'spin'>): Vec3[] =>
  [0, 1, 2, 3, 4, 5, 6, 7].map((i) => {
    const corner = vector((axis) => at[axis] + ((i >> axis) & 1) * size[axis]);
    return spin?.by ? spinPoint(corner, spin) : corner;
  });

/** The axis-aligned box around a box as it lies. */
export function plainBox(box: Pick<Box, 'at' | 'size' | 'spin'>): PlainBox {
  if (!box.spin?.by) return { at: box.at, size: box.size };
  const corners = cornersOf(box);
  const least = (axis: 0 | 1 | 2) => round(Math.min(...corners.map((corner) => corner[axis])));
  const most = (axis: 0 | 1 | 2) => round(Math.max(...corners.map((corner) => corner[axis])));
  const at: PlainBox['at'] = [least(0), least(1), least(2)];
  return { at, size: [round(most(0) - at[0]), round(most(1) - at[1]), round(most(2) - at[2])] };
}

/**
 * The model's boxes without pictures; a spun box is given by the axis-aligned box around it. Flat
 * boxes are left out.
 */
export const plainBoxes = (model: ResolvedModel): PlainBox[] =>
  model.boxes.filter((box) => box.size.every((length) => length > 0)).map(plainBox);

/** To a thousandth of a texel, so that written files do not carry the noise of sines. */
const round = (value: number): number => Math.round(value * 1000) / 1000 + 0;
