import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFolder } from '../../disk/index.ts';
import { digestOf, type Files } from '../bytes/index.ts';
import { readModFolder, writeModFolder } from '../folder/index.ts';
import { sampleMod } from '../inspect/sample.ts';
import { sameData } from '../json/index.ts';
import { applyChanges, diffDocuments, type Mod } from '../mod/index.ts';
import {
  blobsOfUnit,
  exchangeUnits,
  filesOfUnit,
  folderBroughtForward,
  giveUnit,
  labelOf,
  mergeSides,
  readUnits,
  saysUnit,
  touchedUnits,
  unitOf,
  unitsOfMod,
  valueOfUnit,
  whyNotExchanged,
  withUnits,
  type Agreed,
} from './index.ts';

const text = (words: string) => new TextEncoder().encode(words);
const words = (bytes: Uint8Array | undefined) => new TextDecoder().decode(bytes);

const value = fc.letrec((tie) => ({
  value: fc.oneof(
    { maxDepth: 3 },
    fc.integer({ min: 0, max: 3 }),
    fc.constantFrom('a', 'b'),
    fc.array(tie('value'), { maxLength: 3 }),
    fc.dictionary(fc.constantFrom('p', 'q', 'r/s', 't~u'), tie('value'), { maxKeys: 3 }),
  ),
})).value;

test('what is different between two documents turns the one into the other', () => {
  fc.assert(
    fc.property(value, value, (before, after) => {
      const changes = diffDocuments(before, after);
      expect(sameData(applyChanges(before, changes), after)).toBe(true);
      expect(changes.length === 0).toBe(sameData(before, after));
    }),
  );
});

test('merging: what one side alone changed is kept, and sides may be exchanged', () => {
  fc.assert(
    fc.property(value, value, value, (base, page, folder) => {
      expect(mergeSides(base, page, base)).toEqual({ value: page, clashes: [] });
      expect(mergeSides(base, base, folder)).toEqual({ value: folder, clashes: [] });
      expect(mergeSides(base, page, page)).toEqual({ value: page, clashes: [] });
      const one = mergeSides(base, page, folder);
      const other = mergeSides(base, folder, page);
      expect(sameData(one.value, other.value)).toBe(true);
      expect(one.clashes.map(({ path }) => path).sort()).toEqual(
        other.clashes.map(({ path }) => path).sort(),
      );
    }),
  );
});

test('merging: where both changed a value, whoever is preferred has it', () => {
  const base = { hardness: 2, light: [1, 2], note: 'a' };
  const page = { hardness: 3, light: [1, 5], note: 'a' };
  const folder = { hardness: 4, light: [7, 2], note: 'b' };
  expect(mergeSides(base, page, folder)).toEqual({
    value: { hardness: 2, light: [7, 5], note: 'b' },
    clashes: [{ path: '/hardness', base: 2, page: 3, folder: 4 }],
  });
  expect(mergeSides(base, page, folder, 'page').value).toMatchObject({ hardness: 3, note: 'b' });
  expect(mergeSides(base, page, folder, 'folder').value).toMatchObject({ hardness: 4 });
  // The facts of a picture belong together.
  const facts = (sha256: string, width: number) => ({ sha256, width });
  expect(mergeSides(facts('a', 1), facts('b', 1), facts('a', 2)).clashes).toHaveLength(1);
});

