import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFolder } from '../../disk/index.ts';
import { digestOf, type Files } from '../bytes/index.ts';
import { flattened } from '../families/index.ts';
import { readModFolder } from '../folder/index.ts';
import { inspect } from '../inspect/index.ts';
import { sampleBuilt } from '../inspect/sample.ts';
import { anyMod, greyPicture } from '../inspect/testing/any-mod.ts';
import { parseJson, printJson } from '../json/index.ts';
import { kitNamed } from '../kits/index.ts';
import { expandRows, StateSpace, type Property, type Rows } from '../states/index.ts';
import { moveToNamespace, takeOver, TakeOverProblem } from './index.ts';

const kit = kitNamed('block-pack');
const bytesOf = (text: string) => new TextEncoder().encode(text);
const textOf = (files: Files, path: string) => new TextDecoder().decode(files.get(path));
const demoPack = async (): Promise<Files> => {
  const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const mod = flattened(declared);
  return kit.write(mod, (sha256) => blobs.get(sha256)!);
};
/** A build of what was taken over. */
const builtAgain = ({ mod, blobs }: ReturnType<typeof takeOver>): Files =>
  kit.write(mod, (sha256) => blobs.get(sha256)!);

/** JSON data with the keys of every object in an order that a seed says. */
function shuffled(value: unknown, order: (length: number) => number): unknown {
  if (Array.isArray(value)) return value.map((item) => shuffled(item, order));
  if (typeof value !== 'object' || value === null) return value;
  const left = Object.entries(value);
  const mixed: [string, unknown][] = [];
  while (left.length) {
    const [[key, item]] = left.splice(order(left.length), 1) as [[string, unknown]];
    mixed.push([key, shuffled(item, order)]);
  }
  return Object.fromEntries(mixed);
}

/** Every value by state with a row for each state, as somebody writes who knows of no defaults. */
function statesSpeltOut(block: Record<string, unknown>): Record<string, unknown> {
  const space = new StateSpace(block['properties'] as Property[]);
  if (space.size > 64) return block;
  return Object.fromEntries(
    Object.entries(block).map(([key, value]) => [
      key,
      key !== 'placement' &&
      Array.isArray(value) &&
      value.length &&
      value.every((row: object) => 'value' in row)
        ? expandRows(value as Rows<unknown>, space).map((one, state) => ({
            when: space.decode(state),
            value: one,
          }))
        : value,
    ]),
  );
}

/**
 * The pack as a person writes it: keys in any order, another layout, rows in another spelling,
 * members of tags in another order, no digests.
 */
function writtenByHand(files: Files, seed: number): Files {
  let state = seed;
  const order = (length: number) => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return state % length;
  };
  return new Map(
    [...files].map(([path, bytes]) => {
      if (!path.endsWith('.json')) return [path, bytes];
      let value = parseJson(new TextDecoder().decode(bytes)).value as Record<string, unknown>;
      if (path === 'pack.json') delete value['files'];
      if (path.startsWith('rules/tags/')) (value['members'] as string[]).reverse();
      if (path.startsWith('rules/blocks/'))
        value = { ...statesSpeltOut(value), bounce: value['bounce'] ?? 0 };
      const text = JSON.stringify(shuffled(value, order), null, '\t');
      return [path, bytesOf(`${text.replaceAll('\n', '\r\n')}\r\n`)];
    }),
  );
}

test('whatever loot, tags, recipes, items and groups a mod has: built, taken over and built again it is the same', () =>
  fc.assert(
    fc.property(anyMod, (mod) => {
      const files = kit.write(mod, greyPicture);
      const taken = takeOver(kit, files);
      expect(taken.otherwise).toEqual([]);
      expect(taken.kept).toEqual([]);
      expect(taken.forms.filter(({ form }) => form !== 'same')).toEqual([]);
      expect(builtAgain(taken)).toEqual(files);
    }),
    { numRuns: 40 },
  ));

test('written by hand in another order, layout and spelling, it means the same', async () => {
  const files = await demoPack();
  const tidy = builtAgain(takeOver(kit, files, { isTidy: true }));
  fc.assert(
    fc.property(fc.nat(1_000_000), (seed) => {
      const byHand = writtenByHand(files, seed);
      expect(takeOver(kit, byHand).otherwise).toEqual([]);
      const taken = takeOver(kit, byHand, { isTidy: true });
      expect(taken.otherwise).toEqual([]);
      expect(taken.forms.some(({ form }) => form === 'new')).toBe(false);
      // However its rows were spelt: they are as few as in the demo's own files.
      const rowsIn = (built: Files, path: string) => textOf(built, path).split('"when"').length;
      const built = builtAgain(taken);
      expect([...built.keys()]).toEqual([...tidy.keys()]);
      for (const path of tidy.keys())
        if (path.startsWith('rules/blocks/'))
          expect([path, rowsIn(built, path)]).toEqual([path, rowsIn(tidy, path)]);
    }),
    { numRuns: 3 },
  );
});

