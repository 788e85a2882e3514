import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { printJson } from '../json/index.ts';
import { mergeTexts, mergeValues, type TextForm } from './index.ts';

type Tree = { [key: string]: Tree | number };

const keys = ['a', 'b', 'c', 'd'];
/** Trees of groups with numbers at their leaves, always of the same shape: three groups deep. */
const tree = (depth: number): fc.Arbitrary<Tree> =>
  fc.record(
    Object.fromEntries(
      keys.map((key) => [key, depth === 0 ? fc.integer({ min: 0, max: 9 }) : tree(depth - 1)]),
    ),
  );
const leaf = fc.tuple(fc.constantFrom(...keys), fc.constantFrom(...keys), fc.constantFrom(...keys));
/** Changes of single leaves: to a number that stands nowhere before. */
const edits = (first: number) =>
  fc
    .array(leaf, { maxLength: 8 })
    .map((paths) => paths.map((path, i) => ({ path, to: first + i })));
const at = (from: unknown, path: readonly string[]): unknown =>
  path.reduce((value, key) => (value as Tree)[key], from);
function edited(from: Tree, changes: readonly { path: readonly string[]; to: number }[]): Tree {
  const made = structuredClone(from);
  for (const {
    path: [a = '', b = '', c = ''],
    to,
  } of changes)
    ((made[a] as Tree)[b] as Tree)[c] = to;
  return made;
}

test('edits of people and edits of the mod are all there, and clash only where they meet', () =>
  fc.assert(
    fc.property(tree(2), edits(100), edits(200), (base, byHand, byMod) => {
      const [mine, built] = [edited(base, byHand), edited(base, byMod)];
      const { value, clashes } = mergeValues(base, mine, built);
      const names = (list: typeof byHand) => new Set(list.map(({ path }) => path.join('/')));
      const [hand, mod] = [names(byHand), names(byMod)];
      for (const a of keys)
        for (const b of keys)
          for (const c of keys) {
            const path = [a, b, c];
            const name = path.join('/');
            const wanted = hand.has(name) ? mine : mod.has(name) ? built : base;
            expect(at(value, path)).toBe(at(wanted, path));
          }
      expect(new Set(clashes.map(({ path }) => path.slice(1)))).toEqual(
        new Set([...hand].filter((name) => mod.has(name))),
      );
    }),
  ));

test('at a clash stands what was chosen, each by itself', () => {
  const [base, mine, built] = [
    { a: 1, b: 1, c: 1 },
    { a: 2, b: 2, c: 2 },
    { a: 3, b: 3, c: 1 },
  ];
  const chosen = (choices: ('mine' | 'built')[]) =>
    mergeValues(base, mine, built, { chosen: (clash) => choices[clash] }).value;
  expect(chosen([])).toEqual({ a: 2, b: 2, c: 2 });
  expect(chosen(['built'])).toEqual({ a: 3, b: 2, c: 2 });
  expect(chosen(['mine', 'built'])).toEqual({ a: 2, b: 3, c: 2 });
});

describe('lists', () => {
  test('that name things hold what both brought, without what either took away', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.stringMatching(/^[a-f]{1,2}$/), { maxLength: 8 }),
        fc.uniqueArray(fc.stringMatching(/^[g-k]$/), { maxLength: 3 }),
        fc.uniqueArray(fc.stringMatching(/^[l-p]$/), { maxLength: 3 }),
        fc.array(fc.nat(7), { maxLength: 3 }),
        fc.array(fc.nat(7), { maxLength: 3 }),
        (base, added, brought, dropped, taken) => {
          const without = (out: number[]) => base.filter((_, i) => !out.includes(i));
          const { value, clashes } = mergeValues(
            base,
            [...without(dropped), ...added],
            [...without(taken), ...brought],
          );
          expect(clashes).toEqual([]);
          expect(new Set(value as string[])).toEqual(
            new Set([...without([...dropped, ...taken]), ...added, ...brought]),
          );
        },
      ),
    ));

  test('of things are merged item by item: what is put in here and changed there stays', () => {
    const item = (id: number, more: object = {}) => ({ id, ...more });
    const base = [item(1), item(2), item(3), item(4)];
    const mine = [item(0), item(1), item(2), item(3, { note: 'mine' }), item(4)];
    const built = [item(1), item(2), item(3, { size: 2 }), item(4), item(5)];
    expect(mergeValues(base, mine, built)).toEqual({
      value: [item(0), item(1), item(2), item(3, { note: 'mine', size: 2 }), item(4), item(5)],
      clashes: [],
    });
  });

  test('that both sides made longer at one place clash there', () => {
    const { clashes } = mergeValues([[1], [2]], [[1], [7], [2]], [[1], [8], [9], [2]]);
    expect(clashes).toEqual([{ path: '/1', base: [], mine: [[7]], built: [[8], [9]] }]);
  });
});

