import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { once } from 'node:events';
import {
  chmodSync,
  existsSync,
  linkSync,
  lstatSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  readlinkSync,
  renameSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { createServer } from 'node:net';
import { spawn, spawnSync } from 'node:child_process';
import os from 'node:os';
import path from 'node:path';
import { readZip, type Files } from '../core/bytes/index.ts';
import { blockPack } from '../core/kits/block-pack/index.ts';
import { flattened } from '../core/families/index.ts';
import { readModFolder } from '../core/folder/index.ts';
import {
  DiskProblem,
  planBuild as plan,
  readFolder,
  readModOrPack,
  recordFile,
  writeBuild as write,
  type Built,
  type BuildOptions,
} from './index.ts';
import { inWords } from './problem.ts';

/** Everything here is built as a Block Pack. */
const asPack = (files: Files): Built => ({ files, kit: blockPack });
const planBuild = (target: string, files: Files) => plan(target, asPack(files));
const writeBuild = (target: string, files: Files, options?: BuildOptions) =>
  write(target, asPack(files), options);

let folder: string;
let target: string;
let built: Files;
beforeEach(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-disk-'));
  target = path.join(folder, 'pack');
  const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const mod = flattened(declared);
  built = blockPack.write(mod, (sha256) => blobs.get(sha256)!);
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const read = (file: string) => readFileSync(path.join(target, file), 'utf8');
const fates = async (files = built) =>
  Object.fromEntries(
    (await planBuild(target, files)).files
      .filter((file) => file.fate !== 'same')
      .map((file) => [file.path, file.fate]),
  );
const changed = (path_: string, text: string): Files =>
  new Map([...built, [path_, new TextEncoder().encode(text)]]);
const without = (gone: string): Files => new Map([...built].filter(([file]) => file !== gone));

test('a first build writes everything, a second one finds everything the same', async () => {
  const shown: number[] = [];
  await writeBuild(target, built, { onProgress: (done, total) => shown.push(done / total) });
  expect(await readFolder(target)).toEqual(built);
  expect(shown.at(-1)).toBe(1);
  expect(await fates()).toEqual({});
  await writeBuild(target, built);
  expect(readdirSync(folder)).toEqual(['pack']);
});

test('changed and gone files of our own need no question', async () => {
  await writeBuild(target, built);
  const next = changed('rules/recipes/new.json', '{}');
  next.delete('rules/recipes/salt_crust.json');
  expect(await fates(next)).toEqual({
    'rules/recipes/new.json': 'new',
    'rules/recipes/salt_crust.json': 'gone',
  });
  await writeBuild(target, next);
  expect(existsSync(path.join(target, 'rules/recipes/salt_crust.json'))).toBe(false);
});

test('what was changed by hand stays, and is told, for as long as nobody says otherwise', async () => {
  const file = 'rules/loot/salt_crust.json';
  await writeBuild(target, built);
  writeFileSync(path.join(target, file), '{ "mine": true }');
  expect(await fates()).toEqual({ [file]: 'merged' });
  await writeBuild(target, built);
  expect(read(file)).toBe('{ "mine": true }');
  expect(await fates()).toEqual({ [file]: 'merged' });
  await writeBuild(target, built, { overwrite: true });
  expect(await fates()).toEqual({});
});

describe('a file that both people and the mod changed', () => {
  const file = 'rules/tools.json';
  const asBuilt = () => JSON.parse(new TextDecoder().decode(built.get(file))) as object;
  const byHand = (more: object) =>
    writeFileSync(path.join(target, file), `${JSON.stringify({ ...asBuilt(), ...more })}\n`);
  const byMod = (more: object) => changed(file, JSON.stringify({ ...asBuilt(), ...more }, null, 2));

  test('holds both changes where they lie apart, in the form in which people wrote it', async () => {
    await writeBuild(target, built);
    byHand({ note: 'mine' });
    await writeBuild(target, byMod({ also: 1 }));
    expect(JSON.parse(read(file))).toEqual({ ...asBuilt(), note: 'mine', also: 1 });
    expect(read(file).split('\n')).toHaveLength(2);
  });

  test('is asked about where they meet, place by place, and is as it was decided', async () => {
    await writeBuild(target, built);
    byHand({ grades: 'mine', kinds: 'mine' });
    const next = byMod({ grades: 'new', kinds: 'new' });
    await expect(writeBuild(target, next)).rejects.toThrow(
      /changed the same place in 1 of the files.*rules\/tools\.json.*Nothing was written/,
    );
    const settled = [{ path: file, takes: ['mine', 'built'] as const }];
    expect((await plan(target, asPack(next))).files).toContainEqual(
      expect.objectContaining({ path: file, fate: 'clash', clashes: 2 }),
    );
    await write(target, asPack(next), { settled });
    const found = JSON.parse(read(file)) as Record<string, unknown>;
    expect(new Set([found['grades'], found['kinds']])).toEqual(new Set(['mine', 'new']));
    // What was decided is what people have from now on.
    expect((await plan(target, asPack(next))).ask).toBeUndefined();
  });

  test('that is no text is asked about whole, and stays where nothing new comes', async () => {
    const picture = 'view/textures/salt.png';
    await writeBuild(target, built);
    writeFileSync(path.join(target, picture), 'painted over');
    expect(await fates()).toEqual({ [picture]: 'merged' });
    await writeBuild(target, built);
    expect(read(picture)).toBe('painted over');
    await expect(writeBuild(target, changed(picture, 'another'))).rejects.toThrow(
      /changed by hand.*salt\.png/,
    );
  });

  test('that people said is theirs stays so, also for whoever does not say it again', async () => {
    await writeBuild(target, built);
    byHand({ note: 'mine' });
    await write(target, asPack(byMod({ note: 'new' })), { keep: [file] });
    const plain = await plan(target, asPack(byMod({ note: 'newer' })));
    expect(plain.files).toContainEqual(expect.objectContaining({ path: file, fate: 'mine' }));
    await writeBuild(target, byMod({ note: 'newer' }));
    expect(JSON.parse(read(file))).toMatchObject({ note: 'mine' });
    // Another one that becomes theirs takes nothing from the first.
    const other = 'registry.json';
    await write(target, asPack(byMod({ note: 'newer' })), { alsoKeep: [other] });
    const both = (await plan(target, asPack(byMod({ note: 'newer' })))).files;
    expect(both.flatMap((one) => (one.fate === 'mine' ? [one.path] : []))).toEqual([other, file]);
    const released = await plan(target, asPack(byMod({ note: 'newest' })), { keep: [] });
    expect(released.files).toContainEqual(expect.objectContaining({ path: file, fate: 'clash' }));
  });
});

test('a record that is damaged, or a link in its place, is none', async () => {
  await writeBuild(target, built);
  writeFileSync(path.join(target, recordFile), 'no archive');
  writeFileSync(path.join(target, 'rules/loot/salt_crust.json'), '{ "mine": true }');
  // The digests in the pack tell that it was edited, but not what was there.
  expect(await fates()).toEqual({ 'rules/loot/salt_crust.json': 'edited' });
  await expect(writeBuild(target, built)).rejects.toThrow(/changed by hand.*Nothing was written/);
  rmSync(path.join(target, '.obrank'), { recursive: true });
  const elsewhere = path.join(folder, 'elsewhere');
  mkdirSync(elsewhere);
  symlinkSync(elsewhere, path.join(target, '.obrank'));
  await writeBuild(target, built, { overwrite: true });
  expect(readdirSync(elsewhere)).toEqual([]);
  expect(await fates()).toEqual({});
});

test('the plan that was agreed to is the plan that is carried out', async () => {
  await writeBuild(target, built);
  rmSync(path.join(target, recordFile));
  writeFileSync(path.join(target, 'rules/loot/salt_crust.json'), '{ "mine": true }');
  const { id } = await planBuild(target, built);
  writeFileSync(path.join(target, 'rules/loot/reed_thatch.json'), '{ "also": "mine" }');
  await expect(writeBuild(target, built, { agreed: id })).rejects.toThrow(/Nothing was written/);
  await writeBuild(target, built, { agreed: (await planBuild(target, built)).id });
  expect(await fates()).toEqual({});
});

test('the same holds for an edited file that would be removed', async () => {
  await writeBuild(target, built);
  writeFileSync(path.join(target, 'rules/recipes/salt_crust.json'), '{ "mine": true }');
  await expect(writeBuild(target, without('rules/recipes/salt_crust.json'))).rejects.toThrow(
    /by hand/,
  );
});

test('files of others stay, and one in the way is asked about', async () => {
  await writeBuild(target, built);
  writeFileSync(path.join(target, 'NOTES.md'), 'mine');
  writeFileSync(path.join(target, '.hidden'), 'mine too');
  mkdirSync(path.join(target, 'view/models/own'), { recursive: true });
  writeFileSync(path.join(target, 'view/models/own/x.json'), '{}');
  await writeBuild(target, changed('rules/recipes/new.json', '{}'));
  expect([read('NOTES.md'), read('.hidden'), read('view/models/own/x.json')]).toEqual([
    'mine',
    'mine too',
    '{}',
  ]);
  const inTheWay = changed('view/models/own/x.json', '{ "slots": {} }');
  await expect(writeBuild(target, inTheWay)).rejects.toThrow(
    /did not write.*view\/models\/own\/x\.json/,
  );
  await writeBuild(target, inTheWay, { overwrite: true });
  expect(read('view/models/own/x.json')).toBe('{ "slots": {} }');
});

test('a folder with other files and no pack is asked about first', async () => {
  mkdirSync(target);
  writeFileSync(path.join(target, 'diary.txt'), 'mine');
  await expect(writeBuild(target, built)).rejects.toThrow(/1 other files and no pack/);
  expect(readdirSync(target)).toEqual(['diary.txt']);
});

test(
  'hidden files and folders, links and empty folders at any depth come through a build ' +
    'unharmed',
  async () => {
    await writeBuild(target, built);
    mkdirSync(path.join(target, '.history/deep'), { recursive: true });
    writeFileSync(path.join(target, '.history/deep/log'), 'mine');
    writeFileSync(path.join(target, 'view/models/.draft'), 'mine too');
    mkdirSync(path.join(target, 'view/empty'));
    symlinkSync('salt_crust_a.json', path.join(target, 'view/models/alias.json'));
    symlinkSync('/nowhere/at/all', path.join(target, 'rules/dangling'));
    await writeBuild(target, changed('rules/recipes/new.json', '{}'));
    expect([read('.history/deep/log'), read('view/models/.draft')]).toEqual(['mine', 'mine too']);
    expect([
      readlinkSync(path.join(target, 'view/models/alias.json')),
      readlinkSync(path.join(target, 'rules/dangling')),
    ]).toEqual(['salt_crust_a.json', '/nowhere/at/all']);
    expect(readdirSync(path.join(target, 'view/empty'))).toEqual([]);
    expect(read('rules/recipes/new.json')).toBe('{}');
  },
);

test('what cannot be carried over stops the build before anything is touched', async () => {
  await writeBuild(target, built);
  const server = createServer().listen(path.join(target, 'rules/socket'));
  await once(server, 'listening');
  await expect(writeBuild(target, changed('rules/recipes/new.json', '{}'))).rejects.toThrow(
    /neither a file nor a folder/,
  );
  server.close();
  expect(existsSync(path.join(target, 'rules/recipes/new.json'))).toBe(false);
  expect(readdirSync(folder)).toEqual(['pack']);
});

test(
  'a folder keeps its permissions, a new one is as open as others, and a link to a ' +
    'folder stays a link',
  async () => {
    await writeBuild(target, built);
    // eslint-disable-next-line @typescript-eslint/no-deprecated -- only asked, never set
    expect(statSync(target).mode & 0o777).toBe(0o777 & ~process.umask());
    chmodSync(target, 0o751);
    const linked = path.join(folder, 'linked');
    symlinkSync(target, linked);
    await writeBuild(linked, changed('rules/recipes/new.json', '{}'));
    expect(lstatSync(linked).isSymbolicLink()).toBe(true);
    expect(statSync(target).mode & 0o777).toBe(0o751);
    expect(read('rules/recipes/new.json')).toBe('{}');
  },
);

test('a target that is a file, a root, or below one: one sentence, nothing touched', async () => {
  writeFileSync(target, 'a file');
  await expect(writeBuild(target, built)).rejects.toThrow(/is a file/);
  await expect(writeBuild(path.join(target, 'inside'), built)).rejects.toThrow(
    /is a file, not a folder/,
  );
  await expect(planBuild('/', built)).rejects.toThrow(/not a place/);
  await expect(planBuild('~', built)).rejects.toThrow(/not a place/);
  await expect(planBuild('  ', built)).rejects.toThrow(DiskProblem);
  await expect(writeBuild('/proc/obrank/pack', built)).rejects.toThrow(DiskProblem);
  expect(readFileSync(target, 'utf8')).toBe('a file');
});

test('names that would leave the folder are refused before anything is written', async () => {
  await expect(writeBuild(target, changed('../outside.json', '{}'))).rejects.toThrow(
    /leaves the pack/,
  );
  expect(readdirSync(folder)).toEqual([]);
});

/**
 * What a build that was killed leaves beside its target: its work folder with the proof of a
 * process that is no more.
 */
function deadWork(parts: Record<string, string>): string {
  const { pid } = spawnSync(process.execPath, ['-e', '']);
  const work = `${target}.obrank-work`;
  mkdirSync(work);
  writeFileSync(
    path.join(work, 'build.json'),
    JSON.stringify({
      made: 'by Obrank, for a build',
      target,
      host: os.hostname(),
      pid,
      thread: 0,
      started: '',
      token: 'x',
    }),
  );
  for (const [name, text] of Object.entries(parts)) {
    mkdirSync(path.join(work, name));
    writeFileSync(path.join(work, name, 'own.txt'), text);
  }
  return work;
}

test(
  'a build that dies between its renames leaves the old pack, and the next one brings ' + 'it back',
  async () => {
    deadWork({ old: 'mine', new: 'half' });
    await expect(writeBuild(target, built)).rejects.toThrow(/1 other files and no pack/);
    expect([read('own.txt'), readdirSync(folder)]).toEqual(['mine', ['pack']]);
  },
);

test(
  'a build that dies after its renames: the new pack stands, what is left of the old is ' +
    'cleared away',
  async () => {
    await writeBuild(target, built);
    deadWork({ old: 'was replaced' });
    await writeBuild(target, built);
    expect(await readFolder(target)).toEqual(built);
    expect(readdirSync(folder)).toEqual(['pack']);
  },
);

test(
  'a build that dies before it has begun leaves an empty folder; a place that was ' +
    'filled since keeps what is in it, and the old stands beside',
  async () => {
    mkdirSync(`${target}.obrank-work-Ab12Cd`);
    deadWork({ old: 'mine', new: 'half' });
    mkdirSync(target);
    await writeBuild(target, built);
    expect(readdirSync(folder).sort()).toEqual(['pack', 'pack.before-build-1']);
    expect(readFileSync(path.join(`${target}.before-build-1`, 'own.txt'), 'utf8')).toBe('mine');
  },
);

test('what only looks like a leftover of ours is never touched', async () => {
  await writeBuild(target, built);
  for (const name of ['pack.obrank-old', 'pack.obrank-work', 'pack.obrank-work-mine']) {
    mkdirSync(path.join(folder, name));
    writeFileSync(path.join(folder, name, 'thesis.txt'), 'mine');
  }
  await expect(writeBuild(target, changed('rules/recipes/new.json', '{}'))).rejects.toThrow(
    /in the way and was not made by Obrank/,
  );
  renameSync(`${target}.obrank-work`, path.join(folder, 'other'));
  await writeBuild(target, changed('rules/recipes/new.json', '{}'));
  for (const name of ['pack.obrank-old', 'pack.obrank-work-mine', 'other'])
    expect(readFileSync(path.join(folder, name, 'thesis.txt'), 'utf8')).toBe('mine');
});

test(
  'eight builds at once into one target: each is done or says why in one sentence, and ' +
    'the target is whole',
  async () => {
    const builds = await Promise.allSettled(
      Array.from({ length: 8 }, (_, i) =>
        writeBuild(target, changed('rules/recipes/new.json', JSON.stringify({ i }))),
      ),
    );
    expect(builds.some((one) => one.status === 'fulfilled')).toBe(true);
    for (const one of builds)
      if (one.status === 'rejected')
        expect((one.reason as DiskProblem).message).toMatch(/Another build into .* is going on/);
    expect((await readFolder(target)).size).toBe(built.size + 1);
    expect(readdirSync(folder)).toEqual(['pack']);
  },
);

test(
  'a link in the target is asked about and replaced, never written through; one in ' +
    'place of a folder stops the build',
  async () => {
    await writeBuild(target, built);
    const outside = path.join(folder, 'outside');
    writeFileSync(outside, 'mine');
    for (const file of ['registry.json', 'view/textures/salt_crust_a.png']) {
      rmSync(path.join(target, file));
      symlinkSync(outside, path.join(target, file));
    }
    await expect(writeBuild(target, built)).rejects.toThrow(
      /2 that Obrank did not write, such as registry.json, a link/,
    );
    await writeBuild(target, built, { overwrite: true });
    expect([
      readFileSync(outside, 'utf8'),
      lstatSync(path.join(target, 'registry.json')).isFile(),
    ]).toEqual(['mine', true]);
    renameSync(path.join(target, 'view'), path.join(folder, 'elsewhere'));
    symlinkSync(path.join(folder, 'elsewhere'), path.join(target, 'view'));
    await expect(writeBuild(target, built, { overwrite: true })).rejects.toThrow(
      /view is a link where a folder of the pack belongs/,
    );
    // Two names of one file: the pack gets a file of its own.
    rmSync(path.join(target, 'view'));
    renameSync(path.join(folder, 'elsewhere'), path.join(target, 'view'));
    linkSync(path.join(target, 'code/ids.ts'), path.join(folder, 'second-name'));
    await writeBuild(target, changed('code/ids.ts', 'export {};'));
    expect(readFileSync(path.join(folder, 'second-name'), 'utf8')).not.toBe('export {};');
  },
);

test('a file that is saved into the target while builds run is never lost', async () => {
  await writeBuild(target, built);
  for (let round = 0; round < 12; round += 1) {
    const saved = path.join(target, `notes-${round}.txt`);
    const build = writeBuild(
      target,
      changed('rules/recipes/new.json', JSON.stringify({ round })),
    ).catch((error: unknown) => error);
    const state = { isDone: false };
    void build.then(() => {
      state.isDone = true;
    });
    // Saves as soon as it can, a little later in every round.
    for (let turn = 0; turn < round * 40 && !state.isDone; turn += 1)
      await new Promise((resolve) => setImmediate(resolve));
    let isSaved = false;
    while (!isSaved) {
      try {
        writeFileSync(saved, String(round));
        isSaved = true;
      } catch {
        await new Promise((resolve) => setImmediate(resolve));
      }
    }
    await build;
    expect(readFileSync(saved, 'utf8')).toBe(String(round));
  }
  expect(readdirSync(folder)).toEqual(['pack']);
});

test(
  'builds that are killed leave the old or the new pack whole, and nothing beside it ' +
    'after the next build',
  async () => {
    await writeBuild(target, built);
    const work = `${target}.obrank-work`;
    const slow = spawn(
      process.execPath,
      ['scripts/obrank.mjs', 'build', 'demo/saltmarsh', '--out', target],
      { stdio: 'ignore' },
    );
    while (!existsSync(work) && slow.exitCode === null)
      await new Promise((resolve) => setImmediate(resolve));
    slow.kill('SIGKILL');
    if (slow.exitCode === null && slow.signalCode === null) await once(slow, 'exit');
    await writeBuild(target, built);
    expect(await readFolder(target)).toEqual(built);
    expect(readdirSync(folder)).toEqual(['pack']);
  },
);

test.each(['relative/pack', './pack', 'pack.obpack'])(
  'the place %s is not a whole path, so nobody guesses from where',
  async (given) => {
    await expect(planBuild(given, built)).rejects.toThrow(/not a whole path/);
  },
);

test.each(['/dev', '/dev/null', '/proc/self', '/sys'])(
  '%s is no place for a pack',
  async (given) => {
    await expect(planBuild(given, built)).rejects.toThrow(/not a place for a pack/);
  },
);

test('pipes and devices are told at once, wherever they stand', async () => {
  const pipe = path.join(folder, 'pipe.obpack');
  spawnSync('mkfifo', [pipe]);
  await expect(planBuild(pipe, built)).rejects.toThrow(/neither a file nor a folder/);
  await expect(readModOrPack(pipe)).rejects.toThrow(/not an ordinary file/);
  await expect(readModOrPack('/dev/zero')).rejects.toThrow(/not an ordinary file/);
  await writeBuild(target, built);
  spawnSync('mkfifo', [path.join(target, 'rules/pipe')]);
  await expect(planBuild(target, built)).rejects.toThrow(/neither a file nor a folder/);
  expect((await readModOrPack(target)).unread).toEqual([
    { path: 'rules/pipe', message: 'It is neither a file nor a folder, so it is not read.' },
  ]);
});

test('a link that leads nowhere is said to, and other links in the target are counted', async () => {
  symlinkSync('/nowhere/at/all', path.join(folder, 'lost'));
  await expect(planBuild(path.join(folder, 'lost'), built)).rejects.toThrow(/leads nowhere/);
  await writeBuild(target, built);
  symlinkSync('/etc/hostname', path.join(target, 'alias.txt'));
  expect(await fates()).toEqual({ 'alias.txt': 'kept' });
});

test('a cancelled build leaves the old pack whole and nothing beside it', async () => {
  await writeBuild(target, built);
  const stop = new AbortController();
  stop.abort();
  await expect(
    writeBuild(target, changed('rules/recipes/new.json', '{}'), { signal: stop.signal }),
  ).rejects.toThrow(/cancelled/);
  expect(await readFolder(target)).toEqual(built);
  expect(readdirSync(folder)).toEqual(['pack']);
});

test('an .obpack is written whole and asked about when it is something else', async () => {
  const file = path.join(folder, 'saltmarsh.obpack');
  await writeBuild(file, built);
  expect(readZip(readFileSync(file))).toEqual(built);
  await writeBuild(file, built);
  writeFileSync(file, 'not a pack');
  await expect(writeBuild(file, built)).rejects.toThrow(/not a pack that Obrank built/);
  mkdirSync(path.join(folder, 'x.obpack'));
  await expect(writeBuild(path.join(folder, 'x.obpack'), built)).rejects.toThrow(/is a folder/);
});

test('what lies at a path is told apart, and neither is said to be neither', async () => {
  await writeBuild(target, built);
  expect((await readModOrPack(target)).kind).toBe('pack');
  expect((await readModOrPack('demo/saltmarsh')).kind).toBe('mod');
  await expect(readModOrPack('demo/art')).rejects.toThrow(/neither a mod/);
  await expect(readModOrPack(path.join(folder, 'gone'))).rejects.toThrow(/does not exist/);
  await expect(readModOrPack('package.json')).rejects.toThrow(/not a whole ZIP/);
});

test.each([
  ['ENOSPC', /disk is full.*untouched/],
  ['EROFS', /only be read/],
  ['EACCES', /may not be written/],
  ['EXYZ', /could not be used/],
])("the system's error %s becomes a sentence", (code, words) => {
  expect((inWords(Object.assign(new Error('system'), { code }), '/out') as Error).message).toMatch(
    words,
  );
});
