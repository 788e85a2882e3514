import { itemAt } from '../lists/index.ts';
import type { Vec3 } from './direction.ts';
import { rotationOf, turn, type Orientation } from './orientation.ts';

/** An axis-aligned cuboid in texels: its lowest corner and its size. */
export interface PlainBox {
  at: [number, number, number];
  size: [number, number, number];
}

/**
 * A box as it lies once its model is oriented, turned about the middle of a cell of `texels`.
 *
 * @example orientBox({ at: [0, 0, 14], size: [16, 16, 2] }, { front: 'east', top: 'up' }, 16)
 * // at [14, 0, 0], size [2, 16, 16]
 */
export function orientBox(box: PlainBox, orientation: Orientation, texels: number): PlainBox {
  const rotation = rotationOf(orientation);
  const middle = texels / 2;
  const corner = (point: Vec3): Vec3 => {
    const moved = turn(rotation, [point[0] - middle, point[1] - middle, point[2] - middle]);
    return [moved[0] + middle, moved[1] + middle, moved[2] + middle];
  };
  const a = corner(box.at);
  const b = corner([box.at[0] + box.size[0], box.at[1] + box.size[1], box.at[2] + box.size[2]]);
  const at: PlainBox['at'] = [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.min(a[2], b[2])];
  return { at, size: [Math.abs(a[0] - b[0]), Math.abs(a[1] - b[1]), Math.abs(a[2] - b[2])] };
}

/**
 * True when the boxes together leave no texel of the cell open. Boxes outside the cell count only
 * with their part inside.
 */
export function fillsCell(boxes: readonly PlainBox[], texels: number): boolean {
  if (boxes.some(({ at, size }) => at.every((v, i) => v <= 0 && v + size[i]! >= texels)))
    return true;
  if (boxes.length < 2) return false;
  const filled = new Uint8Array(texels ** 3);
  for (const { at, size } of boxes) {
    const from = at.map((v) => Math.max(0, Math.ceil(v)));
    const to = at.map((v, i) => Math.min(texels, Math.floor(v + size[i]!)));
    for (let x = itemAt(from, 0); x < itemAt(to, 0); x += 1)
      for (let y = itemAt(from, 1); y < itemAt(to, 1); y += 1)
        for (let z = itemAt(from, 2); z < itemAt(to, 2); z += 1)
          filled[(x * texels + y) * texels + z] = 1;
  }
  return filled.every((cell) => cell === 1);
}
