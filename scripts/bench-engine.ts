import { engineKit } from '../core/kits/index.ts';
import { emptyMod, type Mod } from '../core/mod/index.ts';
import { askEngine } from '../disk/index.ts';
import { bigMod } from './big-mod.ts';
import type { Line } from './figures.ts';

/** So often each is measured; the middle one counts. */
const runs = 3;

/** How long the engine takes to load what is built from a mod, in milliseconds. */
async function loading(mod: Mod, blobOf: (sha256: string) => Uint8Array): Promise<number> {
  const { engine } = engineKit;
  const built = engineKit.write(mod, blobOf);
  const laid = engine.lay(mod, built, { onlyLoads: true });
  const times: number[] = [];
  for (let run = 0; run < runs; run += 1) {
    const begun = performance.now();
    const heard = await askEngine(engine, laid);
    times.push(performance.now() - begun);
    if (heard.complaint !== undefined) throw new Error(heard.complaint);
  }
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)] ?? 0;
}

/** Measures building 2,000 blocks for the real engine, and what they cost that when it starts. */
export async function benchEngine(line: Line): Promise<void> {
  const blobOf = (blobs: ReadonlyMap<string, Uint8Array>) => (sha256: string) =>
    blobs.get(sha256) ?? new Uint8Array();
  const time = (many: number) => {
    const { mod, blobs } = bigMod(many);
    const begun = performance.now();
    engineKit.write(mod, blobOf(blobs));
    return performance.now() - begun;
  };
  time(200);
  const [some, all] = [time(200), time(2000)];
  line(
    'engine.write-growth',
    'engine: building 2,000 blocks ÷ 200',
    (all / some).toFixed(1),
    `${all.toFixed(0)} ms ÷ ${some.toFixed(0)} ms`,
  );
  const { mod, blobs } = bigMod(2000);
  const empty = await loading(emptyMod('saltmarsh', 'Saltmarsh'), () => new Uint8Array());
  const full = await loading(mod, blobOf(blobs));
  line(
    'engine.load-ratio',
    'engine: loading 2,000 blocks ÷ loading none',
    (full / empty).toFixed(2),
    `${full.toFixed(0)} ms ÷ ${empty.toFixed(0)} ms`,
  );
}
