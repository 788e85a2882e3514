import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import ts from 'typescript';
import { readFolder } from '../../../disk/index.ts';
import { digestOf, writeZip } from '../../bytes/index.ts';
import { inspectBuilt } from '../../inspect/index.ts';
import { flattened } from '../../families/index.ts';
import { readModFolder, writeModFolder } from '../../folder/index.ts';
import { pointer, valueAt } from '../../json/index.ts';
import { applyChanges, invertChanges, type Change, type Mod } from '../../mod/index.ts';
import { coverage, StateSpace } from '../../states/index.ts';
import { placeInPack } from './format/index.ts';
import { blockPack } from './index.ts';
import { readPack } from './read/index.ts';

const load = async () => {
  const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const mod = flattened(declared);
  return { mod, blobOf: (sha256: string) => blobs.get(sha256)! };
};
/** The same mod with the entries of every kind in another order. */
const reordered = (mod: Mod): Mod =>
  Object.fromEntries(
    Object.entries(mod).map(([kind, entries]) => [
      kind,
      ['header', 'ledger'].includes(kind)
        ? entries
        : Object.fromEntries(Object.entries(entries).reverse()),
    ]),
  ) as Mod;

test('the same mod gives the same bytes, whatever the order in which it was put together', async () => {
  const { mod, blobOf } = await load();
  const first = writeZip(blockPack.write(mod, blobOf));
  expect(digestOf(writeZip(blockPack.write(reordered(mod), blobOf)))).toBe(digestOf(first));
  expect(digestOf(writeZip(blockPack.write(JSON.parse(JSON.stringify(mod)) as Mod, blobOf)))).toBe(
    digestOf(first),
  );
});

test(
  'what is written is read back by the reader without any problem, every file at a ' +
    'known place',
  async () => {
    const { mod, blobOf } = await load();
    const files = blockPack.write(mod, blobOf);
    for (const path of files.keys()) expect(placeInPack(path)).toBeDefined();
    const pack = readPack(files);
    expect(pack.problems).toEqual([]);
    expect(inspectBuilt(blockPack, files)).toEqual([]);
    expect([...pack.blocks.keys()]).toEqual(Object.keys(mod.blocks).sort());
    for (const [name, { value }] of pack.blocks) {
      const space = new StateSpace(value.properties);
      const look = pack.looks.get(name)!.value;
      // Layers lie upon each other, so none of them covers another.
      for (const rows of [
        value.lightEmitted,
        value.collision,
        value.outline,
        ...(look.mode === 'one-of'
          ? [look.rows.map(({ when, use }) => ({ when, value: use }))]
          : []),
      ]) {
        const { uncovered, dead } = coverage(rows, space);
        expect(uncovered.isEmpty && dead.length === 0).toBe(true);
      }
    }
  },
);

test('rules hold nothing of the view, and the view nothing of the rules', async () => {
  const { mod, blobOf } = await load();
  const text = (path: string) => new TextDecoder().decode(blockPack.write(mod, blobOf).get(path));
  expect(text('rules/blocks/tide_lantern.json')).not.toMatch(/model|texture|tint|alphaMode/);
  expect(text('view/looks/tide_lantern.json')).not.toMatch(/hardness|blastRating|light/);
});

test('the files beside the editor are the files of the build', async () => {
  const { mod, blobOf } = await load();
  const files = blockPack.write(mod, blobOf);
  const beside = blockPack.writeBlock(mod, 'tide_lantern');
  expect(beside.size).toBeGreaterThan(8);
  for (const [path, content] of beside)
    if (files.has(path)) expect(content).toBe(new TextDecoder().decode(files.get(path)));
  expect([...beside.keys()].filter((path) => !files.has(path))).toEqual([
    'registry.json (this block)',
  ]);
  expect(blockPack.writeBlock(mod, 'nothing').size).toBe(0);
});

/** The places of all members of objects in a value: what an edit can take away. */
const pointersIn = (value: unknown, steps: (string | number)[]): string[] =>
  typeof value !== 'object' || value === null
    ? []
    : Object.entries(value).flatMap(([key, member]) => [
        ...(Array.isArray(value) ? [] : [pointer([...steps, key])]),
        ...pointersIn(member, [...steps, key]),
      ]);

/**
 * What the TypeScript compiler says of the ids together with the code of a mod, under strict rules.
 */
function compile(ids: string, code: string): string[] {
  const sources: Record<string, string> = {
    '/ids.ts': ids,
    '/mod.ts':
      'import { blockIds, blockTagIds, defaultStates, itemIds, itemTagIds, type ' +
      'StatesByBlock, type BlockId, type PropertyOf, type TextKey, type ValueOf } from ' +
      `'./ids.ts';\n${code}`,
  };
  const options: ts.CompilerOptions = {
    strict: true,
    noEmit: true,
    allowImportingTsExtensions: true,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    target: ts.ScriptTarget.ES2022,
    types: [],
  };
  const host = ts.createCompilerHost(options);
  const { getSourceFile, fileExists, readFile } = host;
  host.getSourceFile = (name, ...rest) =>
    sources[name] === undefined
      ? getSourceFile.call(host, name, ...rest)
      : ts.createSourceFile(name, sources[name], ts.ScriptTarget.ES2022);
  host.fileExists = (name) => name in sources || fileExists.call(host, name);
  host.readFile = (name) => sources[name] ?? readFile.call(host, name);
  const program = ts.createProgram(['/mod.ts'], options, host);
  return ts
    .getPreEmitDiagnostics(program)
    .map((found) => ts.flattenDiagnosticMessageText(found.messageText, ' '));
}

