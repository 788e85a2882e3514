import type { z } from 'zod';
import type { Candidate } from '../../../mod/index.ts';
import {
  isOrientation,
  matrixOf,
  orientations,
  usualTop,
  type Orientation,
  type Vec3,
} from '../../../space/index.ts';
import type { CandidateModel } from './schema.ts';

type Candidates = z.output<typeof CandidateModel>;

/**
 * The unit quaternion of a rotation, x, y, z, w, with w from 0: the largest of the four is taken
 * from the trace and gives the others (Shepperd, "Quaternion from Rotation Matrix", 1978).
 *
 * @example quaternionOf([[1, 0, 0], [0, 1, 0], [0, 0, 1]]) // [0, 0, 0, 1]
 */
export function quaternionOf(m: readonly [Vec3, Vec3, Vec3]): [number, number, number, number] {
  const [[a, b, c], [d, e, f], [g, h, i]] = m;
  const squares = [1 + a - e - i, 1 - a + e - i, 1 - a - e + i, 1 + a + e + i];
  const largest = squares.indexOf(Math.max(...squares));
  const root = Math.sqrt(Math.max(...squares)) * 2;
  const full = root / 4;
  const [s, t, u] = [h - f, c - g, d - b].map((value) => value / root) as [number, number, number];
  const [v, w, x] = [b + d, c + g, f + h].map((value) => value / root) as [number, number, number];
  const found = [
    [full, v, w, s],
    [v, full, x, t],
    [w, x, full, u],
    [s, t, u, full],
  ][largest] as [number, number, number, number];
  const sign = found[3] < 0 || (found[3] === 0 && found.find((value) => value !== 0)! < 0) ? -1 : 1;
  return found.map((value) => sign * value + 0) as [number, number, number, number];
}

const numbers = new Map(orientations.map(({ front, top }, index) => [`${front} ${top}`, index]));

interface Turned {
  orientation: number;
  matrix: number[][];
  quaternion: number[];
}
const turns = new Map<string, Turned>();

/** What is said of an orientation; worked out once. What is none stands as it was made. */
function turnedTo(given: Orientation): Turned {
  const orientation: Orientation = isOrientation(given) ? given : { front: 'south', top: 'up' };
  const key = `${orientation.front} ${orientation.top}`;
  const known = turns.get(key);
  if (known) return known;
  const matrix = matrixOf(orientation);
  const made = {
    orientation: numbers.get(key) ?? 0,
    matrix: matrix.map((row) => [...row]),
    quaternion: quaternionOf(matrix),
  };
  turns.set(key, made);
  return made;
}

/** A candidate of a look, with all that follows from its front and top. */
export function candidateModel({
  model,
  front = 'south',
  top = usualTop(front),
  upright = false,
  share = 1,
}: Candidate): Candidates {
  const isTurned = front !== 'south' || top !== 'up';
  return { model, front, top, isTurned, ...turnedTo({ front, top }), upright, share };
}
