import { mkdtempSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { inflateSync } from 'node:zlib';
import { inspect, inspectBuilt } from '../core/inspect/index.ts';
import { kitNamed } from '../core/kits/index.ts';
import { applyChange, type Change, type Mod } from '../core/mod/index.ts';
import { bigMod } from './big-mod.ts';
import { medians, type Line, type Median } from './figures.ts';

/** How often each edit is made: the middle one counts. */
const runs = 15;

/**
 * Inspection of a large mod: reading and checking its files against what any program must do with
 * them, and what a person waits for after one edit, in mods of 500, 2,000 and 8,000 blocks.
 */
export async function benchInspect(median: Median, line: Line): Promise<void> {
  await benchCheck(line);
  const sizes = [500, 2000, 8000].map((many) => ({ many, ...editTimes(median, many) }));
  for (const { many, first } of sizes)
    line(`inspect.${many}.first`, `inspect ${many} blocks from nothing`, `${first.toFixed(0)} ms`);
  for (const what of Object.keys(edits))
    sizes.forEach(({ many, first, edit }, i) => {
      const time = edit[what] ?? NaN;
      const before = sizes[i - 1]?.edit[what];
      line(
        `inspect.${many}.edit.${what}`,
        `one edit of a ${what} among ${many} blocks, inspected`,
        `${time.toFixed(1)} ms`,
        (before === undefined ? '' : `× ${(time / before).toFixed(1)} for × 4 blocks, `) +
          `1/${(first / time).toFixed(0)} of all`,
      );
    });
}

/** Files of 2,000 blocks on this disk: read and checked ÷ read, parsed and inflated. */
async function benchCheck(line: Line): Promise<void> {
  const { mod, blobs } = bigMod(2000);
  const kit = kitNamed('block-pack');
  const folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-bench-'));
  const files = kit.write(mod, (sha256) => blobs.get(sha256)!);
  for (const [file, bytes] of files) {
    mkdirSync(path.dirname(path.join(folder, file)), { recursive: true });
    writeFileSync(path.join(folder, file), bytes);
  }
  const read = () =>
    [...files.keys()].map((file) => [file, readFileSync(path.join(folder, file))] as const);
  const [floor, check] = await medians(
    5,
    () => {
      for (const [file, bytes] of read())
        if (file.endsWith('.json')) JSON.parse(bytes.toString());
        else if (file.endsWith('.png')) inflatePng(bytes);
    },
    () => void inspectBuilt(kit, new Map(read())),
  );
  rmSync(folder, { recursive: true, force: true });
  line(
    'check.2000.floor-ratio',
    `read and check ${files.size} files of 2,000 blocks ÷ read, JSON.parse, zlib`,
    (check / floor).toFixed(1),
    `${check.toFixed(0)} ms ÷ ${floor.toFixed(0)} ms`,
  );
}

/** The pixels of a PNG as zlib unpacks them. */
function inflatePng(bytes: Buffer): void {
  for (let at = 8; at + 12 <= bytes.length; at += 12 + bytes.readUInt32BE(at))
    if (bytes.toString('latin1', at + 4, at + 8) === 'IDAT')
      inflateSync(bytes.subarray(at + 8, at + 8 + bytes.readUInt32BE(at)));
}

/** Edits of one block, each other than the one before. */
const edits: Record<string, (mod: Mod, name: string, run: number) => Change> = {
  trait: (mod, name, run) => ({
    path: `/blocks/${name}/traits/hardness`,
    before: mod.blocks[name]!.traits.hardness,
    after: 3 + run,
  }),
  name: (mod, name, run) => ({
    path: `/blocks/${name}/names/en`,
    before: mod.blocks[name]!.names['en'],
    after: `Named ${run}`,
  }),
  loot: (mod, name, run) => ({
    path: `/blocks/${name}/loot`,
    before: mod.blocks[name]!.loot,
    after: { draws: [{ times: run + 1, lots: [{ give: `saltmarsh:${name}` }] }] },
  }),
  tag: (mod, name, run) => ({
    path: `/blocks/${name}/tags`,
    before: mod.blocks[name]!.tags,
    after: run % 2 ? ['saltmarsh:pick_dug'] : ['saltmarsh:axe_dug', 'saltmarsh:spade_dug'],
  }),
  recipe: (mod, name, run) => ({
    path: '/recipes/fired',
    before: mod.recipes['fired'],
    after: {
      kind: 'fire',
      takes: `saltmarsh:${name}`,
      gives: 'saltmarsh:bank_0001',
      seconds: run + 1,
    },
  }),
};

function editTimes(median: Median, many: number): { first: number; edit: Record<string, number> } {
  let { mod: at } = bigMod(many);
  const first = median(1, () => void inspect(at));
  const name = Object.keys(at.blocks)[many >> 1]!;
  const edit: Record<string, number> = {};
  for (const [what, make] of Object.entries(edits)) {
    const times: number[] = [];
    for (let run = 0; run < runs; run += 1) {
      at = applyChange<Mod>(at, make(at, name, run));
      times.push(median(1, () => void inspect(at)));
    }
    edit[what] = times.sort((a, b) => a - b)[runs >> 1]!;
  }
  return { first, edit };
}