test('what one side takes away and the other changes clashes', () => {
  expect(mergeValues({ a: { x: 1 } }, {}, { a: { x: 2 } }).clashes).toEqual([
    { path: '/a', base: { x: 1 }, mine: undefined, built: { x: 2 } },
  ]);
});

const anyForm = fc.constantFrom<TextForm>('json', 'list', 'lines');

describe('texts', () => {
  test('JSON keeps the form in which people wrote it', () => {
    const mine = '{ "b": 1,\n\n   "a": 5, "note": "by hand" }';
    const base = '{\n  "a": 1,\n  "b": 1\n}\n';
    expect(mergeTexts({ base, mine, built: printJson({ a: 1, b: 2 }) }, {}, 'json')).toEqual({
      text: '{ "b": 2,\n\n   "a": 5, "note": "by hand" }',
      clashes: [],
    });
  });

  test('JSON that is damaged by hand is merged by its lines', () => {
    const base = '{\n  "a": 1,\n  "c": 0,\n  "b": 1\n}\n';
    const mine = '{\n  "a": 1,\n  "c": 0,\n  "b": 1,,\n}\n';
    const built = '{\n  "a": 2,\n  "c": 0,\n  "b": 1\n}\n';
    expect(mergeTexts({ base, mine, built }, {}, 'json')?.text).toBe(
      '{\n  "a": 2,\n  "c": 0,\n  "b": 1,,\n}\n',
    );
  });

  const lines = fc.array(fc.stringMatching(/^[a-c]$/), { minLength: 12, maxLength: 30 });

  test('lines that people and the mod changed apart from one another are all there', () =>
    fc.assert(
      fc.property(lines, fc.nat(3), fc.nat(3), (given, i, j) => {
        // Every line is another one, and the two edits are at least a line apart.
        const base = given.map((line, at) => `${at} ${line}`);
        const change = (at: number, word: string) =>
          base.map((line, k) => (k === at ? word : line));
        const [mine, built] = [change(i, 'by hand'), change(j + 6, 'by mod')];
        const three = {
          base: base.join('\n'),
          mine: mine.join('\n'),
          built: built.join('\n'),
        };
        const both = base.map((line, k) => (k === i ? 'by hand' : k === j + 6 ? 'by mod' : line));
        expect(mergeTexts(three, {}, 'lines')).toEqual({ text: both.join('\n'), clashes: [] });
      }),
    ));

  test('a line that both changed is told, with its number, and is as it is chosen', () => {
    const three = { base: 'a\nb\nc\n', mine: 'a\nB\nc\n', built: 'a\nbb\nc\n' };
    expect(mergeTexts(three, {}, 'lines')).toEqual({
      text: three.mine,
      clashes: [{ place: '2', base: 'b', mine: 'B', built: 'bb' }],
    });
    expect(mergeTexts(three, { chosen: () => 'built' }, 'lines')?.text).toBe(three.built);
  });

  test('what only one side changed is that side’s, to the letter', () =>
    fc.assert(
      fc.property(fc.string(), fc.string(), anyForm, (one, other, form) => {
        expect(mergeTexts({ base: one, mine: one, built: other }, {}, form)?.text).toBe(other);
        expect(mergeTexts({ base: one, mine: other, built: one }, {}, form)?.text).toBe(other);
      }),
    ));

  test('texts of very many lines are one place', () => {
    const long = (word: string) => `${'x\n'.repeat(30_000)}${word}`;
    const three = { base: long('a'), mine: long('b'), built: long('c') };
    expect(mergeTexts(three, {}, 'lines')?.clashes).toHaveLength(1);
    expect(mergeTexts(three, { chosen: () => 'built' }, 'lines')?.text).toBe(three.built);
  });
});

