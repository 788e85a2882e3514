import { seededRandom, mix } from '../space/index.ts';
import { costOf, energyRange, rayCount, stepCost } from './blast.ts';

/**
 * Blocks around a charge, by their blast rating; −1 is air. The first size counts slowest: z, then
 * y, then x fastest.
 */
export interface BlastWorld {
  width: number;
  height: number;
  depth: number;
  ratings: Float64Array;
}

/** A world of nothing but air. */
export const emptyWorld = (width: number, height: number, depth: number): BlastWorld => ({
  width,
  height,
  depth,
  ratings: new Float64Array(width * height * depth).fill(-1),
});

/** The place of a cell of the world. */
export const worldCell = ({ width, height }: BlastWorld, x: number, y: number, z: number): number =>
  (z * height + y) * width + x;

/**
 * One charge goes off in the middle of a cell; what it breaks becomes air in the world itself. Rays
 * go one after the other, each in a direction and with an energy of its own, from cell to cell
 * (Amanatides and Woo, A Fast Voxel Traversal Algorithm, 1987). A direction evenly from the sphere
 * is an even height and an even angle (Archimedes).
 */
export function explode(
  world: BlastWorld,
  cell: readonly [number, number, number],
  strength: number,
  draw: () => number,
): void {
  for (let ray = 0; ray < rayCount; ray += 1) {
    const y = draw() * 2 - 1;
    const around = draw() * 2 * Math.PI;
    const flat = Math.sqrt(1 - y * y);
    sendRay(
      world,
      cell,
      flat * Math.cos(around),
      y,
      flat * Math.sin(around),
      strength * (energyRange[0] + draw() * (energyRange[1] - energyRange[0])),
    );
  }
}

/**
 * Sends one ray along a direction of length 1. Plain numbers throughout: this is where all the time
 * goes.
 */
function sendRay(
  { width, height, depth, ratings }: BlastWorld,
  source: readonly [number, number, number],
  alongX: number,
  alongY: number,
  alongZ: number,
  energy: number,
): void {
  let x = source[0];
  let y = source[1];
  let z = source[2];
  const sx = Math.sign(alongX);
  const sy = Math.sign(alongY);
  const sz = Math.sign(alongZ);
  const dx = Math.abs(1 / alongX);
  const dy = Math.abs(1 / alongY);
  const dz = Math.abs(1 / alongZ);
  let tx = dx / 2;
  let ty = dy / 2;
  let tz = dz / 2;
  let left = energy;
  while (left > 0) {
    if (tx < ty && tx < tz) {
      x += sx;
      tx += dx;
    } else if (ty < tz) {
      y += sy;
      ty += dy;
    } else {
      z += sz;
      tz += dz;
    }
    if (x < 0 || y < 0 || z < 0 || x >= width || y >= height || z >= depth) return;
    const cell = (z * height + y) * width + x;
    const rating = ratings[cell]!;
    if (rating < 0) left -= stepCost;
    else {
      if (left > rating) ratings[cell] = -1;
      left -= costOf(rating);
    }
  }
}

/**
 * How often something happened, with the bounds between which its odds lie in 95 of 100 such
 * samples.
 */
export interface Estimate {
  odds: number;
  low: number;
  high: number;
  samples: number;
  seed: number;
}

/**
 * The interval of a share counted in a sample (Wilson, J. Am. Stat. Assoc. 22, 1927, with z =
 * 1.96).
 */
export function wilson(
  happened: number,
  samples: number,
): { odds: number; low: number; high: number } {
  const [n, z2] = [samples, 1.96 ** 2];
  const odds = happened / n;
  const middle = (odds + z2 / (2 * n)) / (1 + z2 / n);
  const half = (1.96 / (1 + z2 / n)) * Math.sqrt((odds * (1 - odds)) / n + z2 / (4 * n * n));
  return { odds, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/** A wall of a block, as it is tried: 11 wide and high, 6 thick. */
const [wallSide, wallThick] = [11, 6];

/** What many charges do to a wall of a block. */
export interface Crater {
  /**
   * For each layer from the front to the back and each cell of the middle line from the top down,
   * how often it was gone.
   */
  gone: number[][];
  /** The block right before the charge. */
  survives: Estimate;
}

/**
 * Charges before walls of a block, one after the other: `distance` 1 is touching. Yields after each
 * sample how many are done, so that whoever runs it can show it, stop it and let others work; gives
 * the crater in the end.
 */
export function* craterSteps(
  rating: number,
  strength: number,
  distance: number,
  samples: number,
  seed: number,
): Generator<number, Crater> {
  const middle = (wallSide - 1) / 2;
  const gone = Array.from({ length: wallThick }, () => new Array<number>(wallSide).fill(0));
  let survived = 0;
  const whole = emptyWorld(wallSide, wallSide, distance + wallThick);
  for (let z = distance; z < whole.depth; z += 1)
    for (let y = 0; y < wallSide; y += 1)
      for (let x = 0; x < wallSide; x += 1)
        whole.ratings[worldCell(whole, x, y, z)] = Math.max(0, rating);
  const world = { ...whole, ratings: whole.ratings.slice() };
  for (let sample = 0; sample < samples; sample += 1) {
    world.ratings.set(whole.ratings);
    explode(world, [middle, middle, 0], strength, seededRandom(mix(seed, sample, 77)));
    for (let layer = 0; layer < wallThick; layer += 1)
      for (let y = 0; y < wallSide; y += 1)
        if (world.ratings[worldCell(world, middle, wallSide - 1 - y, distance + layer)]! < 0)
          gone[layer]![y]! += 1 / samples;
    if (world.ratings[worldCell(world, middle, middle, distance)]! >= 0) survived += 1;
    yield sample + 1;
  }
  return { gone, survives: { ...wilson(survived, samples), samples, seed } };
}

/** The crater all at once. */
export function craterIn(
  rating: number,
  strength: number,
  distance: number,
  samples: number,
  seed: number,
): Crater {
  const steps = craterSteps(rating, strength, distance, samples, seed);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
