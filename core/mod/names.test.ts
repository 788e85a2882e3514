import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Name, nameFrom, nameProblem, pathPattern, PathName } from './names.ts';

test('whatever a thing is called, the name made of it is a good one or none', () =>
  fc.assert(
    fc.property(fc.string({ maxLength: 200 }), (title) => {
      const name = nameFrom(title);
      if (name !== '' && name !== 'constructor') expect(nameProblem(name)).toBeUndefined();
    }),
  ));

test('nothing is found wrong with just those names that the mod takes', () =>
  fc.assert(
    fc.property(fc.stringMatching(/^[a-z_A-Z0-9/]{0,140}$/), (name) => {
      expect(nameProblem(name) === undefined).toBe(Name.safeParse(name).success);
      expect(nameProblem(name, pathPattern) === undefined).toBe(PathName.safeParse(name).success);
    }),
  ));

test('a name that is too long says how long it may be', () => {
  expect(nameProblem('a'.repeat(64))).toBeUndefined();
  expect(nameProblem('a'.repeat(70))).toBe('Use 64 letters at most; these are 70.');
});
