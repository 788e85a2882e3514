/**
 * Measures building, checking and editing as ratios to what any program must do, in one run.
 * Nothing fails here: one reads the figures.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { kitNamed } from '../core/kits/index.ts';
import { writeBuild } from '../disk/index.ts';
import { bigMod } from './big-mod.ts';
import { benchDesk } from './bench-desk.ts';
import { benchEngine } from './bench-engine.ts';
import { benchFamilies } from './bench-families.ts';
import { benchFluids } from './bench-fluids.ts';
import { benchHome } from './bench-home.ts';
import { benchInspect } from './bench-inspect.ts';
import { benchKitPage } from './bench-kit-page.ts';
import { benchKits } from './bench-kits.ts';
import { benchLight } from './bench-light.ts';
import { benchMaking } from './bench-making.ts';
import { benchMatrix } from './bench-matrix.ts';
import { benchOpening } from './bench-opening.ts';
import { benchModels } from './bench-models.ts';
import { benchTextures } from './bench-textures.ts';
import { benchStates } from './bench-states.ts';
import { benchYard } from './bench-yard.ts';
import { figures, median, medians } from './figures.ts';

const { line, done } = figures(process.argv.slice(2));
const folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-bench-'));

const { mod, blobs } = bigMod(2000);
const kit = kitNamed(mod.header.kit);
const blobOf = (sha256: string) => blobs.get(sha256)!;

const files = kit.write(mod, blobOf);
// Of a mod that was built before much is known already.
const fresh = Array.from({ length: 5 }, () => structuredClone(mod));
const [build, plain] = await medians(
  5,
  (run) =>
    writeBuild(path.join(folder, `built-${run}`), { kit, files: kit.write(fresh[run]!, blobOf) }),
  (run) => writeBuild(path.join(folder, `plain-${run}`), { kit, files }),
);
line(
  'build.files',
  '2,000 blocks: files',
  String(files.size),
  `${([...files.values()].reduce((sum, bytes) => sum + bytes.length, 0) / 1048576).toFixed(1)} MB`,
);
line(
  'build.write-ratio',
  'build and write ÷ write the same files the same way',
  (build / plain).toFixed(2),
  `${build.toFixed(0)} ms ÷ ${plain.toFixed(0)} ms`,
);

rmSync(folder, { recursive: true, force: true });
await benchInspect(median, line);
benchFamilies(median, line);
benchFluids(median, line);
await benchKits(median, line);
await benchKitPage(line);
benchStates(median, line);
benchLight(median, line);
benchMaking(median, line);
benchModels(median, line);
await benchOpening(line);
await benchHome(line);
await benchTextures(median, line);
await benchMatrix(line);
await benchDesk(line);
await benchYard(median, line);
await benchEngine(line);
done();
