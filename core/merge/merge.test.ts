import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { printJson } from '../json/index.ts';
import { mergeTexts, mergeValues } from './index.ts';

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
    mergeValues(base, mine, built, (clash) => choices[clash]).value;
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

describe('texts', () => {
  const json = { base: '{\n  "a": 1,\n  "b": 1\n}\n', isJson: true };

  test('JSON keeps the form in which people wrote it', () => {
    const mine = '{ "b": 1,\n\n   "a": 5, "note": "by hand" }';
    const { text, clashes } = mergeTexts(
      { base: json.base, mine, built: printJson({ a: 1, b: 2 }) },
      [],
      true,
    );
    expect(text).toBe('{ "b": 2,\n\n   "a": 5, "note": "by hand" }');
    expect(clashes).toEqual([]);
  });

  test('JSON that is damaged by hand is merged by its lines', () => {
    const base = '{\n  "a": 1,\n  "c": 0,\n  "b": 1\n}\n';
    const mine = '{\n  "a": 1,\n  "c": 0,\n  "b": 1,,\n}\n';
    const built = '{\n  "a": 2,\n  "c": 0,\n  "b": 1\n}\n';
    expect(mergeTexts({ base, mine, built }, [], true).text).toBe(
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
        const { text, clashes } = mergeTexts(
          { base: base.join('\n'), mine: mine.join('\n'), built: built.join('\n') },
          [],
          false,
        );
        expect(clashes).toEqual([]);
        expect(text.split('\n')).toEqual(
          base.map((line, k) => (k === i ? 'by hand' : k === j + 6 ? 'by mod' : line)),
        );
      }),
    ));

  test('a line that both changed is told, with its number, and is as it is chosen', () => {
    const three = { base: 'a\nb\nc\n', mine: 'a\nB\nc\n', built: 'a\nbb\nc\n' };
    expect(mergeTexts(three, [], false)).toEqual({
      text: three.mine,
      clashes: [{ place: '2', base: 'b', mine: 'B', built: 'bb' }],
    });
    expect(mergeTexts(three, ['built'], false).text).toBe(three.built);
  });

  test('what only one side changed is that side’s, to the letter', () =>
    fc.assert(
      fc.property(fc.string(), fc.string(), fc.boolean(), (one, other, isJson) => {
        expect(mergeTexts({ base: one, mine: one, built: other }, [], isJson).text).toBe(other);
        expect(mergeTexts({ base: one, mine: other, built: one }, [], isJson).text).toBe(other);
      }),
    ));

  test('texts of very many lines are one place', () => {
    const long = (word: string) => `${'x\n'.repeat(30_000)}${word}`;
    const three = { base: long('a'), mine: long('b'), built: long('c') };
    expect(mergeTexts(three, [], false).clashes).toHaveLength(1);
    expect(mergeTexts(three, ['built'], false).text).toBe(three.built);
  });
});
