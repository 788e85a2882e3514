import type { ResolvedModel } from './resolve.ts';
import { spinPoint } from './quads.ts';
import { fillsCell, type PlainBox } from '../space/index.ts';

/** True when the model's unspun boxes, with all six sides drawn, leave nothing of the cell open. */
export const modelFillsCell = (model: ResolvedModel, texels: number): boolean =>
  fillsCell(
    model.boxes.filter((box) => !box.spin?.by && Object.keys(box.sides).length === 6),
    texels,
  );

/**
 * The model's boxes without pictures; a spun box is given by the axis-aligned box around it. Flat
 * boxes are left out.
 */
export function plainBoxes(model: ResolvedModel): PlainBox[] {
  return model.boxes
    .filter((box) => box.size.every((length) => length > 0))
    .map((box) => {
      if (!box.spin?.by) return { at: box.at, size: box.size };
      const corners = [0, 1, 2, 3, 4, 5, 6, 7].map((i) =>
        spinPoint(
          [
            box.at[0] + (i & 1 ? box.size[0] : 0),
            box.at[1] + (i & 2 ? box.size[1] : 0),
            box.at[2] + (i & 4 ? box.size[2] : 0),
          ],
          box.spin!,
        ),
      );
      const least = (axis: 0 | 1 | 2) => round(Math.min(...corners.map((corner) => corner[axis])));
      const most = (axis: 0 | 1 | 2) => round(Math.max(...corners.map((corner) => corner[axis])));
      const at: PlainBox['at'] = [least(0), least(1), least(2)];
      return { at, size: [round(most(0) - at[0]), round(most(1) - at[1]), round(most(2) - at[2])] };
    });
}

/** To a thousandth of a texel, so that written files do not carry the noise of sines. */
const round = (value: number): number => Math.round(value * 1000) / 1000 + 0;
