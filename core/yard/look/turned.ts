import type { Vec3 } from '../../space/index.ts';

/**
 * A step or point turned about an axis through 0 by degrees and the right-hand rule.
 *
 * @example turnedAbout([1, 0, 0], { about: 'y', by: 90 }) // [0, 0, -1]
 */
export function turnedAbout(
  [x, y, z]: Vec3,
  { about, by }: { about: 'x' | 'y' | 'z'; by: number },
): Vec3 {
  const angle = (by / 180) * Math.PI;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  if (about === 'x') return [x, y * cos - z * sin, z * cos + y * sin];
  if (about === 'y') return [x * cos + z * sin, y, z * cos - x * sin];
  return [x * cos - y * sin, y * cos + x * sin, z];
}