test('tidied, a block is written as a person would, and inspection has nothing new to say', async () => {
  const { mod, natural } = takeOver(kit, await demoPack(), { isTidy: true });
  expect(mod.blocks['oyster_brick']!.traits).not.toHaveProperty('catchesFire');
  expect(mod.blocks['oyster_brick']!.shapes).toBeUndefined();
  expect(mod.blocks['oyster_brick']!.looks.rows[0]!.use[0]).not.toHaveProperty('front');
  expect(natural.blocks).toContain('brack_seam');
  expect(mod.blocks['brack_seam']!.identity.natural).toBe(true);
  expect(inspect(mod).filter(({ severity }) => severity !== 'hint')).toEqual([]);
});

test('what Obrank knows nothing of is kept byte for byte, and a build carries it along', () => {
  const odd = new Uint8Array([0, 255, 13, 10, 128]);
  const files = new Map(sampleBuilt({}))
    .set('README.md', bytesOf('# By hand\r\n'))
    .set('.gitignore', odd)
    .set('view/looks/lamp.note', odd);
  const taken = takeOver(kit, files);
  expect(taken.kept).toEqual(['.gitignore', 'README.md', 'view/looks/lamp.note']);
  expect(taken.mod.header.kept!['.gitignore']).toEqual({ sha256: digestOf(odd), bytes: 5 });
  const built = builtAgain(taken);
  for (const path of taken.kept) expect(built.get(path)).toEqual(files.get(path));
  // What only lies there has no digest: whoever it belongs to may change it.
  expect(textOf(built, 'pack.json')).not.toContain('README.md');
  expect(takeOver(kit, built).mod).toEqual(taken.mod);
});

test('how a file comes out otherwise in form is said', () => {
  const files = new Map(sampleBuilt({}));
  files.set('rules/blocks/bank.json', bytesOf(` ${textOf(files, 'rules/blocks/bank.json')}`));
  const lamp = parseJson(textOf(files, 'rules/blocks/lamp.json')).value as object;
  files.set('rules/blocks/lamp.json', bytesOf(printJson({ ...lamp, bounce: 0 })));
  files.delete('code/ids.ts');
  files.delete('registry.json');
  const forms = takeOver(kit, files).forms.filter(({ form }) => form !== 'same');
  expect(forms).toContainEqual({ file: 'rules/blocks/bank.json', form: 'layout' });
  expect(forms).toContainEqual({ file: 'rules/blocks/lamp.json', form: 'words' });
  expect(forms).toContainEqual({ file: 'code/ids.ts', form: 'new' });
  expect(forms).toContainEqual({ file: 'registry.json', form: 'new' });
});

describe('no mod is made while a part of the pack is not known', () => {
  test.each<[string, (files: Map<string, Uint8Array>) => unknown, RegExp]>([
    [
      'a file with a mistake',
      (files) => files.set('rules/blocks/lamp.json', bytesOf('{')),
      /^rules\/blocks\/lamp\.json could not be read or is not there\. Mend that first/,
    ],
    [
      'a registry with a mistake',
      (files) => files.set('registry.json', bytesOf('[]')),
      /^registry\.json could not/,
    ],
    [
      'a look that is not there',
      (files) => files.delete('view/looks/lamp.json'),
      /^view\/looks\/lamp\.json could not/,
    ],
    [
      'a picture that is none',
      (files) => files.set('view/textures/lamp.png', bytesOf('no')),
      /^view\/textures\/lamp\.png could not/,
    ],
    [
      'only what a server needs',
      (files) =>
        [...files.keys()]
          .filter((path) => path.startsWith('view/'))
          .forEach((path) => files.delete(path)),
      /^view\/ could not/,
    ],
    ['no pack.json', (files) => files.delete('pack.json'), /nothing says what they are called/],
  ])('%s', (_, damage, sentence) => {
    const files = new Map(sampleBuilt({}));
    damage(files);
    expect(() => takeOver(kit, files)).toThrow(TakeOverProblem);
    expect(() => takeOver(kit, files)).toThrow(sentence);
  });
});

test('under another namespace every id of its own follows, and back again it is the same', async () => {
  const { mod } = takeOver(kit, await demoPack());
  const moved = takeOver(kit, await demoPack(), { namespace: 'brinework' }).mod;
  expect(JSON.stringify(moved)).not.toContain('saltmarsh:');
  expect(moveToNamespace(moved, 'saltmarsh')).toEqual(mod);
  expect(inspect(moved).filter(({ severity }) => severity !== 'hint')).toEqual([]);
  expect(() => moveToNamespace(mod, 'obrank')).toThrow(TakeOverProblem);
  expect(() => takeOver(kit, sampleBuilt({}), { namespace: 'No such' })).toThrow(TakeOverProblem);
});
