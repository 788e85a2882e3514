import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { changedNames } from './changed-names.ts';

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
