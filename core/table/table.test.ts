import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleMod } from '../inspect/sample.ts';
import { applyChanges, invertChanges, resolveBlock, type Mod } from '../mod/index.ts';
import {
  bulkChange,
  cellText,
  columns,
  readCsv,
  shownSubjects,
  sortKey,
  subjectsNamed,
  subjectsOf,
  traitOf,
  writeCsv,
  type SubjectOrder,
} from './index.ts';

const mod = sampleMod();
const after = (of: Mod, changes: Parameters<typeof applyChanges>[1]) => applyChanges(of, changes);

test('multiplying: numbers, rows by state, and what is no number is left and said', () => {
  const hard = after(mod, [{ path: '/blocks/bank/traits/hardness', after: 'unbreakable' }]);
  const plan = bulkChange(hard, ['lamp', 'bank', 'gone'], 'hardness', { do: 'multiply', by: 1.5 });
  expect(plan.changed).toEqual([{ block: 'lamp', before: 11, after: 16.5 }]);
  expect(plan.left).toEqual([{ block: 'bank', why: 'its hardness is unbreakable' }]);
  const light = bulkChange(mod, ['lamp'], 'lightEmitted', { do: 'multiply', by: 2 });
  expect(light.changed[0]!.after).toEqual([{ when: { lit: true }, value: 15 }, { value: 0 }]);
});

test('setting what is so already changes nothing; back to stock takes the own value away', () => {
  expect(
    bulkChange(mod, ['lamp', 'bank'], 'toolKind', { do: 'set', value: 'pick' }).left,
  ).toContainEqual({ block: 'lamp', why: 'it is so already' });
  const plan = bulkChange(mod, ['lamp'], 'hidesNeighbours', { do: 'stock' });
  expect(after(mod, plan.changes).blocks['lamp']!.traits.hidesNeighbours).toBeUndefined();
  expect(bulkChange(mod, ['lamp'], 'hardness', { do: 'stock' }).left).toEqual([
    { block: 'lamp', why: 'it is so already' },
  ]);
});

test('a bulk change undone is the mod before', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(
        ...columns.filter((column) => column.kind === 'number').map((column) => column.trait),
      ),
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.constantFrom('multiply' as const, 'add' as const),
      (trait, by, what) => {
        const { changes } = bulkChange(mod, Object.keys(mod.blocks), trait, { do: what, by });
        expect(after(after(mod, changes), invertChanges(changes))).toEqual(mod);
      },
    ),
  ));

test('a table that was written and is read again changes nothing', () => {
  expect(readCsv(mod, writeCsv(mod))).toEqual({ changed: [], problems: [], changes: [] });
  expect(writeCsv(mod).split('\r\n')[0]).toBe(
    `block,${columns.map((column) => column.trait).join(',')}`,
  );
});

test('what was changed elsewhere and written out comes in by reading it', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 99, noNaN: true }),
      fc.boolean(),
      fc.constantFrom('opaque', 'mask', 'blend'),
      (blastRating, gated, alphaMode) => {
        const other = after(mod, [
          { path: '/blocks/bank/traits/blastRating', after: blastRating },
          { path: '/blocks/bank/traits/gated', after: gated },
          { path: '/blocks/bank/traits/alphaMode', after: alphaMode },
        ]);
        const { changes, problems } = readCsv(mod, writeCsv(other));
        expect(problems).toEqual([]);
        expect(writeCsv(after(mod, changes))).toBe(writeCsv(other));
      },
    ),
  ));

test(
  'a bad line is named and changes nothing, the others are read; quotes, semicolons and ' +
    'a byte order mark are understood',
  () => {
    const { changed, problems } = readCsv(
      mod,
      '\uFEFFblock;hardness;friction\nlamp;12;0.5\nbnak;1;0.5\nbank;soft;0.1\n"lamp";3;0.1\nbank;1\n',
    );
    expect(
      changed.map(({ line, block, trait, after: value }) => [line, block, trait, value]),
    ).toEqual([
      [2, 'lamp', 'hardness', 12],
      [2, 'lamp', 'friction', 0.5],
    ]);
    expect(problems).toEqual([
      { line: 3, message: 'There is no block called bnak. Did you mean bank?' },
      { line: 4, message: 'bank: soft is no hardness.' },
      { line: 5, message: 'lamp is already on line 2.' },
      { line: 6, message: 'It has 2 cells, the first line has 3.' },
    ]);
  },
);

test('lines are counted through cells that go over several', () => {
  const { problems } = readCsv(
    mod,
    'block,lightEmitted\r\nlamp,"[\r\n{""value"": 3}\r\n]"\r\nnobody,1\r\n',
  );
  expect(problems.map(({ line }) => line)).toEqual([5]);
});

test.each([
  ['', /empty/],
  ['hardness\r\n3\r\n', /No column is called block/],
  ['block,hardnes\r\n', /no trait called hardnes\. Did you mean hardness\?/],
  ['block,hardness,hardness\r\n', /twice/],
])('a first line that cannot be is said: %j', (text, sentence) => {
  const plan = readCsv(mod, text);
  expect(plan.problems[0]!.message).toMatch(sentence);
  expect(plan.problems[0]!.line).toBe(1);
  expect(plan.changes).toEqual([]);
});

