import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applyChange } from '../mod/index.ts';
import { applyFindingsDiff, diffFindings } from './findings-diff.ts';
import { inspect, type Finding } from './index.ts';
import { sampleMod, withExample } from './sample.ts';

const pool: Finding[] = Array.from({ length: 12 }, (_, n) => ({
  rule: 'traits/test',
  severity: 'hint',
  facet: 'Traits',
  message: `Finding ${n}.`,
}));
const anyList = fc.uniqueArray(fc.constantFrom(...pool));

test('a diff makes the later list of the earlier one, with the same objects where they stayed', () =>
  fc.assert(
    fc.property(anyList, anyList, (before, after) => {
      const made = applyFindingsDiff(before, diffFindings(before, after));
      expect(made).toEqual(after);
      made.forEach((finding, index) => {
        expect(Object.is(finding, after[index])).toBe(true);
      });
    }),
  ));

test('a list that stays is one run, and one that came over the wire is applied like any other', () => {
  expect(diffFindings(pool, [...pool])).toEqual([{ from: 0, count: 12 }]);
  expect(diffFindings([], [])).toEqual([]);
  const diff = diffFindings(pool.slice(0, 6), [...pool.slice(0, 3), ...pool.slice(6)]);
  expect(diff).toEqual([{ from: 0, count: 3 }, { put: pool.slice(6) }]);
  expect(applyFindingsDiff(pool.slice(0, 6), structuredClone(diff))).toHaveLength(9);
});

test('one edit of one block sends that block’s findings alone', () => {
  const broken = withExample(sampleMod(), {
    '/blocks/lamp/identity/group': null,
    '/blocks/bank/identity/group': null,
    '/blocks/bank/traits/catchesFire': 30,
  });
  const before = inspect(broken);
  const edited = applyChange(broken, {
    path: '/blocks/bank/traits/catchesFire',
    before: 30,
    after: 40,
  });
  const put = diffFindings(before, inspect(edited)).flatMap((part) =>
    'put' in part ? part.put : [],
  );
  expect(put.length).toBeGreaterThan(0);
  expect(put.map(({ block }) => block)).not.toContain('lamp');
});
