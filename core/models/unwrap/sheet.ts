import type { Box } from '../../mod/entries.schema.ts';
import { sides } from '../../space/index.ts';
import { naturalCrop } from '../quads.ts';
import { tooNear, wholePlace, type Rectangle } from './free-places.ts';

type Sided = Pick<Box, 'at' | 'size' | 'sides'>;

/** The slot of a picture on which a model was unwrapped; a new one where it was not. */
export function sheetSlot(boxes: readonly Sided[]): string {
  const many = new Map<string, number>();
  const known = new Set<string>();
  for (const { sides: made } of boxes)
    for (const { slot, crop } of Object.values(made)) {
      known.add(slot);
      if (crop) many.set(slot, (many.get(slot) ?? 0) + 1);
    }
  const [most] = [...many].sort((a, b) => b[1] - a[1]);
  if (most && most[1] * 2 > boxes.length) return most[0];
  for (let i = 1; ; i += 1) {
    const slot = i === 1 ? 'skin' : `skin_${i}`;
    if (!known.has(slot)) return slot;
  }
}

/**
 * How many sides have no place of their own on the picture of a slot: they show another one or no
 * part, a part of another size than theirs or outside, or one that another side shows or touches.
 *
 * @example sidesWithoutPlace(unwrapBoxes(rack, options).boxes, 'skin', 16) // 0
 */
export function sidesWithoutPlace(boxes: readonly Sided[], slot: string, texels: number): number {
  const places: Rectangle[] = [];
  let without = 0;
  for (const box of boxes)
    for (const side of sides) {
      const made = box.sides[side];
      if (!made) continue;
      const [, , w, h] = naturalCrop(box, side, texels);
      const [width, height] = (made.quarters ?? 0) % 2 ? [h, w] : [w, h];
      const { crop } = made;
      const fits = crop && Math.abs(crop[2] - width) < 0.01 && Math.abs(crop[3] - height) < 0.01;
      const place = crop && wholePlace(crop);
      const isOwn =
        made.slot === slot &&
        fits &&
        place &&
        place.left >= 0 &&
        place.top >= 0 &&
        !places.some((one) => tooNear(one, place));
      if (isOwn) places.push(place);
      else without += 1;
    }
  return without;
}