describe('what somebody else wrote and nobody ever built', () => {
  const ids = fc.uniqueArray(fc.stringMatching(/^[a-f]{1,2}$/), { maxLength: 6 });
  const entries = (first: number) =>
    ids.map((names) => names.map((id, i) => ({ id, number: first + i })));

  test('holds all that it held, in its order, and all of ours behind it', () =>
    fc.assert(
      fc.property(entries(0), entries(100), ids, ids, (theirs, ours, groups, brought) => {
        const mine = { entries: theirs, groups, words: { marsh: 'Marsh' } };
        const built = { entries: ours, groups: brought, words: { gate: 'Gate' } };
        const { value, clashes } = mergeValues(undefined, mine, built);
        const isTheirs = ({ id }: { id: string }) => theirs.some((one) => one.id === id);
        expect(value).toEqual({
          entries: [...theirs, ...ours.filter((one) => !isTheirs(one))],
          groups: [...new Set([...groups, ...brought])],
          words: { marsh: 'Marsh', gate: 'Gate' },
        });
        expect(clashes).toHaveLength(ours.filter(isTheirs).length);
      }),
    ));

  test('an entry of the same name is the same, and clashes where it says otherwise', () => {
    const mine = [{ number: 3, id: 'marsh:gate' }];
    const built = [{ number: 4, id: 'marsh:gate', hard: 2 }];
    expect(mergeValues(undefined, mine, built)).toEqual({
      value: [{ number: 3, id: 'marsh:gate', hard: 2 }],
      clashes: [{ path: '/0/number', base: undefined, mine: 3, built: 4 }],
    });
  });

  test('an entry that comes stands behind the last of its kind', () => {
    const entry = (kind: string, id: string) => ({ number: 0, kind, id });
    const mine = [entry('group', 'plants'), entry('block', 'reed'), entry('item', 'salt')];
    const built = [entry('group', 'works'), entry('block', 'gate')];
    const ids = (list: unknown) => (list as { id: string }[]).map(({ id }) => id);
    const joined = mergeValues(undefined, mine, built).value;
    expect(ids(joined)).toEqual(['plants', 'works', 'reed', 'gate', 'salt']);
    // The next build brings one thing and takes one away: it meets none of theirs.
    const next = [entry('group', 'works'), entry('group', 'light'), entry('item', 'brine')];
    const later = mergeValues(built, joined, next, { joins: true });
    expect(ids(later.value)).toEqual(['plants', 'works', 'light', 'reed', 'salt', 'brine']);
    expect(later.clashes).toEqual([]);
  });

  test('numbers mean something by their place: two lists of them clash', () => {
    expect(mergeValues(undefined, { from: [0, 0] }, { from: [0, 1] }).clashes).toEqual([
      { path: '/from', base: undefined, mine: [0, 0], built: [0, 1] },
    ]);
  });

  test('a list of lines gets those that it lacks, and loses those that go', () => {
    const first = mergeTexts(
      { mine: 'id,name\nmud,Mud', built: 'id,name\ngate,Gate\n' },
      {},
      'list',
    );
    expect(first).toEqual({ text: 'id,name\nmud,Mud\ngate,Gate\n', clashes: [] });
    const later = {
      base: 'id,name\ngate,Gate\n',
      mine: first!.text,
      built: 'id,name\nlock,Lock\n',
    };
    expect(mergeTexts(later, {}, 'list')?.text).toBe('id,name\nmud,Mud\nlock,Lock\n');
  });

  test('a text of no known form cannot be put together', () => {
    expect(mergeTexts({ mine: 'return {}', built: 'return 1' }, {}, 'lines')).toBeUndefined();
    expect(mergeTexts({ mine: 'no JSON', built: '{}' }, {}, 'json')).toBeUndefined();
  });
});

describe('with caution', () => {
  const cautious = { isCautious: true, unchosen: 'base' } as const;

  test('what nobody chose stays as it was', () => {
    expect(mergeValues({ a: 1 }, { a: 2 }, { a: 3 }, cautious).value).toEqual({ a: 1 });
  });

  test('lists of other lengths and groups that both made anew clash as a whole', () => {
    expect(mergeValues([1], [1, 2], [1, 3], cautious).clashes).toHaveLength(1);
    expect(mergeValues({}, { a: { x: 1 } }, { a: { y: 1 } }, cautious).clashes).toEqual([
      { path: '/a', base: undefined, mine: { x: 1 }, built: { y: 1 } },
    ]);
  });

  test('a group that is one value is never half of each', () => {
    const isWhole = (group: object) => 'sha256' in group;
    const facts = (sha256: string, width: number) => ({ sha256, width });
    const [base, mine, built] = [facts('a', 1), facts('b', 1), facts('a', 2)];
    expect(mergeValues(base, mine, built, { isWhole }).clashes).toHaveLength(1);
  });
});
