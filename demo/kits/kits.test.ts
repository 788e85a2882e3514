import { beforeAll, describe, expect, test } from '@jest/globals';
import { readdirSync } from 'node:fs';
import { readFolder } from '../../disk/index.ts';
import type { Files } from '../../core/bytes/index.ts';
import { expandFamilies } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { inspectBuilt } from '../../core/inspect/index.ts';
import { sameData } from '../../core/json/index.ts';
import { checkKit, kitFrom, kitNamed, placed, readKit } from '../../core/kits/index.ts';
import type { Mod } from '../../core/mod/index.ts';

const examples = readdirSync('demo/kits', { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map(({ name }) => name);
let mod: Mod;
let blobOf: (sha256: string) => Uint8Array;
beforeAll(async () => {
  const read = readModFolder(await readFolder('demo/saltmarsh'));
  mod = expandFamilies(read.mod);
  blobOf = (sha256) => read.blobs.get(sha256)!;
});

describe('the example kits write the demo', () => {
  test.each(examples)('%s writes what is expected of it', async (name) => {
    const { own, texts, problems } = readKit(await readFolder(`demo/kits/${name}`));
    expect(problems).toEqual([]);
    const { writer } = kitFrom(name, own!, texts);
    const check = checkKit(writer, texts, mod, blobOf);
    expect(check.problems.map(placed)).toEqual([]);
    expect(check.expected.length).toBeGreaterThan(5);
    expect(check.expected.filter(({ fate }) => fate !== 'as expected')).toEqual([]);
  });
});

describe('the kit of four bits', () => {
  const json = (files: Files, path: string): unknown =>
    JSON.parse(new TextDecoder().decode(files.get(path)));

  test('writes with templates what the built-in writer writes with code', () => {
    const files = kitNamed('block-pack-small').write(mod, blobOf);
    const usual = kitNamed('block-pack').write(mod, blobOf);
    // The digests of all files, and the types for the mod's own code, are not its business; that a
    // fluid does no harm stands there outright.
    const others = ['pack.json', 'code/ids.ts', 'rules/fluids/brine.json'];
    const apart = [...usual.keys()].filter(
      (path) =>
        !others.includes(path) &&
        (path.endsWith('.json')
          ? !sameData(json(files, path), json(usual, path))
          : files.get(path) !== usual.get(path)),
    );
    expect(apart).toEqual([]);
    expect([...files.keys()].filter((path) => !usual.has(path))).toEqual([]);
  });

  test('the reader of Block Packs finds nothing amiss in what it writes', () => {
    const files = kitNamed('block-pack-small').write(mod, blobOf);
    expect(inspectBuilt(kitNamed('block-pack'), files).map(({ message }) => message)).toEqual([]);
  });

  test('holds sixteen states, and comes with Obrank', () =>
    expect(kitNamed('block-pack-small')).toMatchObject({
      limits: { states: 16, stateCodeBits: 4, wholeShares: true, spinStep: 15 },
      physics: { tickRate: 10, wrongTool: 4 },
      ending: '.obpack',
    }));
});
