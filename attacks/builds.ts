/**
 * Attacks on folders: builds that are killed, builds at once, files saved meanwhile, links and
 * pipes in the way.
 */
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import path from 'node:path';
import { blockPack } from '../core/kits/block-pack/index.ts';
import { flattened } from '../core/families/index.ts';
import { readModFolder } from '../core/folder/index.ts';
import { inspectBuilt } from '../core/inspect/index.ts';
import {
  DiskProblem,
  planBuild as plan,
  readFolder,
  writeBuild as write,
  type Built,
  type BuildOptions,
} from '../disk/index.ts';
import type { Files } from '../core/bytes/index.ts';
import { inFolder, peakOf, type Outcome } from './program.ts';

/** Everything here is built as a Block Pack. */
const asPack = (files: Files): Built => ({ files, kit: blockPack });
const planBuild = (target: string, files: Files) => plan(target, asPack(files));
const writeBuild = (target: string, files: Files, options?: BuildOptions) =>
  write(target, asPack(files), options);

async function demoPack(): Promise<Files> {
  const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const mod = flattened(declared);
  return blockPack.write(mod, (sha256) => blobs.get(sha256) ?? new Uint8Array());
}
const turn = () => new Promise((resolve) => setImmediate(resolve));
const isWhole = async (target: string) =>
  !inspectBuilt(blockPack, await readFolder(target)).some(({ severity }) => severity === 'error');

/**
 * Kills builds at every stage: the target holds the old or the new pack whole, and the next build
 * leaves nothing beside it.
 */
export const killedBuilds = (rounds: number): Promise<Outcome> =>
  inFolder(async (folder) => {
    const target = path.join(folder, 'pack');
    const built = await demoPack();
    let lost = 0;
    await writeBuild(target, built);
    writeFileSync(path.join(target, 'NOTES.md'), 'mine');
    for (let round = 0; round < rounds; round += 1) {
      const child = spawn(
        process.execPath,
        ['scripts/obrank.mjs', 'build', 'demo/saltmarsh', '--out', target],
        { stdio: 'ignore' },
      );
      while (!existsSync(`${target}.obrank-work`) && child.exitCode === null) await turn();
      for (let i = 0; i < round * 20; i += 1) await turn();
      child.kill('SIGKILL');
      if (child.exitCode === null && child.signalCode === null) await once(child, 'exit');
      await writeBuild(target, built);
      if (
        !(await isWhole(target)) ||
        readFileSync(path.join(target, 'NOTES.md'), 'utf8') !== 'mine' ||
        readdirSync(folder).length !== 1
      )
        lost += 1;
    }
    return {
      attack: 'kill while building',
      tries: rounds,
      lost,
      refused: 0,
      peakMb: peakOf(process.pid),
    };
  });

/** Saves a file into the target at some moment of a build: it is there afterwards. */
export const savedMeanwhile = (rounds: number): Promise<Outcome> =>
  inFolder(async (folder) => {
    const target = path.join(folder, 'pack');
    const built = await demoPack();
    let [lost, refused] = [0, 0];
    await writeBuild(target, built);
    for (let round = 0; round < rounds; round += 1) {
      const next = new Map([
        ...built,
        ['rules/recipes/new.json', new TextEncoder().encode(String(round))],
      ]);
      const build = writeBuild(target, next, { overwrite: true }).catch((error: unknown) => {
        if (!(error instanceof DiskProblem)) throw error;
        refused += 1;
      });
      for (let i = 0; i < (round * 37) % 400; i += 1) await turn();
      const saved = path.join(target, `note-${round}.txt`);
      for (let isSaved = false; !isSaved;) {
        try {
          writeFileSync(saved, String(round));
          isSaved = true;
        } catch {
          await turn();
        }
      }
      await build;
      const kept = [
        saved,
        ...readdirSync(folder)
          .filter((name) => name.includes('.before-build-'))
          .map((name) => path.join(folder, name, `note-${round}.txt`)),
      ];
      if (!kept.some((file) => existsSync(file) && readFileSync(file, 'utf8') === String(round)))
        lost += 1;
    }
    return {
      attack: 'save into the target while it is built',
      tries: rounds,
      lost,
      refused,
      peakMb: peakOf(process.pid),
    };
  });

/** Many builds into one target at once: each is done or refused with one sentence. */
export const buildsAtOnce = (rounds: number): Promise<Outcome> =>
  inFolder(async (folder) => {
    const target = path.join(folder, 'pack');
    const built = await demoPack();
    let [tries, lost, refused] = [0, 0, 0];
    for (let round = 0; round < rounds; round += 1) {
      const all = await Promise.allSettled(
        Array.from({ length: 4 }, () => writeBuild(target, built)),
      );
      tries += all.length;
      for (const one of all) {
        if (one.status === 'fulfilled') continue;
        if (one.reason instanceof DiskProblem && /Another build/.test(one.reason.message))
          refused += 1;
        else lost += 1;
      }
      if (!(await isWhole(target)) || readdirSync(folder).length !== 1) lost += 1;
    }
    return {
      attack: 'four builds at once into one target',
      tries,
      lost,
      refused,
      peakMb: peakOf(process.pid),
    };
  });

/**
 * Links out of the target, leftovers that are not ours, pipes and devices: nothing outside is
 * touched, and each is told.
 */
export const thingsInTheWay = (): Promise<Outcome> =>
  inFolder(async (folder) => {
    const target = path.join(folder, 'pack');
    const built = await demoPack();
    let [tries, lost, refused] = [0, 0, 0];
    const attempt = async (work: () => Promise<unknown>) => {
      tries += 1;
      await work().catch((error: unknown) => {
        if (error instanceof DiskProblem) refused += 1;
        else lost += 1;
      });
    };
    await writeBuild(target, built);
    const outside = path.join(folder, 'outside');
    mkdirSync(outside);
    writeFileSync(path.join(outside, 'thesis.txt'), 'mine');
    mkdirSync(`${target}.obrank-old`);
    writeFileSync(path.join(`${target}.obrank-old`, 'thesis.txt'), 'mine');
    for (const file of ['registry.json', 'view/textures/salt_crust_a.png']) {
      renameSync(path.join(target, file), path.join(folder, 'aside'));
      symlinkSync(path.join(outside, 'thesis.txt'), path.join(target, file));
      await attempt(() => writeBuild(target, built));
      await attempt(() => writeBuild(target, built, { overwrite: true }));
    }
    renameSync(path.join(target, 'view'), path.join(folder, 'view'));
    symlinkSync(outside, path.join(target, 'view'));
    await attempt(() => writeBuild(target, built, { overwrite: true }));
    spawnSync('mkfifo', [path.join(folder, 'pipe.obpack')]);
    for (const place of [
      '/dev',
      '/dev/null',
      '/proc/self',
      path.join(folder, 'pipe.obpack'),
      'relative',
    ])
      await attempt(() => planBuild(place, built));
    for (const mine of [outside, `${target}.obrank-old`])
      if (
        readFileSync(path.join(mine, 'thesis.txt'), 'utf8') !== 'mine' ||
        readdirSync(mine).length !== 1
      )
        lost += 1;
    return {
      attack: 'links, pipes and leftovers in the way',
      tries,
      lost,
      refused,
      peakMb: peakOf(process.pid),
    };
  });