test('whatever the text is, what it changes fits the mod', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.array(
          fc.constantFrom(
            'block',
            'lamp',
            'bank',
            'hardness',
            '3',
            '"',
            '[{"value":1}]',
            'true',
            '',
          ),
          { maxLength: 4 },
        ),
        { maxLength: 5 },
      ),
      (rows) => {
        const { changes } = readCsv(mod, rows.map((row) => row.join(',')).join('\n'));
        expect(() => after(mod, changes)).not.toThrow();
      },
    ),
  ));

test('columns: every trait once, in words; cells and what they are sorted by', () => {
  expect(new Set(columns.map((column) => column.trait)).size).toBe(columns.length);
  expect(columns.find((column) => column.trait === 'lightEmitted')).toEqual({
    trait: 'lightEmitted',
    words: 'light emitted',
    kind: 'number',
  });
  expect(columns.find((column) => column.trait === 'hardness')).toMatchObject({
    kind: 'number',
    unit: 's',
  });
  const rows = [{ when: { lit: true }, value: 12 }, { value: 0 }];
  expect([cellText(3.2), cellText('unbreakable'), cellText(false), cellText(rows)]).toEqual([
    '3.2',
    'unbreakable',
    'false',
    '12, 0 by state',
  ]);
  expect([
    sortKey(3.2),
    sortKey('unbreakable'),
    sortKey(true),
    sortKey(rows),
    sortKey('mask'),
  ]).toEqual([3.2, Infinity, 1, 12, 'mask']);
  const lamp = resolveBlock(mod, 'lamp', mod.blocks['lamp']!);
  expect(traitOf(lamp, 'lightEmitted')).toEqual(rows);
  expect(traitOf(lamp, 'friction')).toBe(0.6);
});

const utf16 = (text: string, isBig: boolean): Uint8Array => {
  const bytes = Buffer.from(`\ufeff${text}`, 'utf16le');
  return isBig ? bytes.swap16() : bytes;
};

test.each<[string, string | Uint8Array]>([
  ['decimal commas between semicolons', 'block;hardness;lightEmitted\r\nlamp;2,5;3\r\n'],
  [
    'a line that says what stands between the cells',
    'sep=;\r\nblock;hardness;lightEmitted\r\nlamp;2,5;3\r\n',
  ],
  ['the same in quotation marks', '"sep=\t"\nblock\thardness\tlightEmitted\nlamp\t2,5\t3\n'],
  ['capitals in the heads', 'Block,Hardness,LIGHTEMITTED\nlamp,2.5,3\n'],
  [
    'UTF-16 as a spreadsheet saves it',
    utf16('block\thardness\tlightEmitted\r\nlamp\t2,5\t3\r\n', false),
  ],
  ['UTF-16 the other way round', utf16('block,hardness,lightEmitted\nlamp,2.5,3\n', true)],
  [
    'UTF-8 with a mark before it',
    new TextEncoder().encode('\ufeffblock,hardness,lightEmitted\nlamp,2.5,3\n'),
  ],
])('a table with %s is read', (_, file) => {
  const plan = readCsv(sampleMod(), file);
  expect(plan.problems).toEqual([]);
  expect(plan.changed.map(({ block, trait, after }) => [block, trait, after])).toEqual([
    ['lamp', 'hardness', 2.5],
    ['lamp', 'lightEmitted', 3],
  ]);
});

test('a table in another charset is refused by name, and lines count from the first one', () => {
  expect(
    readCsv(sampleMod(), Uint8Array.of(...new TextEncoder().encode('block,note\nlamp,'), 0xe4))
      .problems[0]!.message,
  ).toMatch(/neither UTF-8 nor UTF-16/);
  expect(readCsv(sampleMod(), 'sep=;\nblock;hardness\nlmap;2\n').problems).toEqual([
    { line: 3, message: 'There is no block called lmap. Did you mean lamp?' },
  ]);
  expect(readCsv(sampleMod(), 'block,hardness\nlamp,"2,5"\n').problems[0]!.message).toMatch(
    /2,5 is no hardness/,
  );
});

test('lines are filtered by name and title, sorted by any trait, and found again by their keys', () => {
  const subjects = subjectsOf(sampleMod(), true);
  const keys = (filter: string, order: SubjectOrder) =>
    shownSubjects(subjects, filter, order).map(({ key }) => key);
  expect(keys('', { by: 'name', down: false })[0]).toBe('bank');
  expect(keys('LAMP', { by: 'name', down: false })).toEqual(['lamp']);
  expect(keys('nothing is called so', { by: 'name', down: false })).toEqual([]);
  const byHardness = shownSubjects(subjects, '', { by: 'hardness', down: true });
  const numbers = byHardness.map(({ traits }) => sortKey(traits.hardness) as number);
  expect(numbers).toEqual(numbers.toSorted((a, b) => b - a));
  // The stock is found also where it is not listed.
  const own = subjectsOf(sampleMod(), false);
  expect(own.map(({ key }) => key)).toEqual(['bank', 'lamp']);
  expect(subjectsNamed(own, ['stock/clay', 'gone', 'lamp']).map(({ title }) => title)).toEqual([
    'Clay',
    'Lamp',
  ]);
});
