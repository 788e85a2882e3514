import { itemAt } from '../lists/index.ts';
import type { Count } from '../mod/index.ts';

/** More outcomes than this are not told one by one. */
export const mostOutcomes = 4096;

const share = (chance: number): number => Math.min(1, Math.max(0, chance));

/**
 * The least and the most that a count can be, in whole numbers from 0. Upside down it is read the
 * right way up.
 */
export function spanOf(count: Count | undefined): readonly [number, number] {
  if (count === undefined) return [1, 1];
  const [a, b] =
    typeof count === 'number' ? [count, count] : Array.isArray(count) ? count : [0, count.tries];
  const low = Math.max(0, Math.ceil(Math.min(a, b)));
  return [low, Math.max(low, Math.floor(Math.max(a, b)))];
}

/** The mean of a count: the middle of a range, tries times their chance. */
export function meanOf(count: Count | undefined): number {
  const [low, high] = spanOf(count);
  return typeof count === 'object' && !Array.isArray(count)
    ? high * share(count.chance)
    : (low + high) / 2;
}

/**
 * The mean of xᴺ over a count N: its probability generating function (Feller, An Introduction to
 * Probability Theory, XI.1). With x the chance that one time brings nothing it is the chance that
 * all of them bring nothing.
 *
 * @example generating([1, 3], 0.5) // (0.5 + 0.25 + 0.125) / 3
 */
export function generating(count: Count | undefined, x: number): number {
  const [low, high] = spanOf(count);
  if (typeof count === 'object' && !Array.isArray(count))
    return (1 - share(count.chance) * (1 - x)) ** high;
  if (low === high || x === 1) return x ** low;
  if (x === 0) return low === 0 ? 1 / (high + 1) : 0;
  // The geometric sum without the difference of two numbers that are nearly one.
  const many = high - low + 1;
  return (x ** low * -Math.expm1(many * Math.log1p(x - 1))) / ((1 - x) * many);
}

/**
 * The chance of each number from 0 on; undefined where there are more than {@link mostOutcomes}.
 */
export function spread(count: Count | undefined): number[] | undefined {
  const [low, high] = spanOf(count);
  if (high >= mostOutcomes) return undefined;
  if (typeof count === 'object' && !Array.isArray(count))
    return binomial(high, share(count.chance));
  return Array.from({ length: high + 1 }, (_, n) => (n < low ? 0 : 1 / (high - low + 1)));
}

/** The binomial distribution, from its likeliest value outwards so that nothing underflows. */
function binomial(tries: number, chance: number): number[] {
  if (chance === 0 || chance === 1)
    return Array.from({ length: tries + 1 }, (_, n) => (n === chance * tries ? 1 : 0));
  const odds = chance / (1 - chance);
  const mode = Math.min(tries, Math.floor((tries + 1) * chance));
  const all = new Array<number>(tries + 1).fill(0);
  all[mode] = 1;
  for (let n = mode + 1; n <= tries; n += 1)
    all[n] = (itemAt(all, n - 1) * odds * (tries - n + 1)) / n;
  for (let n = mode - 1; n >= 0; n -= 1)
    all[n] = (itemAt(all, n + 1) * (n + 1)) / (odds * (tries - n));
  const sum = all.reduce((a, b) => a + b, 0);
  return all.map((one) => one / sum);
}

/** The distribution of a sum of two. */
export function convolve(a: readonly number[], b: readonly number[]): number[] {
  const sum = new Array<number>(a.length + b.length - 1).fill(0);
  a.forEach((x, i) => {
    if (x)
      b.forEach((y, j) => {
        sum[i + j]! += x * y;
      });
  });
  return sum;
}

/**
 * The distribution of a sum of N alike, N drawn too: by Horner's rule over its generating function.
 * Undefined where it would be too long.
 */
export function compound(
  times: readonly number[] | undefined,
  each: readonly number[] | undefined,
): number[] | undefined {
  if (!times || !each || (times.length - 1) * (each.length - 1) >= mostOutcomes) return undefined;
  let sum = [times.at(-1)!];
  for (let n = times.length - 2; n >= 0; n -= 1) {
    sum = convolve(sum, each);
    sum[0]! += itemAt(times, n);
  }
  return sum;
}
