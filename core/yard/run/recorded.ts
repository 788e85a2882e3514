import type { PackWorld } from '../pack-world.ts';
import type { Deed, RecordedRun } from './deeds.ts';
import { Run } from './run.ts';
import { isKept } from './saved.ts';

/** A run is at most so many ticks long: a day and a night at a hundred a second. */
const mostTicks = 2_000_000;
const mostDeeds = 1_000_000;

const known: ReadonlySet<string> = new Set<Deed['do']>([
  'walk',
  'look',
  'fly',
  'hold',
  'dig',
  'act',
  'place',
  'use',
  'hour',
  'blast',
  'kindle',
  'bring',
  'break',
  'place at',
  'dig at',
  'use at',
  'move',
]);

const isWhole = (value: unknown): value is number => Number.isInteger(value);
const isPlace = (value: unknown): boolean =>
  Array.isArray(value) && value.length === 3 && value.every(isWhole);

/** Whether everything of a deed that is a number or a place is one. */
function isDeed(value: unknown): value is Deed {
  if (typeof value !== 'object' || value === null || !known.has((value as Deed).do)) return false;
  return Object.entries(value).every(([key, part]) => {
    if (key === 'place' || key === 'from' || key === 'to') return isPlace(part);
    if (key === 'held')
      return part === undefined || typeof (part as { item?: unknown }).item === 'string';
    return ['string', 'boolean'].includes(typeof part) || Number.isFinite(part);
  });
}

/**
 * A recorded run out of its file. Throws an Error with a sentence when it is none.
 *
 * @example runFrom('{"scene": "Bare ground", "seed": 1, "ticks": 0, "deeds": [], "digest": "…"}')
 */
export function runFrom(text: string): RecordedRun {
  let value: Partial<RecordedRun> | null;
  try {
    value = JSON.parse(text) as Partial<RecordedRun> | null;
  } catch {
    throw new Error('This is no recorded run: it cannot be read as JSON.');
  }
  const { scene, seed, kept, ticks, deeds, digest } = value ?? {};
  const isRun =
    typeof scene === 'string' && isWhole(seed) && isWhole(ticks) && typeof digest === 'string';
  if (!isRun || !Array.isArray(deeds) || ticks < 0)
    throw new Error('This is no recorded run: it has no scene, seed, ticks, deeds and digest.');
  if (ticks > mostTicks || deeds.length > mostDeeds)
    throw new Error('This run is too long to be played again.');
  const wrong = (deeds as unknown[]).findIndex(
    (one) => !Array.isArray(one) || !isWhole(one[0]) || !isDeed(one[1]),
  );
  if (wrong >= 0) throw new Error(`What is done ${wrong + 1}. in this run is nothing that can be.`);
  if (kept !== undefined && !isKept(kept))
    throw new Error('The world in which this run begins is none.');
  return {
    scene,
    seed,
    ...(kept && { kept }),
    ticks,
    deeds: deeds as RecordedRun['deeds'],
    digest,
  };
}

/**
 * Plays a recorded run again on a pack. Where the pack is the same, so is the world at its end.
 *
 * @example playedAgain(world, recorded).digest() === recorded.digest
 */
export function playedAgain(world: PackWorld, recorded: RecordedRun): Run {
  const { scene, seed, kept, ticks, deeds } = recorded;
  const run = new Run(world, { scene, seed, kept });
  const due = new Map<number, Deed[]>();
  for (const [tick, deed] of deeds) due.set(tick, [...(due.get(tick) ?? []), deed]);
  for (let tick = 0; tick < ticks; tick += 1) run.tick(due.get(tick));
  return run;
}
