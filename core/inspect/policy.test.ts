import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { known, rules, underPolicy, whyNoRule, type Finding } from './index.ts';

const finding = (rule: string, message: string, line = 1): Finding => ({
  rule,
  severity: 'warning',
  facet: 'Tags',
  message,
  file: 'tags/a.json',
  place: { line, column: 1 },
});
const found = [finding('tags/empty', 'a'), finding('tags/circle', 'b'), finding('tags/empty', 'c')];
const words = (findings: readonly Finding[]) =>
  findings.map(({ severity, message }) => `${severity} ${message}`);

test('a rule is made graver, milder or silent, and the gravest come first', () => {
  expect(words(underPolicy(found, { gravity: new Map([['tags/empty', 'error']]) }))).toEqual([
    'error a',
    'error c',
    'warning b',
  ]);
  expect(words(underPolicy(found, { gravity: new Map([['tags/empty', 'off']]) }))).toEqual([
    'warning b',
  ]);
  expect(words(underPolicy(found, { only: new Set(['tags/circle']) }))).toEqual(['warning b']);
});

test('of a baseline only what is new is left, also when it has moved or is there once more', () => {
  const moved = found.map((one) => ({ ...one, place: { line: 40, column: 2 } }));
  expect(underPolicy(moved, { baseline: known(found) })).toEqual([]);
  const twice = [...found, finding('tags/empty', 'a', 9)];
  expect(words(underPolicy(twice, { baseline: known(found) }))).toEqual(['warning a']);
});

const anyFindings = fc.array(
  fc
    .tuple(fc.constantFrom(...rules.map(({ id }) => id)), fc.constantFrom('a', 'b', 'c'))
    .map(([rule, message]) => finding(rule, message)),
);

test('whatever is found: without a policy all of it, against itself nothing', () =>
  fc.assert(
    fc.property(anyFindings, anyFindings, (findings, before) => {
      expect(underPolicy(findings, {})).toHaveLength(findings.length);
      expect(underPolicy(findings, { baseline: known(findings) })).toEqual([]);
      const fresh = underPolicy(findings, { baseline: known(before) });
      expect(fresh.length).toBeGreaterThanOrEqual(findings.length - before.length);
      expect(fresh.length).toBeLessThanOrEqual(findings.length);
    }),
  ));

test('a rule that is none is said with the one that was meant', () => {
  expect(whyNoRule('tags/empty')).toBeUndefined();
  expect(whyNoRule('tags/emtpy')).toBe('There is no rule tags/emtpy. Did you mean tags/empty?');
});
