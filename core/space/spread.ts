/**
 * A whole number spread evenly over 32 bits by the three it is made of: products with odd
 * constants, folded by shifts (Knuth, The Art of Computer Programming 3, 6.4). The same three
 * always give the same number, so what is chosen by a place in the world never changes.
 * `docs/block-pack.md` writes it out for other programs.
 */
export function mix(a: number, b: number, c: number): number {
  let h =
    Math.imul(a ^ 0x9e3779b9, 0x85ebca6b) ^
    Math.imul(b + 0x7f4a7c15, 0xc2b2ae35) ^
    Math.imul(c + 0x165667b1, 0x27d4eb2f);
  h ^= h >>> 15;
  h = Math.imul(h, 0x2c1b3c6d);
  h ^= h >>> 12;
  return (h ^ (h >>> 15)) >>> 0;
}

/**
 * Which of several things with shares a number picks. The number is spread evenly over 32 bits;
 * shares below zero count as none.
 *
 * @example pickShare([3, 1], 0) // 0
 */
export function pickShare(shares: readonly number[], even: number): number {
  const counted = shares.map((share) => Math.max(0, share));
  let left = (even / 2 ** 32) * counted.reduce((sum, share) => sum + share, 0);
  return Math.max(
    0,
    counted.findIndex((share) => (left -= share) < 0),
  );
}

/**
 * Numbers from 0 up to but without 1, always the same ones for a seed: the count of the call,
 * spread by the same function that chooses candidates.
 */
export function seededRandom(seed: number): () => number {
  let count = 0;
  return () => mix(seed, (count += 1), 0x5bd1) / 2 ** 32;
}

/**
 * Where a scattered block stands at a place in the world: a shift along x and z, each from −most to
 * +most texels.
 */
export function scatterAt(x: number, z: number, most: number): readonly [number, number] {
  const along = (salt: number) => ((mix(x, salt, z) / 2 ** 32) * 2 - 1) * most;
  return [along(1001), along(1002)];
}
