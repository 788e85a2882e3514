import { itemAt } from '../../lists/index.ts';

/** A rectangle of a picture, in whole texels. */
export interface Rectangle {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** True when two rectangles share a texel. */
export const overlap = (a: Rectangle, b: Rectangle): boolean =>
  a.left < b.left + b.width &&
  b.left < a.left + a.width &&
  a.top < b.top + b.height &&
  b.top < a.top + a.height;

/** Between two places so many texels stay free, so that none shows from afar on the other. */
export const unwrapMargin = 1;

/** A rectangle with its margin, to the right and below: what is left of it has its own. */
export const withMargin = (one: Rectangle): Rectangle => ({
  ...one,
  width: one.width + unwrapMargin,
  height: one.height + unwrapMargin,
});

/** True when two rectangles lie nearer than the margin. */
export const tooNear = (a: Rectangle, b: Rectangle): boolean =>
  overlap(withMargin(a), b) || overlap(a, withMargin(b));

/** The whole texels that a part of a picture covers; at least one. */
export function wholePlace([left, top, width, height]: readonly [
  number,
  number,
  number,
  number,
]): Rectangle {
  const [x, y] = [Math.floor(left), Math.floor(top)];
  return {
    left: x,
    top: y,
    width: wholeTexels(left + width - x),
    height: wholeTexels(top + height - y),
  };
}

/** A length in whole texels: at least one, and no more for the noise of sums. */
export const wholeTexels = (length: number): number => Math.max(1, Math.ceil(length - 1e-6));

const holds = (outer: Rectangle, inner: Rectangle): boolean =>
  inner.left >= outer.left &&
  inner.top >= outer.top &&
  inner.left + inner.width <= outer.left + outer.width &&
  inner.top + inner.height <= outer.top + outer.height;

/**
 * What is free of a picture, as the largest rectangles that hold nothing (MaxRects; Jylänki, 2010,
 * *A Thousand Ways to Pack the Bin*).
 */
export class FreePlaces {
  private free: Rectangle[];

  constructor(width: number, height: number) {
    this.free = [{ left: 0, top: 0, width, height }];
  }

  /** True when nothing has been put anywhere in a rectangle. */
  isFree(wanted: Rectangle): boolean {
    return this.free.some((one) => holds(one, wanted));
  }

  /** Takes a rectangle away from what is free. */
  take(taken: Rectangle): void {
    const touched = this.free.filter((one) => overlap(one, taken));
    if (!touched.length) return;
    const rest = this.free.filter((one) => !overlap(one, taken));
    const pieces = touched.flatMap((one) => around(one, taken));
    // A piece that lies in another one says nothing that the other does not.
    this.free = [
      ...rest,
      ...pieces.filter(
        (piece, i) =>
          !rest.some((one) => holds(one, piece)) &&
          !pieces.some((one, j) => i !== j && holds(one, piece) && (j < i || !holds(piece, one))),
      ),
    ];
  }

  /** The place for a rectangle that leaves the shortest rest beside it; undefined where none is. */
  placeFor(width: number, height: number): Rectangle | undefined {
    const fitting = this.free
      .filter((one) => one.width >= width && one.height >= height)
      .map((one) => ({ one, rest: Math.min(one.width - width, one.height - height) }))
      .sort((a, b) => a.rest - b.rest || a.one.top - b.one.top || a.one.left - b.one.left);
    if (!fitting.length) return undefined;
    const { left, top } = itemAt(fitting, 0).one;
    return { left, top, width, height };
  }
}

/** What is left of a free rectangle to the four sides of one that is taken. */
function around(one: Rectangle, taken: Rectangle): Rectangle[] {
  const right = one.left + one.width;
  const bottom = one.top + one.height;
  const pieces: Rectangle[] = [
    { ...one, width: taken.left - one.left },
    { ...one, left: taken.left + taken.width, width: right - taken.left - taken.width },
    { ...one, height: taken.top - one.top },
    { ...one, top: taken.top + taken.height, height: bottom - taken.top - taken.height },
  ];
  return pieces.filter(({ width, height }) => width > 0 && height > 0);
}
