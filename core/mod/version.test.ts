import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Version } from './names.ts';
import { nextVersion, versionParts } from './version.ts';

test.each([
  ['0.3.0', 'patch', '0.3.1'],
  ['0.3.7', 'minor', '0.4.0'],
  ['0.3.7', 'major', '1.0.0'],
  ['1.2.3-rc.1', 'patch', '1.2.3'],
  ['1.2.3-rc.1', 'minor', '1.3.0'],
  ['2.0.0-beta+build', 'major', '2.0.0'],
  ['1.2.3+build', 'patch', '1.2.4'],
] as const)('after %s the next %s is %s', (version, part, next) =>
  expect(nextVersion(version, part)).toBe(next),
);

test('whatever is raised is a version, and a later one', () =>
  fc.assert(
    fc.property(
      fc.tuple(fc.nat(99), fc.nat(99), fc.nat(99)),
      fc.constantFrom(...versionParts),
      (numbers, part) => {
        const next = nextVersion(numbers.join('.'), part);
        expect(Version.safeParse(next).success).toBe(true);
        const weight = ([a = 0, b = 0, c = 0]: number[]) => a * 1e6 + b * 1e3 + c;
        expect(weight(next.split('.').map(Number))).toBeGreaterThan(weight(numbers));
      },
    ),
  ));
