import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { changedNames, noteCopy } from './changed-names.ts';

const objects = Array.from({ length: 4 }, (_, i) => ({ i }));
const anyRecord = fc.dictionary(
  fc.constantFrom('bank', 'lamp', 'salt', 'reed', 'to_string'),
  fc.constantFrom(...objects),
);

test('what changed, came or went is named, each once, and nothing else', () =>
  fc.assert(
    fc.property(anyRecord, anyRecord, (before, after) => {
      const wanted = [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
        (name) => before[name] !== after[name],
      );
      expect([...changedNames(before, after)].sort()).toEqual(wanted.sort());
      // Asked again, and against another one, it is as right.
      expect([...changedNames(before, after)].sort()).toEqual(wanted);
      expect(changedNames({}, after)).toHaveLength(Object.keys(after).length);
      expect(changedNames(after, after)).toEqual([]);
    }),
  ));

const name = fc.constantFrom('bank', 'lamp', 'salt', 'reed');
/** Copies of records that are there already: which, under which name, with what. */
const anyCopies = fc.array(fc.tuple(fc.nat(20), name, fc.option(fc.constantFrom(...objects))), {
  maxLength: 20,
});

test('of records that were copied from each other, in a line or branching, it says the same', () =>
  fc.assert(
    fc.property(anyRecord, anyCopies, (first, copies) => {
      const records = [first];
      for (const [which, under, entry] of copies) {
        const before = records[which % records.length]!;
        const copy = { ...before };
        if (entry) copy[under] = entry;
        else delete copy[under];
        noteCopy(copy, before, under);
        records.push(copy);
      }
      for (const one of records)
        for (const other of records)
          expect([...changedNames(one, other)].sort()).toEqual(
            [...changedNames({ ...one }, { ...other })].sort(),
          );
    }),
  ));

test('a long history is forgotten from its beginning, and what changed is found all the same', () => {
  const first: Record<string, object> = { bank: { i: 0 }, lamp: { i: 1 } };
  let last = first;
  for (let i = 0; i < 10_000; i += 1) {
    const next = { ...last, [i % 2 ? 'salt' : 'reed']: { i } };
    noteCopy(next, last, i % 2 ? 'salt' : 'reed');
    last = next;
  }
  expect([...changedNames(first, last)].sort()).toEqual(['reed', 'salt']);
});
