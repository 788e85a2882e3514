/**
 * Plants every mistake of a tired author in the built demo, one at a time, and tells how many the
 * checker found, and where it should have and did not: `npm run mutations`.
 */
import { flattened } from '../core/families/index.ts';
import { readModFolder } from '../core/folder/index.ts';
import { mutationsOf, type Mutation } from '../core/inspect/testing/mutations.ts';
import { howCaught, withoutDigests } from '../core/inspect/testing/caught.ts';
import { kitNamed } from '../core/kits/index.ts';
import { readTree } from '../disk/index.ts';

const every = Number(process.argv[2] ?? 1);
const kit = kitNamed('block-pack');
const { mod: declared, blobs } = readModFolder((await readTree('demo/saltmarsh')).files);
const mod = flattened(declared);
const built = withoutDigests(kit.write(mod, (sha256) => blobs.get(sha256)!));
const sums = new Map<string, { tried: number; caught: number; onLine: number; silent: number }>();
const missed: Mutation[] = [];
for (const mutation of mutationsOf(built, (i) => i % every === 0)) {
  const sum = sums.get(mutation.kind) ?? { tried: 0, caught: 0, onLine: 0, silent: 0 };
  sums.set(mutation.kind, sum);
  const how = howCaught(kit, mutation);
  if (mutation.silent !== undefined) sum.silent += 1;
  else {
    sum.tried += 1;
    if (how !== 'missed') sum.caught += 1;
    if (how === 'on its line') sum.onLine += 1;
    if (how === 'missed') missed.push(mutation);
  }
}
const total = [...sums.values()].reduce((a, b) => ({
  tried: a.tried + b.tried,
  caught: a.caught + b.caught,
  onLine: a.onLine + b.onLine,
  silent: a.silent + b.silent,
}));
for (const [kind, sum] of [...sums, ['all', total] as const])
  console.log(
    `${kind.padEnd(20)} ${sum.caught} / ${sum.tried} caught, ${sum.onLine} on the line, ` +
      `${sum.silent} change nothing`,
  );
for (const { what } of missed) console.log(`missed: ${what}`);
if (missed.length) process.exitCode = 1;
