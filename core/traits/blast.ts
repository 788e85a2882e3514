import { itemAt } from '../lists/index.ts';
/** A charge of the stand-in engine. */
export interface Charge {
  name: string;
  strength: number;
}

/** The charges that the stand-in engine has, the smallest first. */
export const charges: readonly Charge[] = [
  { name: 'small charge', strength: 4 },
  { name: 'charge', strength: 10 },
  { name: 'great charge', strength: 24 },
];

/**
 * The least blast rating that a charge can never break: the greatest energy of its rays, touching.
 */
export const unbreakableFrom = ({ strength }: Charge): number => energyRange[1] * strength;

/** How many rays a charge sends, each in a direction drawn evenly from the whole sphere. */
export const rayCount = 512;
/** The energy of a ray is drawn evenly between these shares of the charge's strength. */
export const energyRange = [0.75, 1.25] as const;
/** What a step into a cell costs a ray: this much in any case … */
export const stepCost = 1;
/** … and this share of the blast rating of the block that stands there. */
export const ratingShare = 0.25;

/** The energy that a ray loses on its way through a cell. */
export const costOf = (rating: number): number => stepCost + ratingShare * Math.max(0, rating);

/**
 * The share of all rays of a charge that go into the cell `distance` cells away along an axis. From
 * the middle of the charge's cell the near side of that cell is a square of one block at `distance`
 * − ½; its share is its solid angle over that of the whole sphere (a rectangle seen from above its
 * middle: 4 atan(αβ / √(1 + α² + β²)); Khadjavi, J. Opt. Soc. Am. 58, 1968).
 *
 * @example rayShare(1) // 1/6: one side of the cell around the charge
 */
export function rayShare(distance: number): number {
  const half = 0.5 / (distance - 0.5);
  return Math.atan((half * half) / Math.sqrt(1 + 2 * half * half)) / Math.PI;
}

/** The chance that a ray's energy is above `energy`. */
const chanceAbove = (energy: number, strength: number): number => {
  const [low, high] = [energyRange[0] * strength, energyRange[1] * strength];
  return low === high
    ? Number(low > energy)
    : Math.min(1, Math.max(0, (high - energy) / (high - low)));
};

/**
 * The odds that a block which stands alone in the open survives a charge, exact: no ray may reach
 * it with more energy than its rating. A ray that goes into its cell has crossed `distance` − 1
 * cells of air, each at the price of a step, so (1 − share · P(energy > rating + distance −
 * 1))^rays.
 *
 * @example oddsInTheOpen(4, 10, 3) // 0.00…: a charge of 10 three cells away
 */
export function oddsInTheOpen(rating: number, strength: number, distance: number): number {
  return (
    (1 - rayShare(distance) * chanceAbove(rating + (distance - 1) * stepCost, strength)) ** rayCount
  );
}

/** What stands between a charge and a block: so many blocks of a rating, right before it. */
export interface Cover {
  rating: number;
  thick: number;
}

/**
 * The odds that a block survives behind cover, exact. Only rays that stay in the row of cells from
 * the charge to the block reach it,
 * and what they take away of the cover is gone for those that follow: a Markov chain over which
 * blocks of the row still stand, one step a ray. `thick` is at most 6 and at most `distance` − 1;
 * the rest of the way is air.
 */
export function oddsBehindCover(
  rating: number,
  strength: number,
  distance: number,
  cover: Cover,
): number {
  const thick = Math.min(cover.thick, distance - 1);
  if (thick <= 0) return oddsInTheOpen(rating, strength, distance);
  const first = distance - thick;
  const blocks = thick + 1;
  const ratings = [...new Array<number>(thick).fill(cover.rating), rating];
  const all = 2 ** blocks - 1;
  const target = 1 << thick;
  /** How likely a ray goes as far as each block of the row and no further. */
  const reaches = ratings.map(
    (_, k) => rayShare(first + k) - (k === thick ? 0 : rayShare(first + k + 1)),
  );
  /** For each set of standing blocks, what a ray leaves standing, with its chance. */
  const steps = Array.from({ length: all + 1 }, (_, standing) =>
    stepsFrom(standing, ratings, first, strength, reaches),
  );
  let odds = new Float64Array(all + 1);
  odds[all] = 1;
  for (let ray = 0; ray < rayCount; ray += 1) {
    const next = new Float64Array(all + 1);
    odds.forEach((chance, standing) => {
      if (chance === 0) return;
      for (const [left, share] of itemAt(steps, standing)) next[left]! += chance * share;
    });
    odds = next;
  }
  return odds.reduce((sum, chance, standing) => (standing & target ? sum + chance : sum), 0);
}

/** Where one ray leads from a set of standing blocks: every outcome with its chance. */
function stepsFrom(
  standing: number,
  ratings: readonly number[],
  first: number,
  strength: number,
  reaches: readonly number[],
): [number, number][] {
  const found = new Map<number, number>();
  const add = (left: number, chance: number) => found.set(left, (found.get(left) ?? 0) + chance);
  add(standing, 1 - reaches.reduce((sum, reach) => sum + reach, 0));
  // The energy that a ray must start with to take each block: its rating and all that the way costs
  // before it.
  let before = (first - 1) * stepCost;
  const needed = ratings.map((rating, k) => {
    const need = standing & (1 << k) ? before + rating : Infinity;
    before += standing & (1 << k) ? costOf(rating) : stepCost;
    return need;
  });
  reaches.forEach((reach, last) => {
    const met = needed.slice(0, last + 1);
    const thresholds = [...new Set(met.filter((need) => need !== Infinity))].sort((a, b) => a - b);
    // Between two thresholds every energy takes the same blocks.
    let above = 1;
    for (let i = 0; i <= thresholds.length; i += 1) {
      const next = i < thresholds.length ? chanceAbove(itemAt(thresholds, i), strength) : 0;
      const left = met.reduce(
        (set, need, k) => (i > 0 && need <= itemAt(thresholds, i - 1) ? set & ~(1 << k) : set),
        standing,
      );
      if (above > next) add(left, reach * (above - next));
      above = next;
    }
  });
  return [...found];
}