test('code/ids.ts compiles under strict TypeScript, and a wrong value is a type error', async () => {
  const { mod, blobOf } = await load();
  const ids = new TextDecoder().decode(blockPack.write(mod, blobOf).get('code/ids.ts'));
  const right =
    'export const id: BlockId = blockIds.tide_lantern; export const lit: ' +
    "StatesByBlock['tide_lantern'] = { heading: 'west', hung: 'wall', lit: true }; export " +
    "const salt: 'saltmarsh:salt' = itemIds.salt; export const axis: 'x' | 'y' | 'z' = " +
    "defaultStates.reed_thatch.axis; export const hung: ValueOf<'tide_lantern', 'hung'> = " +
    "'ceiling'; export const of: PropertyOf<'sluice_gate'> = 'open'; export const tag: " +
    "'saltmarsh:bars' = itemTagIds.bars; export const key: TextKey = " +
    "'block.tide_lantern'; export const dug = blockTagIds.pick_dug;";
  expect(compile(ids, right)).toEqual([]);
  expect(
    compile(
      ids,
      "export const lit: StatesByBlock['tide_lantern'] = { heading: 'up', hung: 'wall', " +
        'lit: true };',
    ).join(),
  ).toMatch(/"up"/);
  expect(
    compile(ids, "export const hung: ValueOf<'tide_lantern', 'hung'> = 'roof';").join(),
  ).toMatch(/"roof"/);
  expect(compile(ids, "export const of: PropertyOf<'sluice_gate'> = 'lit';").join()).toMatch(
    /"lit"/,
  );
  expect(compile(ids, "export const key: TextKey = 'block.tide_lantren';").join()).toMatch(
    /tide_lantren/,
  );
  expect(compile(ids, 'export const id = blockIds.tide_lantren;').join()).toMatch(/tide_lantren/);
}, 60_000);

test(
  'keys and titles with quotes, backslashes and every kind of line break are texts in ' +
    'the code, never code',
  async () => {
    const { mod, blobOf } = await load();
    const odd = [
      "it's",
      'back\\slash',
      'line\u2028break',
      'line\u2029break',
      'line\nbreak',
      'tab\t',
      '${x}',
      '`',
      '*/',
      'zero\u200bwidth',
      'bell\u0007',
      '\u{1f30a} wave',
    ];
    const texts = Object.fromEntries(odd.map((key) => [key, 'x']));
    const title =
      `Salt\u2028export const broken: number = 'x';\u2029*/ \r\nexport const also: number = ` +
      `'x'; //`;
    const files = blockPack.write(
      { ...mod, header: { ...mod.header, title }, words: { ...mod.words, en: { texts } } },
      blobOf,
    );
    const ids = new TextDecoder().decode(files.get('code/ids.ts'));
    const uses = odd
      .map((key, i) => `export const k${i}: TextKey = ${JSON.stringify(key)};`)
      .join('\n');
    expect(compile(ids, `${uses}\nexport const id: BlockId = blockIds.tide_lantern;`)).toEqual([]);
    expect(compile(ids, "export const key: TextKey = 'its';").join()).toMatch(/its/);
    expect(ids).not.toMatch(/^export const (broken|also)/m);
  },
);

test('an edit and its undo leave the built pack as it was, whatever they put or took away', async () => {
  const { mod, blobOf } = await load();
  const before = digestOf(writeZip(blockPack.write(mod, blobOf)));
  const places = Object.entries(mod).flatMap(([kind, entries]) => pointersIn(entries, [kind]));
  const folderBefore = digestOf(writeZip(writeModFolder(mod, blobOf)));
  fc.assert(
    fc.property(fc.array(fc.nat(places.length - 1), { minLength: 1, maxLength: 4 }), (picks) => {
      let at: Mod = mod;
      for (const pick of picks) {
        const path = places[pick]!;
        const changes: Change[] = [{ path, before: valueAt(at, path), after: undefined }];
        if (changes[0]!.before === undefined) continue;
        at = applyChanges(applyChanges(at, changes), invertChanges(changes));
      }
      expect(digestOf(writeZip(writeModFolder(at, blobOf)))).toBe(folderBefore);
      expect(digestOf(writeZip(blockPack.write(at, blobOf)))).toBe(before);
    }),
    { numRuns: 12 },
  );
});

test('a pack whose registry loses a state is told so, at the place of the codes', async () => {
  const { mod, blobOf } = await load();
  const files = blockPack.write(mod, blobOf);
  const registry = JSON.parse(new TextDecoder().decode(files.get('registry.json'))) as {
    entries: { id: string; codes?: { digits: { values: string[] }[] } }[];
  };
  registry.entries
    .find(({ id }) => id === 'saltmarsh:sluice_gate')!
    .codes!.digits[0]!.values.reverse()
    .splice(0, 1, 'up');
  files.set('registry.json', new TextEncoder().encode(JSON.stringify(registry)));
  expect(
    inspectBuilt(blockPack, files)
      .filter(({ rule }) => rule === 'pack/registry-disagrees')
      .map(({ message, place }) => [message, place!.line]),
  ).toEqual([
    ['registry.json: of saltmarsh:sluice_gate the state side = down, open = false has no code.', 1],
  ]);
});