test('every file of a mod folder belongs to the unit that is read from it', async () => {
  const { mod, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const kept = { 'docs/read me.md': { sha256: 'f'.repeat(64), bytes: 1 } };
  const { picture } = mod.textures['salt/crust'] ?? Object.values(mod.textures)[0]!;
  const whole: Mod = { ...mod, header: { ...mod.header, kept, picture } };
  const files = writeModFolder(whole, (sha256) => blobs.get(sha256) ?? text('.'));
  const units = new Set(unitsOfMod(whole));
  for (const file of files.keys()) {
    const unit = unitOf(file)!;
    expect([file, units.has(unit), filesOfUnit(unit).includes(file)]).toEqual([file, true, true]);
  }
  const given = [...units].flatMap((unit) => [
    ...giveUnit(
      unit,
      { from: undefined, to: valueOfUnit(whole, unit) },
      new Map(),
      (sha256) => blobs.get(sha256) ?? text('.'),
    ),
  ]);
  expect(given.map(([file]) => file).sort()).toEqual([...files.keys()].sort());
  for (const none of ['README.md', '.hidden', 'blocks/.a.json.swp', 'blocks/a.txt', 'box/a.json'])
    expect(unitOf(none)).toBeUndefined();
});

test('what a file says without being understood is what it says when it is', async () => {
  const files = await readFolder('demo/saltmarsh');
  const { mod } = readModFolder(files);
  const units = unitsOfMod(mod);
  expect(units.filter((unit) => !saysUnit(unit, valueOfUnit(mod, unit), files))).toEqual([]);
  const says = (file: string, text_: string) => {
    const unit = unitOf(file)!;
    return saysUnit(unit, valueOfUnit(mod, unit), new Map([...files, [file, text(text_)]]));
  };
  const lantern = 'blocks/tide_lantern.json';
  const whole = words(files.get(lantern));
  expect(says(lantern, whole)).toBe(true);
  expect(says(lantern, whole.replace('{', '{ "names": {},'))).toBe(false);
  expect(says(lantern, whole.replaceAll(/\s+/g, ' '))).toBe(true);
  expect(says(lantern, whole.replace(/"hardness": ([\d.]+)/, '"hardness": 77'))).toBe(false);
  expect(says(lantern, `${whole},`)).toBe(false);
  const picture = [...files.keys()].find((file) => file.endsWith('.png'))!;
  expect(says(picture, 'another picture')).toBe(false);
  expect(says(picture.replace('.png', '.made.json'), '{}')).toBe(false);
  expect(saysUnit('/blocks/none', undefined, files)).toBe(false);
});

test('units that were taken away and put back are the mod as it was', () => {
  const mod = sampleMod();
  const units = unitsOfMod(mod).filter((unit) => !['/header', '/ledger'].includes(unit));
  const none = withUnits(mod, new Map(units.map((unit) => [unit, undefined])));
  expect(unitsOfMod(none)).toEqual(['/header', '/ledger']);
  const back = withUnits(none, new Map(units.map((unit) => [unit, valueOfUnit(mod, unit)])));
  expect(sameData(back, mod)).toBe(true);
  expect(withUnits(mod, new Map([['/header/kept/a', { sha256: 'a', bytes: 1 }]])).header).toEqual({
    ...mod.header,
    kept: { a: { sha256: 'a', bytes: 1 } },
  });
});

test('changes touch the units that they say', () => {
  const kept = { a: { sha256: 'a', bytes: 1 } };
  const touched = (path: string, before?: unknown, after?: unknown) =>
    touchedUnits([{ path, before, after }]);
  expect(touched('/blocks/bank/traits/hardness', 1, 2)).toEqual(['/blocks/bank']);
  expect(touched('/textures/oven~1side/strip')).toEqual(['/textures/oven~1side']);
  expect(touched('/header/title', 'a', 'b')).toEqual(['/header']);
  expect(touched('/ledger/entries/0')).toEqual(['/ledger']);
  expect(touched('/header/kept', undefined, kept)).toEqual(['/header/kept/a']);
  expect(touched('/header/kept/a', kept.a)).toEqual(['/header/kept/a']);
  expect(touched('/header', { kept }, {})).toEqual([
    '/header',
    '/header/picture',
    '/header/kept/a',
  ]);
});

/** Both sides of one unit, and what an exchange makes of them. */
function exchange(base: unknown, page: unknown, folder: unknown, agreed: Partial<Agreed> = {}) {
  const unit = '/blocks/bank';
  const mod = withUnits(sampleMod(), new Map([[unit, page]]));
  return exchangeUnits([unit], {
    mod,
    agreed: new Map([[unit, { files: { f: 'old' }, value: base, ...agreed }]]),
    inFolder: new Map([[unit, { files: { f: 'now' }, value: folder }]]),
  });
}

test('an exchange carries over what one side changed, and asks where both did', () => {
  const base = sampleMod().blocks['bank']!;
  const harder = (hardness: number) => ({ ...base, traits: { hardness } });
  expect(exchange(base, base, harder(2)).takes.get('/blocks/bank')).toEqual(harder(2));
  expect(exchange(base, harder(2), base).gives.get('/blocks/bank')).toEqual({
    from: base,
    to: harder(2),
  });
  expect(exchange(base, harder(2), harder(2)).agreed.size).toBe(1);
  const both = exchange(base, harder(2), harder(3));
  expect([both.takes.size, both.gives.size, both.agreed.size]).toEqual([0, 0, 0]);
  expect(both.clashes.get('/blocks/bank')).toEqual([
    { path: '/traits/hardness', base: undefined, page: 2, folder: 3 },
  ]);
  const gone = exchange(base, undefined, harder(3));
  expect(gone.clashes.get('/blocks/bank')).toMatchObject([{ path: '' }]);
});

test('what comes of both sides together must be a document; otherwise the whole is asked for', () => {
  const base = sampleMod().blocks['bank']!;
  const gated = { ...base, traits: { burning: { catches: 1, spreads: 1 } } };
  const odd = exchange({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 2 });
  expect(odd.clashes.get('/blocks/bank')).toMatchObject([{ path: '' }]);
  expect(exchange(base, base, gated).clashes.size).toBe(0);
});

test('a file that was not reached when the program ended is written again, not taken back', () => {
  const base = sampleMod().blocks['bank']!;
  const harder = { ...base, traits: { hardness: 9 } };
  const during = { files: { f: 'new' }, previous: { f: 'now' } };
  const again = exchange(harder, harder, base, during);
  expect([again.takes.size, again.gives.size]).toEqual([0, 1]);
  // Once it was reached, the old file is somebody's own doing.
  expect(exchange(harder, harder, base, { files: { f: 'new' } }).takes.size).toBe(1);
});

test('one value is one line of a text, whatever the form that its author gave it', () => {
  const mod = sampleMod();
  const unit = '/blocks/bank';
  const value = mod.blocks['bank']!;
  const mine = `{\r\n\t"names": { "en":"Bank" },\r\n\t"identity": ${JSON.stringify(value.identity)},
\r\n\t"traits": {\r\n\t\t"hardness": 2\r\n\t},\r\n\t"states": {"properties":[]},\r\n\t"tags": ${JSON.stringify(
    value.tags,
  )},\r\n\t"loot": "itself",\r\n\t"looks": ${JSON.stringify(value.looks)}\r\n}`;
  const files: Files = new Map([['blocks/bank.json', text(mine)]]);
  const from = { ...value, traits: { hardness: 2 } };
  const to = { ...value, traits: { hardness: 3.5 } };
  const change = giveUnit(unit, { from, to }, files, () => text(''));
  expect(words(change.get('blocks/bank.json'))).toBe(mine.replace('2\r\n\t}', '3.5\r\n\t}'));
});

test('a picture that goes takes what lay beside it along; one that comes is whole', () => {
  const picture = { sha256: 'a'.repeat(64), bytes: 1 };
  const strip = { frames: 2, ticks: 3 };
  const unit = '/textures/salt';
  const files: Files = new Map([
    ['textures/salt.png', text('png')],
    ['textures/salt.strip.json', text('{}')],
  ]);
  const gone = giveUnit(unit, { from: { picture, strip }, to: undefined }, files, () => text(''));
  expect([...gone]).toEqual([
    ['textures/salt.strip.json', undefined],
    ['textures/salt.png', undefined],
  ]);
  const came = giveUnit(unit, { from: undefined, to: { picture } }, new Map(), () => text('new'));
  expect([...came]).toEqual([['textures/salt.png', text('new')]]);
  expect(blobsOfUnit('/sounds/a', { format: 'ogg', sha256: 'b' })).toEqual([['sounds/a.ogg', 'b']]);
});

test('what cannot be read is left alone, and said with its place', async () => {
  const files = await readFolder('demo/saltmarsh');
  const [crust, lantern] = ['/blocks/salt_crust', '/blocks/tide_lantern'];
  const some: Files = new Map([
    ['mod.json', files.get('mod.json')!],
    ['blocks/salt_crust.json', text('{\n  "identity": {},\n}')],
    ['blocks/tide_lantern.json', files.get('blocks/tide_lantern.json')!],
  ]);
  const read = readUnits([crust, lantern, '/blocks/gone'], some);
  expect(read.inFolder.get(crust)).toMatchObject({ isUnread: true });
  expect(read.inFolder.get(lantern)).toMatchObject({ value: { identity: {} } });
  expect(read.inFolder.get('/blocks/gone')).toEqual({ files: {}, value: undefined });
  expect(read.problems).toMatchObject([
    { file: 'blocks/salt_crust.json', place: { line: 2, column: 17 } },
  ]);
});

test('a folder without mod.json, or of a newer edition, is not exchanged with', async () => {
  const header = words((await readFolder('demo/saltmarsh')).get('mod.json'));
  expect(whyNotExchanged(undefined)).toContain('no mod.json');
  expect(whyNotExchanged(text(header))).toBeUndefined();
  expect(whyNotExchanged(text(header.replace(/"edition": \d+/, '"edition": 999')))).toContain(
    'edition 999',
  );
  expect(whyNotExchanged(text('{ "edition": '))).toBeUndefined();
});

test('a folder of an earlier edition is brought forward line by line', async () => {
  const files = await readFolder('demo/saltmarsh');
  expect(folderBroughtForward(files).size).toBe(0);
  const earlier = new Map(
    [...files].map(([file, bytes]) => [
      file,
      // There were no families then.
      file.endsWith('.json') && !file.startsWith('families/')
        ? text(
            words(bytes)
              .replaceAll('"natural":', '"found":')
              .replace(/"edition": \d+/, '"edition": 1'),
          )
        : bytes,
    ]),
  );
  const change = folderBroughtForward(earlier);
  const brought = new Map([...earlier, ...(change as Map<string, Uint8Array>)]);
  expect(readModFolder(brought)).toMatchObject({ problems: [], mod: readModFolder(files).mod });
  for (const [file, bytes] of change) {
    const [before, after] = [words(earlier.get(file)), words(bytes)].map((all) => all.split('\n'));
    expect(after!.length).toBe(before!.length);
    expect(after!.filter((line) => !before!.includes(line)).length).toBeLessThanOrEqual(2);
  }
  expect(change.size).toBeLessThan([...files.keys()].length);
  expect(digestOf(change.get('mod.json')!)).not.toBe(digestOf(earlier.get('mod.json')!));
});

test('what came from the folder is said in a few words', () => {
  expect(labelOf(['/blocks/tide_lantern', '/textures/a', '/textures/b'])).toBe(
    'From the folder: tide_lantern.json, 2 pictures',
  );
  expect(labelOf(['/blocks/a', '/blocks/b', '/models/c~1d', '/header', '/sounds/x'])).toBe(
    'From the folder: 4 files, 1 sound',
  );
});

test('a kit and each of its texts are units of their own, and a text is carried over to the letter', () => {
  const own = { model: 1 as const, title: 'Tidal', files: [] };
  const mod: Mod = {
    ...sampleMod(),
    textures: {},
    kits: { tidal: own },
    kitFiles: { 'tidal/parts/a.liquid': { text: 'a {{ b }}\n' } },
  };
  const files = writeModFolder(mod, () => text('.'));
  expect([...files.keys()]).toEqual(
    expect.arrayContaining(['kits/tidal/kit.json', 'kits/tidal/parts/a.liquid']),
  );
  const [kit, template] = ['/kits/tidal', '/kitFiles/tidal~1parts~1a.liquid'];
  expect(unitOf('kits/tidal/kit.json')).toBe(kit);
  expect(unitOf('kits/tidal/parts/a.liquid')).toBe(template);
  expect(unitOf('kits/tidal/.swp')).toBeUndefined();
  const value = { text: 'a {{ b }}\n' };
  expect(
    saysUnit(template, value, new Map([['kits/tidal/parts/a.liquid', text(value.text)]])),
  ).toBe(true);
  expect(saysUnit(template, value, new Map([['kits/tidal/parts/a.liquid', text('a')]]))).toBe(
    false,
  );
  const given = giveUnit(template, { from: value, to: { text: 'é\r\n' } }, files, () => text('.'));
  expect([...given].map(([file, bytes]) => [file, words(bytes)])).toEqual([
    ['kits/tidal/parts/a.liquid', 'é\r\n'],
  ]);
  const gone = giveUnit(template, { from: value, to: undefined }, files, () => text('.'));
  expect([...gone]).toEqual([['kits/tidal/parts/a.liquid', undefined]]);
  const changed = new Map(files).set('kits/tidal/parts/a.liquid', text('by hand'));
  const { inFolder } = readUnits([kit, template], changed);
  expect(inFolder.get(template)).toMatchObject({ value: { text: 'by hand' } });
  expect(inFolder.get(kit)).toMatchObject({ value: own });
  expect(readModFolder(changed).problems).toEqual([]);
  const odd = readModFolder(
    new Map(files)
      .set('kits/tidal/b', new Uint8Array([255]))
      .set('kits/Tidal Kit/kit.json', text('{}')),
  );
  expect(odd.problems.map(({ file, message }) => [file, message])).toEqual([
    ['kits/Tidal Kit/kit.json', expect.stringContaining('A kit lies in kits/ under a name')],
    ['kits/tidal/b', 'This is no text in UTF-8.'],
  ]);
});
