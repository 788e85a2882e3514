/**
 * Damages files of every kind that comes from elsewhere, over and over, and reads them:
 * `npm run fuzz [-- cases [first seed]]`. A reader that falls over, takes long or fills the memory
 * is told with the seed that shows it again. The reading is done in a thread of its own, so that
 * one that never ends is seen from outside.
 */
import { readFileSync } from 'node:fs';
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';
import { fileURLToPath } from 'node:url';
import { flattened } from '../core/families/index.ts';
import { readModFolder } from '../core/folder/index.ts';
import { targetsIn, tryOne } from '../core/inspect/testing/fuzz.ts';
import { kitNamed } from '../core/kits/index.ts';
import { soundFixtures } from '../core/sounds/fixtures/sounds.ts';
import { messageOf } from '../core/words/index.ts';
import { readTree } from '../disk/index.ts';

/** Longer than this no file of the samples' size may take, on the slowest of machines. */
const mostMilliseconds = 30_000;
/** The thread may not need more memory than this. */
const mostMegabytes = 700;

type Said =
  | { say: 'began'; kind: string; seed: number }
  | { say: 'fell'; kind: string; seed: number; message: string }
  | { say: 'done'; kind: string; cases: number; longest: number; megabytes: number };

async function hunt({ cases, first }: { cases: number; first: number }): Promise<void> {
  const { mod: declared, blobs } = readModFolder((await readTree('demo/saltmarsh')).files);
  const mod = flattened(declared);
  const built = kitNamed('block-pack').write(mod, (sha256) => blobs.get(sha256)!);
  const sounds = soundFixtures(readFileSync('core/sounds/fixtures/sounds.json', 'utf8'));
  const targets = targetsIn(built, sounds);
  const say = (said: Said) => parentPort?.postMessage(said);
  for (const target of targets) {
    const each = Math.ceil(cases / targets.length);
    let longest = 0;
    for (let seed = first; seed < first + each; seed += 1) {
      if (seed % 16 === 0) say({ say: 'began', kind: target.name, seed });
      const start = performance.now();
      try {
        tryOne(target, seed);
      } catch (error) {
        say({ say: 'fell', kind: target.name, seed, message: messageOf(error) });
      }
      longest = Math.max(longest, performance.now() - start);
    }
    const megabytes = Math.round(process.memoryUsage().rss / 1048576);
    say({ say: 'done', kind: target.name, cases: each, longest, megabytes });
  }
}

/** Watches over the thread, and tells how it went. */
function watch(cases: number, first: number): void {
  const worker = new Worker(fileURLToPath(import.meta.url), {
    workerData: { cases, first },
    resourceLimits: { maxOldGenerationSizeMb: mostMegabytes },
  });
  let last = 'nothing yet';
  let fallen = 0;
  const give = (words: string) => {
    console.error(words);
    process.exit(1);
  };
  const hangs = () => give(`No end within ${mostMilliseconds / 1000} s: at or after ${last}.`);
  let timer = setTimeout(hangs, mostMilliseconds);
  worker.on('message', (said: Said) => {
    clearTimeout(timer);
    timer = setTimeout(hangs, mostMilliseconds);
    if (said.say === 'began') last = `${said.kind}, seed ${said.seed}`;
    if (said.say === 'fell') {
      fallen += 1;
      console.error(`${said.kind}, seed ${said.seed}: ${said.message}`);
    }
    if (said.say === 'done')
      console.log(
        `${said.kind.padEnd(5)} ${said.cases} read, the longest in ` +
          `${said.longest.toFixed(1)} ms; ${said.megabytes} MB in use`,
      );
  });
  worker.on('error', (error) => give(`${messageOf(error)} At or after ${last}.`));
  worker.on('exit', () => {
    clearTimeout(timer);
    if (fallen) process.exitCode = 1;
  });
}

if (isMainThread) watch(Number(process.argv[2] ?? 100_000), Number(process.argv[3] ?? 1));
else await hunt(workerData as { cases: number; first: number });
