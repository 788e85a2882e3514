/**
 * npm run attack: attacks Obrank in every way that once did harm, and prints what came of it. Exit
 * code 1 when anything was lost.
 */
import { buildsAtOnce, killedBuilds, savedMeanwhile, thingsInTheWay } from './builds.ts';
import { fullDisk, kills, writers } from './data.ts';
import { hostileFiles } from './files.ts';
import {
  fuzzedBodies,
  idleConnections,
  largePacks,
  unfinishedBodies,
  unreadStreams,
} from './network.ts';
import type { Outcome } from './program.ts';

const attacks: (() => Promise<Outcome>)[] = [
  () => kills(30),
  () => fullDisk(6),
  () => writers(25),
  () => killedBuilds(20),
  () => savedMeanwhile(60),
  () => buildsAtOnce(15),
  thingsInTheWay,
  hostileFiles,
  () => unreadStreams(60),
  () => unfinishedBodies(150),
  () => idleConnections(3000),
  () => fuzzedBodies(4000),
  () => largePacks(4000),
];

const heads = ['attack', 'tries', 'lost', 'refused', 'peak memory', 'time'];
const widths = [44, 7, 6, 8, 12, 8];
const line = (cells: (string | number)[]): string =>
  cells
    .map((cell, i) =>
      i === 0 ? String(cell).padEnd(widths[i] ?? 0) : String(cell).padStart(widths[i] ?? 0),
    )
    .join(' ');

console.log(line(heads));
let lost = 0;
for (const attack of attacks) {
  const began = performance.now();
  const outcome = await attack();
  lost += outcome.lost;
  console.log(
    line([
      outcome.attack,
      outcome.tries,
      outcome.lost,
      outcome.refused,
      `${outcome.peakMb} MB`,
      `${((performance.now() - began) / 1000).toFixed(1)} s`,
    ]),
  );
  if (outcome.note) console.log(`  ${outcome.note}`);
}
process.exitCode = lost ? 1 : 0;
