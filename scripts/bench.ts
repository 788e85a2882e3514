/**
 * Measures building, checking and editing as ratios to what any program must do, in one run.
 * Nothing fails here: one reads the figures.
 */
import { mkdtempSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { inspect, inspectBuilt } from '../core/inspect/index.ts';
import { kitNamed } from '../core/kits/index.ts';
import { blockPack } from '../core/kits/block-pack/index.ts';
import { applyChange, type Mod } from '../core/mod/index.ts';
import { readFolder } from '../disk/index.ts';
import { bigMod } from './big-mod.ts';
import { benchDesk } from './bench-desk.ts';
import { benchEngine } from './bench-engine.ts';
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

/** One edit of one block, inspected: what a person waits for while typing. */
function editTime(many: number): { first: number; edit: number } {
  let { mod: at } = bigMod(many);
  const first = median(1, () => inspect(at));
  const name = Object.keys(at.blocks)[many >> 1]!;
  let value = at.blocks[name]!.traits.hardness as number;
  const edit = median(21, () => {
    at = applyChange<Mod>(at, {
      path: `/blocks/${name}/traits/hardness`,
      before: value,
      after: value + 1,
    });
    value += 1;
    inspect(at);
  });
  return { first, edit };
}
editTime(100);
const [small, large] = [editTime(500), editTime(2000)];
line('inspect.500.first', 'inspect 500 blocks from nothing', `${small.first.toFixed(0)} ms`);
line(
  'inspect.2000.first',
  'inspect 2,000 blocks from nothing',
  `${large.first.toFixed(0)} ms`,
  `× ${(large.first / small.first).toFixed(1)} for × 4 blocks`,
);
line('inspect.500.edit', 'one edit among 500 blocks, inspected', `${small.edit.toFixed(1)} ms`);
line(
  'inspect.2000.edit',
  'one edit among 2,000 blocks, inspected',
  `${large.edit.toFixed(1)} ms`,
  `× ${(large.edit / small.edit).toFixed(1)} for × 4 blocks`,
);
rmSync(folder, { recursive: true, force: true });
benchStates(median, line);
benchLight(median, line);
benchMaking(median, line);
benchModels(median, line);
await benchMatrix(line);
await benchDesk(line);
await benchEngine(line);
done();
