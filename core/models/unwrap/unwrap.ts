import type { Box, BoxSide } from '../../mod/entries.schema.ts';
import { sides, type Side } from '../../space/index.ts';
import { naturalCrop } from '../quads.ts';
import {
  FreePlaces,
  unwrapMargin,
  wholeTexels,
  withMargin,
  type Rectangle,
} from './free-places.ts';

/** Boxes of which every side has a place of its own on one picture, and how large that is. */
export interface Unwrapped {
  boxes: Box[];
  width: number;
  height: number;
  /** How many sides came to lie somewhere else than before. */
  moved: number;
}

interface UnwrapOptions {
  /** The slot that shows the picture. */
  slot: string;
  texels: number;
  /** The size that the picture has already; it never becomes smaller. */
  least?: { width: number; height: number };
  /** The longest side that the picture may have. */
  most: number;
  /** Places that other models show of the picture. */
  taken?: readonly Rectangle[];
  /** The boxes as they were: where two sides want one place, the one that had it keeps it. */
  before?: readonly Box[];
}

/** A side that needs a place: how large it is, and where it lies now. */
interface Wanted {
  box: number;
  side: Side;
  /** In texels, as the side is: maybe parts of one. */
  size: readonly [number, number];
  now: Rectangle | undefined;
  /** How good its claim to that place is: 0 is the best. */
  claim: number;
}

/**
 * Gives every side of boxes a place of its own on one picture, a texel of it for a texel of the
 * side. A side that has a place of its size on that slot already stays there, so that what is
 * painted stays where it was painted; one that has grown stays where it can. Throws a RangeError
 * when the picture would be larger than allowed.
 *
 * @example unwrapBoxes(rack, { slot: 'skin', texels: 16, most: 512 }).width // 32
 */
export function unwrapBoxes(boxes: readonly Box[], options: UnwrapOptions): Unwrapped {
  const { texels, least, most, taken = [] } = options;
  const wanted = boxes.flatMap((box, i) =>
    sides.flatMap((side) => wantedOf(box, i, side, options)),
  );
  const area = wanted.reduce((sum, { size: [w, h] }) => sum + (w + 1) * (h + 1), 0);
  let [width, height] = [least?.width ?? texels, least?.height ?? texels];
  const ends = [...taken, ...wanted.flatMap(({ now }) => now ?? [])];
  const needed = [
    Math.max(...ends.map(({ left, width: w }) => left + w), ...wanted.map(({ size }) => size[0])),
    Math.max(...ends.map(({ top, height: h }) => top + h), ...wanted.map(({ size }) => size[1])),
  ] as const;
  while (width < needed[0]) width *= 2;
  while (height < needed[1]) height *= 2;
  if (!least) while (width * height < area) [width, height] = grown(width, height);
  for (;;) {
    if (width > most || height > most)
      throw new RangeError(`It needs a picture larger than ${most} × ${most} texels.`);
    const places = placeAll(wanted, taken, width, height);
    if (places) return { ...placed(boxes, wanted, places, options), width, height };
    [width, height] = grown(width, height);
  }
}

const grown = (width: number, height: number): [number, number] =>
  width <= height ? [width * 2, height] : [width, height * 2];

function wantedOf(
  box: Box,
  index: number,
  side: Side,
  { slot, texels, before }: UnwrapOptions,
): Wanted[] {
  const made = box.sides[side];
  if (!made) return [];
  const [, , width, height] = naturalCrop(box, side, texels);
  const [w, h] = (made.quarters ?? 0) % 2 ? [height, width] : [width, height];
  const [left, top] = made.crop ?? [];
  const isPlaced = made.slot === slot && left !== undefined && top !== undefined;
  return [
    {
      box: index,
      side,
      size: [w, h],
      now: isPlaced
        ? {
            left: Math.floor(left),
            top: Math.floor(top),
            width: wholeTexels(w),
            height: wholeTexels(h),
          }
        : undefined,
      claim: claimOf(made, before?.[index]?.sides[side], [w, h]),
    },
  ];
}

/** A side that was there before comes first, then one that has the size of its place. */
function claimOf(
  made: BoxSide,
  before: BoxSide | undefined,
  [width, height]: readonly [number, number],
): number {
  const [, , shownWidth = 0, shownHeight = 0] = made.crop ?? [];
  const fits = Math.abs(shownWidth - width) < 0.01 && Math.abs(shownHeight - height) < 0.01;
  if (!fits) return 2;
  return before?.crop?.every((value, i) => value === made.crop?.[i]) ? 0 : 1;
}

/** A place for each that needs one, those that lie well where they are; undefined where it is full. */
function placeAll(
  wanted: readonly Wanted[],
  taken: readonly Rectangle[],
  width: number,
  height: number,
): Rectangle[] | undefined {
  // The margin of what lies at the edge may lie outside.
  const free = new FreePlaces(width + unwrapMargin, height + unwrapMargin);
  taken.forEach((one) => free.take(withMargin(one)));
  const places = new Map<Wanted, Rectangle>();
  const put = (one: Wanted, place: Rectangle) => {
    free.take(withMargin(place));
    places.set(one, place);
  };
  // What has kept its size goes before what has grown, which must not push it aside.
  for (const claim of [0, 1, 2])
    for (const one of wanted)
      if (one.claim === claim && one.now && free.isFree(withMargin(one.now))) put(one, one.now);
  const others = wanted
    .filter((one) => !places.has(one))
    .sort((a, b) => Math.max(...b.size) - Math.max(...a.size));
  for (const one of others) {
    const [w, h] = [wholeTexels(one.size[0]), wholeTexels(one.size[1])];
    const found = free.placeFor(w + unwrapMargin, h + unwrapMargin);
    if (!found) return undefined;
    put(one, { left: found.left, top: found.top, width: w, height: h });
  }
  return wanted.flatMap((one) => places.get(one) ?? []);
}

function placed(
  boxes: readonly Box[],
  wanted: readonly Wanted[],
  places: readonly Rectangle[],
  { slot }: UnwrapOptions,
): Pick<Unwrapped, 'boxes' | 'moved'> {
  let moved = 0;
  const made = boxes.map((box): Box => ({ ...box, sides: { ...box.sides } }));
  wanted.forEach(({ box, side, size: [w, h] }, i) => {
    const place = places[i];
    const before: BoxSide | undefined = boxes[box]?.sides[side];
    if (!place || !before) return;
    const crop: BoxSide['crop'] = [place.left, place.top, Math.max(w, 0.001), Math.max(h, 0.001)];
    const stays =
      before.slot === slot && before.crop?.[0] === place.left && before.crop[1] === place.top;
    if (!stays) moved += 1;
    made[box]!.sides[side] = { ...before, slot, crop };
  });
  return { boxes: made, moved };
}
