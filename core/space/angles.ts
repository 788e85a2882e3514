import { orientationOf, rotationOf, type Orientation, type Rotation } from './orientation.ts';
import { headings, type Vec3 } from './direction.ts';
import { vector } from './vector.ts';

/**
 * A turn about x by so many degrees, then one about y, both by the right-hand rule. Always
 * multiples of 90 from 0 to 270.
 */
export interface AnglePair {
  aboutX: number;
  aboutY: number;
}

/**
 * The exact matrix of an orientation, row by row: `m · (x, y, z)` turns a point about the middle of
 * the cell.
 */
export function matrixOf(orientation: Orientation): readonly [Vec3, Vec3, Vec3] {
  const [a, b, c] = rotationOf(orientation);
  return [
    [a[0], b[0], c[0]],
    [a[1], b[1], c[1]],
    [a[2], b[2], c[2]],
  ];
}

const cosines = [1, 0, -1, 0] as const;
const sines = [0, 1, 0, -1] as const;

/**
 * The orientation that turning about x and then about y gives. Whole quarters, so the sines are
 * exact. Throws a RangeError for an angle that is no multiple of 90.
 */
export function orientationOfAngles({ aboutX, aboutY }: AnglePair): Orientation {
  const quarter = (angle: number): 0 | 1 | 2 | 3 => {
    if (angle % 90 !== 0) throw new RangeError(`${angle} is no multiple of 90 degrees`);
    return ((((angle / 90) % 4) + 4) % 4) as 0 | 1 | 2 | 3;
  };
  const [cx, sx, cy, sy] = [
    cosines[quarter(aboutX)],
    sines[quarter(aboutX)],
    cosines[quarter(aboutY)],
    sines[quarter(aboutY)],
  ];
  // The columns of Ry · Rx.
  const columns: Rotation = [
    [cy, 0, 0 - sy],
    [sy * sx, cx, cy * sx],
    [sy * cx, 0 - sx, cy * cx],
  ];
  return orientationOf(
    // Adding nothing makes 0 of −0, which is no entry of a rotation.
    [withoutMinus(columns[0]), withoutMinus(columns[1]), withoutMinus(columns[2])],
  );
}

/**
 * The pair of angles that gives an orientation, for targets that turn models about x and then y.
 * Sixteen of the 24 orientations have one; the other eight lean to a side and have none.
 *
 * @example anglesOf({ front: 'east', top: 'up' }) // { aboutX: 0, aboutY: 90 }
 */
export function anglesOf(orientation: Orientation): AnglePair | undefined {
  for (const aboutX of [0, 90, 180, 270])
    for (const i of headings.keys()) {
      const pair = { aboutX, aboutY: i * 90 };
      const made = orientationOfAngles(pair);
      if (made.front === orientation.front && made.top === orientation.top) return pair;
    }
  return undefined;
}

const withoutMinus = (column: Vec3): Vec3 => vector((axis) => column[axis] + 0);
