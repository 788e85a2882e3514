import { itemAt } from '../../../core/lists/index.ts';
/** A familiar value on a ruler. */
export interface Tick {
  value: number;
  name: string;
}

/** A logarithmic scale from `low` to `high`: equal steps along it are equal ratios. */
export interface Scale {
  /** Where an amount lies, from 0 to 1; what is outside lies at the end. */
  at: (amount: number) => number;
  /** The amount at a place from 0 to 1, to two digits that a person would write. */
  amount: (where: number) => number;
}

/**
 * @example logScale(1, 100).at(10) // 0.5
 */
export function logScale(low: number, high: number): Scale {
  const span = Math.log(high / low);
  const within = (where: number) => Math.min(1, Math.max(0, where));
  return {
    at: (amount) => within(Math.log(Math.max(low, amount) / low) / span),
    amount(where) {
      const exact = low * Math.exp(within(where) * span);
      return Number(exact.toPrecision(exact < 1 ? 1 : 2));
    },
  };
}

/**
 * A scale on which equal steps are equal differences. Amounts come in whole `step`s.
 *
 * @example linearScale(0, 15, 1).at(3) // 0.2
 */
export function linearScale(low: number, high: number, step: number): Scale {
  const within = (where: number) => Math.min(1, Math.max(0, where));
  return {
    at: (amount) => within((amount - low) / (high - low)),
    amount: (where) =>
      Number((Math.round((low + within(where) * (high - low)) / step) * step).toFixed(6)),
  };
}

/**
 * The value of the tick within `reach` (a share of the ruler) of a place, else the scale's amount
 * there.
 */
export function snapped(
  scale: Scale,
  ticks: readonly Tick[],
  where: number,
  reach: number,
): number {
  const near = ticks
    .filter((tick) => Math.abs(scale.at(tick.value) - where) < reach)
    .sort((a, b) => Math.abs(scale.at(a.value) - where) - Math.abs(scale.at(b.value) - where))[0];
  return near?.value ?? scale.amount(where);
}

/**
 * A tick with its place, and the line that its name stands on: names that would touch go one line
 * lower, those that fit on neither have none.
 */
export interface PlacedTick extends Tick {
  where: number;
  line: 0 | 1 | undefined;
}

/** Gives every tick its place, from low to high. A letter takes `letter` of the ruler's width. */
export function placeTicks(scale: Scale, ticks: readonly Tick[], letter = 0.0155): PlacedTick[] {
  const last = [
    { where: -1, length: 0 },
    { where: -1, length: 0 },
  ];
  return [...ticks]
    .sort((a, b) => a.value - b.value)
    .map((tick) => {
      const where = scale.at(tick.value);
      const line = ([0, 1] as const).find(
        (row) =>
          where - itemAt(last, row).where >
          ((tick.name.length + itemAt(last, row).length) / 2) * letter + 0.012,
      );
      if (line !== undefined) last[line] = { where, length: tick.name.length };
      return { ...tick, where, line };
    });
}

/** So many names of a bundle are told. */
const mostNames = 8;

/**
 * Own blocks that lie on one place of the ruler: the first value there, how many they are, and the
 * names of the first few.
 */
export interface Bundle {
  where: number;
  value: number;
  many: number;
  names: string[];
}

/**
 * Things on a ruler, drawn together where they lie closer than `apart`. One walk, and only names
 * that are told are asked for: a mod may have thousands of blocks.
 */
export function bundled<T>(
  scale: Scale,
  things: readonly T[],
  valueOf: (thing: T) => number | undefined,
  nameOf: (thing: T) => string,
  apart = 0.012,
): Bundle[] {
  const bundles: (Bundle | undefined)[] = [];
  for (const thing of things) {
    const value = valueOf(thing);
    if (value === undefined) continue;
    const where = scale.at(value);
    const bundle = (bundles[Math.floor(where / apart)] ??= { where, value, many: 0, names: [] });
    bundle.many += 1;
    if (bundle.names.length < mostNames) bundle.names.push(nameOf(thing));
  }
  return bundles.filter((bundle) => bundle !== undefined);
}

/**
 * The stock materials as ticks for one of their numbers; materials with the same number share a
 * tick.
 */
export function stockTicks(
  stocks: readonly { name: string; traits: object }[],
  numberOf: (traits: never) => number | undefined,
): Tick[] {
  const byValue = new Map<number, string[]>();
  for (const { name, traits } of stocks) {
    const value = numberOf(traits as never);
    if (value !== undefined) byValue.set(value, [...(byValue.get(value) ?? []), name]);
  }
  return [...byValue].map(([value, names]) => ({
    value,
    name: names.length > 2 ? 'other stock' : names.join(', '),
  }));
}

/**
 * Where a key leads from a value on a scale, inside of its bounds and in whole steps; undefined for
 * keys that lead nowhere.
 *
 * @example valueAfterKey('PageUp', 3.2, { low: 0.3, high: 16, step: 0.1 }) // 4.2
 */
export function valueAfterKey(
  key: string,
  value: number,
  { low, high, step }: { low: number; high: number; step: number },
): number | undefined {
  const steps: Readonly<Record<string, number>> = {
    ArrowRight: 1,
    ArrowUp: 1,
    ArrowLeft: -1,
    ArrowDown: -1,
    PageUp: 10,
    PageDown: -10,
    Home: -Infinity,
    End: Infinity,
  };
  const by = Object.hasOwn(steps, key) ? steps[key] : undefined;
  if (by === undefined) return undefined;
  const whole = Math.round(value / step + by) * step;
  return Math.min(high, Math.max(low, Number(whole.toFixed(6))));
}
