import { expect, test } from '@jest/globals';
import { buildsAtOnce, thingsInTheWay } from './builds.ts';
import { fullDisk, writers } from './data.ts';
import { hostileFiles } from './files.ts';
import { fuzzedBodies, idleConnections, unfinishedBodies, unreadStreams } from './network.ts';
import type { Outcome } from './program.ts';

/**
 * A part of every attack; `npm run attack` does them at length. Kills have tests of their own
 * beside what they kill.
 */
const sample: [string, () => Promise<Outcome>][] = [
  ['a full disk', () => fullDisk(2)],
  ['writers at once', () => writers(4)],
  ['builds at once', () => buildsAtOnce(2)],
  ['things in the way', thingsInTheWay],
  ['hostile files', hostileFiles],
  ['unread streams', () => unreadStreams(8)],
  ['unfinished bodies', () => unfinishedBodies(60)],
  ['idle connections', () => idleConnections(900)],
  ['fuzzed bodies', () => fuzzedBodies(300)],
];

test.each(sample)(
  '%s: nothing is lost',
  async (_, attack) => {
    const { lost, note } = await attack();
    expect({ lost, note: lost ? note : '' }).toEqual({ lost: 0, note: '' });
  },
  300_000,
);
