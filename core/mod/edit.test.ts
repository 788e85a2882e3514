import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { pointer, valueAt } from '../json/index.ts';
import {
  applyChange,
  applyChanges,
  EditConflict,
  entryOf,
  firstClash,
  invertChanges,
  pathsMeet,
  sameData,
  squashChanges,
  type Change,
} from './index.ts';

const key = fc.constantFrom('a', 'b', 'c/d', '~e');
const anyDocument = fc.dictionary(
  key,
  fc.dictionary(key, fc.oneof(fc.nat(3), fc.constant('x'), fc.array(fc.nat(3)))),
);
/** A document and a run of changes, each made on the document as the last one left it. */
const anyRun = anyDocument.chain((document) =>
  fc
    .array(
      fc.record({
        path: fc.tuple(key, fc.option(key, { nil: undefined })),
        after: fc.option(fc.nat(9), { nil: undefined }),
      }),
      { maxLength: 6 },
    )
    .map((wishes) => {
      let at = document as Record<string, unknown>;
      const changes: Change[] = [];
      for (const {
        path: [first, second],
        after,
      } of wishes) {
        const held = at[first];
        if (second !== undefined && (typeof held !== 'object' || held === null)) continue;
        const path = pointer(second === undefined ? [first] : [first, second]);
        const change = { path, before: valueAt(at, path), after };
        at = applyChange(at, change);
        changes.push(change);
      }
      return { document, changes, end: at };
    }),
);

test('an edit and its inverse leave everything as it was', () =>
  fc.assert(
    fc.property(anyRun, ({ document, changes, end }) => {
      const before = JSON.stringify(document);
      expect(applyChanges<unknown>(document, changes)).toEqual(end);
      expect(applyChanges<unknown>(end, invertChanges(changes))).toEqual(document);
      expect(JSON.stringify(document)).toBe(before);
    }),
  ));

test('squashed changes do the same in no more steps', () =>
  fc.assert(
    fc.property(anyRun, ({ document, changes, end }) => {
      const fewer = squashChanges(changes);
      expect(fewer.length).toBeLessThanOrEqual(changes.length);
      expect(applyChanges<unknown>(document, fewer)).toEqual(end);
    }),
  ));

test('what a change does not touch is shared, not copied', () => {
  const document = { blocks: { a: { x: 1 }, b: { y: 2 } } };
  const after = applyChange(document, { path: '/blocks/a/x', before: 1, after: 3 });
  expect(after.blocks.b).toBe(document.blocks.b);
  expect(after.blocks.a).toEqual({ x: 3 });
});

test.each<[string, Change]>([
  ['another value stands there', { path: '/a/n', before: 7, after: 8 }],
  ['nothing stands there', { path: '/z/n', before: undefined, after: 8 }],
  ['the list has no such place', { path: '/a/list/5', after: 8 }],
  ['a list would get a hole', { path: '/a/list/0', before: 1 }],
  ['the prototype is no place', { path: '/__proto__/polluted', after: true }],
])('a change is refused when %s', (_, change) => {
  expect(() => applyChange({ a: { n: 1, list: [1] } }, change)).toThrow(EditConflict);
  expect(({} as Record<string, unknown>)['polluted']).toBeUndefined();
});

test('the order of keys does not matter, everything else does', () => {
  expect(sameData({ a: 1, b: [1, { c: 2 }] }, { b: [1, { c: 2 }], a: 1 })).toBe(true);
  expect(sameData({ a: undefined }, {})).toBe(true);
  expect(sameData([1], { 0: 1 })).toBe(false);
  expect(sameData(null, undefined)).toBe(false);
});

test('changes meet where one lies in the other', () => {
  expect(pathsMeet('/a/b', '/a')).toBe(true);
  expect(pathsMeet('/a/b', '/a/bc')).toBe(false);
  expect(firstClash([{ path: '/a/b' }], [{ path: '/c' }, { path: '/a' }])?.theirs.path).toBe('/a');
  expect(entryOf('/blocks/brine/traits')).toEqual({ kind: 'blocks', name: 'brine' });
  expect(entryOf('/header/title')).toEqual({ kind: 'header', name: '' });
});

test('many changes at once are those one after the other, and alter nothing that was given', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          fc.constantFrom('/a/x', '/a/y', '/list/0', '/list/1/z', '/b'),
          fc.oneof(fc.integer(), fc.constant({ z: 1 })),
        ),
        { maxLength: 8 },
      ),
      (steps) => {
        const start: Record<string, unknown> = {
          a: { x: 1, y: { z: 2 } },
          list: [1, { z: 3 }],
          b: {},
        };
        let at = start;
        const changes: Change[] = [];
        for (const [path, after] of steps) {
          try {
            const change = { path, before: valueAt(at, path), after };
            at = applyChange(at, change);
            changes.push(change);
          } catch (error) {
            expect(error).toBeInstanceOf(EditConflict);
          }
        }
        const before = structuredClone([start, changes]);
        expect(applyChanges(start, changes)).toEqual(at);
        expect([start, changes]).toEqual(before);
      },
    ),
  ));
