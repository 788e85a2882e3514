/**
 * Measures building, checking and editing as ratios to what any program must do, in one run.
 * Nothing fails here: one reads the figures.
 */
import { mkdtempSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { inspectBuilt } from '../core/inspect/index.ts';
import { kitNamed } from '../core/kits/index.ts';
import { blockPack } from '../core/kits/block-pack/index.ts';
import { readFolder } from '../disk/index.ts';
import { bigMod } from './big-mod.ts';
import { benchDesk } from './bench-desk.ts';
import { benchEngine } from './bench-engine.ts';
import { benchInspect } from './bench-inspect.ts';
import { benchLight } from './bench-light.ts';
import { benchMaking } from './bench-making.ts';
import { benchMatrix } from './bench-matrix.ts';
import { benchModels } from './bench-models.ts';
import { benchStates } from './bench-states.ts';
import { figures, median } from './figures.ts';

const { line, done } = figures(process.argv.slice(2));
const folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-bench-'));

const { mod, blobs } = bigMod(500);
const kit = kitNamed(mod.header.kit);
const blobOf = (sha256: string) => blobs.get(sha256)!;
const writeTo = (target: string, files: ReadonlyMap<string, Uint8Array>) => {
  for (const [file, bytes] of files) {
    mkdirSync(path.dirname(path.join(target, file)), { recursive: true });
    writeFileSync(path.join(target, file), bytes);
  }
};

const files = kit.write(mod, blobOf);
const fresh = () => structuredClone(mod);
const build = median(5, (run) =>
  writeTo(path.join(folder, `built-${run}`), kit.write(fresh(), blobOf)),
);
const plain = median(5, (run) => writeTo(path.join(folder, `plain-${run}`), files));
line(
  'build.files',
  '500 blocks: files',
  String(files.size),
  `${([...files.values()].reduce((sum, bytes) => sum + bytes.length, 0) / 1048576).toFixed(1)} MB`,
);
line(
  'build.write-ratio',
  'build and write ÷ write the same bytes',
  (build / plain).toFixed(2),
  `${build.toFixed(0)} ms ÷ ${plain.toFixed(0)} ms`,
);

const target = path.join(folder, 'built-0');
const onDisk = await readFolder(target);
const check = median(5, () => {
  const again = new Map(
    [...onDisk.keys()].map((file) => [file, readFileSync(path.join(target, file))]),
  );
  const found = inspectBuilt(blockPack, again);
  if (found.length) throw new Error(`the bench's own pack has findings: ${found[0]!.message}`);
});
const parse = median(5, () => {
  for (const file of onDisk.keys()) {
    const bytes = readFileSync(path.join(target, file));
    if (file.endsWith('.json')) JSON.parse(bytes.toString());
  }
});
line(
  'check.read-ratio',
  'read and check ÷ read and JSON.parse the same files',
  (check / parse).toFixed(2),
  `${check.toFixed(0)} ms ÷ ${parse.toFixed(0)} ms`,
);

rmSync(folder, { recursive: true, force: true });
benchInspect(median, line);
benchStates(median, line);
benchLight(median, line);
benchMaking(median, line);
benchModels(median, line);
await benchMatrix(line);
await benchDesk(line);
await benchEngine(line);
done();
