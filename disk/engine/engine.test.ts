import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import {
  chmodSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { flattened } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { randomMod } from '../../core/inspect/testing/random-blocks.ts';
import type { Files } from '../../core/bytes/index.ts';
import { engineKit, type AskedHow } from '../../core/kits/index.ts';
import type { Mod } from '../../core/mod/index.ts';
import { encodePicture } from '../../core/textures/index.ts';
import { readTree } from '../read.ts';
import { askEngine, folderStart, layOut, type AskOptions } from './ask.ts';
import { makeGallery } from './gallery.ts';
import { engineProgram } from './program.ts';

const { engine } = engineKit;
const png = encodePicture({ width: 16, height: 16, data: new Uint8Array(1024).fill(200) });
let scratch: string;
beforeAll(() => {
  scratch = mkdtempSync(path.join(tmpdir(), 'obrank-test-'));
});
afterAll(() => rmSync(scratch, { recursive: true }));
// A busy machine is no failure: an engine on it may take minutes.
jest.setTimeout(600_000);

const demo = async () => {
  const { mod: declared, blobs } = readModFolder((await readTree('demo/saltmarsh')).files);
  const mod = flattened(declared);
  return { mod, built: engineKit.write(mod, (sha256) => blobs.get(sha256)!) };
};
/** Asks about a mod as it was built; gives what the engine says otherwise. */
const verdict = async (
  mod: Mod,
  built: Files,
  { diggings, ...options }: AskedHow & AskOptions = {},
) => {
  const laid = engine.lay(mod, built, { diggings });
  const heard = await askEngine(engine, laid, options);
  return { checks: laid.checks, differences: engine.judge(mod, built, heard, { diggings }) };
};
/** Only what this process left: other tests ask an engine at the same time. */
const leftBehind = () => readdirSync(tmpdir()).filter((name) => name.startsWith(folderStart()));
const text = (bytes: Uint8Array | undefined) => new TextDecoder().decode(bytes);
const bytesOf = (words: string) => new TextEncoder().encode(words);

describe('what a real engine says', () => {
  test('the demo means to the engine what we say, in every block, state, drop, time and name', async () => {
    const { mod, built } = await demo();
    const told: number[] = [];
    const { checks, differences } = await verdict(mod, built, {
      onProgress: (done) => told.push(done),
    });
    expect(differences).toEqual([]);
    expect(checks).toBeGreaterThan(1000);
    expect(told.at(-1)).toBe(checks);
    expect(told).toEqual([...told].sort((a, b) => a - b));
    expect(leftBehind()).toEqual([]);
  });

  test('blocks of all sorts at random: whatever is predicted holds', async () => {
    const mod = randomMod(40, 20_261);
    const built = engineKit.write(mod, () => png);
    const { differences, checks } = await verdict(mod, built, { diggings: 1500 });
    expect(differences).toEqual([]);
    expect(checks).toBeGreaterThan(2000);
  });

  test('each damage to what was built is found, with the words of the engine', async () => {
    const { mod, built } = await demo();
    const blocks = text(built.get('blocks.lua'));
    /** The text with the first of some words in the part of one block changed. */
    const inBlock = (all: string, block: string, from: string | RegExp, to: string) => {
      const at = all.indexOf(`name = "saltmarsh:${block}"`);
      const changed = all.slice(at).replace(from, to);
      expect([block, changed === all.slice(at)]).toEqual([block, false]);
      return all.slice(0, at) + changed;
    };
    const damages: [block: string, from: string | RegExp, to: string, found: RegExp][] = [
      [
        'tide_lantern',
        'light_source = 13',
        'light_source = 12',
        /^saltmarsh:tide_lantern.* registered/,
      ],
      [
        'driftwood_chair',
        'codes = { 0, 2, 0, 3',
        'codes = { 0, 3, 0, 2',
        /^Driftwood chair, placed/,
      ],
      ['drying_rack', '"toward the player"', '"away from the player"', /^Drying rack, placed/],
      ['salt_crust', /saltmarsh_dig = \d+/, 'saltmarsh_dig = 1', /^Salt crust: seconds to dig/],
      ['samphire', 'chance = 0.4', 'chance = 0.5', /^Samphire: drops/],
      ['brack_seam', 'count = { 1, 2 }', 'count = { 1, 3 }', /^Brack seam: drops/],
      [
        'oyster_brick',
        'description = "Oyster brick"',
        'description = "Oyster"',
        /^Oyster brick: its name/,
      ],
      [
        'sluice_gate',
        'sunlight_propagates = true',
        'sunlight_propagates = false',
        /^saltmarsh:sluice_gate/,
      ],
      ['reed_thatch', 'paramtype2 = "facedir"', 'paramtype2 = "none"', /^saltmarsh:reed_thatch/],
      ['oyster_tile', /block_saltmarsh_\w+ = 1/, 'other = 1', /^saltmarsh:oyster_tile/],
      [
        'samphire',
        'selection_box = { type = "fixed", fixed = { { -0.3125',
        'selection_box = { type = "fixed", fixed = { { -0.1',
        /^Samphire: outline/,
      ],
    ];
    let changed = blocks;
    for (const [block, from, to] of damages) changed = inBlock(changed, block, from, to);
    const damaged = new Map(built)
      .set('blocks.lua', bytesOf(changed))
      .set('recipes.lua', bytesOf(text(built.get('recipes.lua')).replace('brack_bar"', 'salt"')))
      .set(
        'textures/saltmarsh_oyster_tile.png',
        built.get('textures/saltmarsh_oyster_tile.png')!.subarray(0, 60),
      )
      .set(
        'models/saltmarsh_drying_rack.obj',
        built.get('models/saltmarsh_drying_rack.obj')!.subarray(0, 900),
      )
      .set('locale/saltmarsh.de.tr', bytesOf('# textdomain: saltmarsh\n'));
    damaged.delete('textures/saltmarsh_salt.png');
    const { differences } = await verdict(mod, damaged, { diggings: 4000 });
    const said = differences.map(({ about }) => about);
    for (const [block, , , found] of damages)
      expect([block, said.some((about) => found.test(about))]).toEqual([block, true]);
    for (const found of [
      /^Recipe brack_bar/,
      /oyster_tile\.png/,
      /^Drying rack: the mesh/,
      /^Brack bar: its name/,
    ])
      expect([found, said.some((about) => found.test(about))]).toEqual([found, true]);
    expect(differences.some(({ engine: words }) => words.includes('saltmarsh_salt.png'))).toBe(
      true,
    );
    const lantern = differences.find(({ about }) => /^saltmarsh:tide_lantern/.test(about))!;
    expect(lantern).toMatchObject({
      ours: 'light 13',
      engine: 'light 12',
      of: { name: 'tide_lantern' },
    });
  });

  test('a mod that does not load: what the engine complains of is the difference', async () => {
    const { mod, built } = await demo();
    const broken = new Map(built).set('items.lua', bytesOf('return { name = '));
    const { differences } = await verdict(mod, broken);
    expect(differences).toHaveLength(1);
    expect(differences[0]).toMatchObject({ about: 'Loading the mod', ours: 'loads' });
    expect(differences[0]!.engine).toMatch(/items\.lua.*unexpected symbol/);
  });
});

describe('the gallery', () => {
  const { gallery } = engine;
  /** Pixels of the plain red in which the engine writes its errors over the picture. */
  const red = ({ data }: { data: Uint8Array }) => {
    let many = 0;
    for (let i = 0; i < data.length; i += 4)
      if (data[i]! > 215 && data[i + 1]! < 40 && data[i + 2]! < 40) many += 1;
    return many;
  };

  test('is left as a world, and the client draws it without a word of complaint', async () => {
    const { mod, built } = await demo();
    const folder = path.join(scratch, 'gallery');
    const files = gallery.lay(mod, built, true);
    const { pixels, complaint } = (await makeGallery(engine, files, { folder, photograph: true }))!;
    expect(complaint).toBeUndefined();
    expect([pixels.width, pixels.height]).toEqual(gallery.client.size);
    expect(red(pixels)).toBeLessThan(20);
    // Floor, blocks and sky: many colours, and none of them nearly all of the picture.
    const colours = new Map<number, number>();
    for (let i = 0; i < pixels.data.length; i += 4) {
      const key =
        (pixels.data[i]! >> 3) * 1024 +
        (pixels.data[i + 1]! >> 3) * 32 +
        (pixels.data[i + 2]! >> 3);
      colours.set(key, (colours.get(key) ?? 0) + 1);
    }
    expect(colours.size).toBeGreaterThan(300);
    expect(Math.max(...colours.values()) / (pixels.data.length / 4)).toBeLessThan(0.75);
    expect(readdirSync(folder)).toEqual(expect.arrayContaining(['world.mt', 'map.sqlite', 'game']));
    await expect(makeGallery(engine, files, { folder })).rejects.toThrow(/is not empty/);
    expect(readdirSync(scratch).filter((name) => name.startsWith('obrank-gallery-'))).toEqual([]);
  });

  test('a picture that is missing is said by the client, by its name', async () => {
    const { mod, built } = await demo();
    const damaged = new Map(built);
    damaged.delete('textures/saltmarsh_oyster_tile.png');
    const files = gallery.lay(mod, damaged, true);
    const { pixels, complaint } = (await makeGallery(engine, files, { photograph: true }))!;
    expect(complaint).toMatch(/saltmarsh_oyster_tile\.png/);
    expect(red(pixels)).toBeGreaterThan(500);
  });
});

describe('an engine that cannot be asked', () => {
  /** A program that says that it is the engine, and then does something else. */
  const pretender = (name: string, script: string) => {
    const file = path.join(scratch, name);
    const says = 'if [ "$1" = --version ]; then echo Minetest 5.6.1; exit 0; fi';
    writeFileSync(file, `#!/bin/sh\n${says}\n${script}\n`);
    chmodSync(file, 0o755);
    return file;
  };
  const small = () => {
    const mod = randomMod(2, 1);
    return engine.lay(
      mod,
      engineKit.write(mod, () => png),
      { diggings: 10 },
    );
  };
  const ask = (program: string | undefined, more: object = {}) =>
    askEngine(engine, small(), {
      env: { PATH: '', ...(program !== undefined && { OBRANK_ENGINE: program }) },
      ...more,
    });

  test('none is there, or another program stands in its place: a sentence says so', async () => {
    const nowhere = { ...engine, folders: [] };
    await expect(engineProgram(nowhere, { PATH: scratch })).rejects.toThrow(
      /not on this machine.*apt-get/,
    );
    await expect(ask('/bin/true')).rejects.toThrow(/is not the engine's program/);
    await expect(ask('/etc/passwd')).rejects.toThrow(/no program that this user may run/);
    await expect(ask(path.join(scratch, 'gone'))).rejects.toThrow(/no program/);
    expect(leftBehind()).toEqual([]);
  });

  test('one that hangs is stopped, with what it started; one that crashes is named', async () => {
    const hanging = pretender('hanging', '/bin/sleep 4711 & wait');
    await expect(ask(hanging, { patience: 300 })).rejects.toThrow(/said nothing for 0 seconds/);
    expect(readdirSync('/proc').filter((pid) => isRunning(pid, 'sleep\u00004711'))).toEqual([]);
    await expect(ask(pretender('crashing', 'kill -SEGV $$'))).rejects.toThrow(
      /crashed \(SIGSEGV\)/,
    );
    await expect(ask(pretender('silent', 'exit 3'))).rejects.toThrow(/by itself \(exit 3\)/);
    const taken = 'echo "ERROR[Main]: Failed to bind socket (port already in use?)"; exit 1';
    await expect(ask(pretender('taken', taken))).rejects.toThrow(/port taken/);
    const lying = '/bin/mkdir -p world; echo 7 > world/answers.json';
    const heard = await ask(pretender('lying', lying));
    expect(engine.judge(randomMod(2, 1), new Map(), heard)).toContainEqual({
      about: 'What the engine wrote down',
      ours: 'answers',
      engine: '7',
    });
    expect(leftBehind()).toEqual([]);
  });

  test('it can be stopped on the way, and leaves nothing', async () => {
    const stop = new AbortController();
    const { mod, built } = await demo();
    const asked = askEngine(engine, engine.lay(mod, built), {
      signal: stop.signal,
      onProgress: (done) => done > 0 && stop.abort(),
    });
    await expect(asked).rejects.toThrow('It was cancelled.');
    expect(leftBehind()).toEqual([]);
    await expect(ask(undefined, { signal: AbortSignal.abort() })).rejects.toThrow('cancelled');
  });

  test('a full disk is said', async () => {
    const folder = path.join(scratch, 'full');
    mkdirSync(folder);
    symlinkSync('/dev/full', path.join(folder, 'engine.conf'));
    const files = new Map([['engine.conf', bytesOf('port = 1\n')]]);
    await expect(layOut(folder, { files })).rejects.toThrow(/The disk is full/);
  });
});

function isRunning(pid: string, words: string): boolean {
  try {
    return /^\d+$/.test(pid) && text(readFileSync(`/proc/${pid}/cmdline`)).includes(words);
  } catch {
    return false;
  }
}
