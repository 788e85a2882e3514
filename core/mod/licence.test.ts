import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { licenceSaid } from './licence.ts';

test.each([
  ['CC0-1.0', { kind: 'known' }],
  ['MIT OR Apache-2.0', { kind: 'known' }],
  ['(LGPL-2.1-or-later WITH GCC-exception-3.1)', { kind: 'known' }],
  ['mit license', { kind: 'near', meant: 'MIT' }],
  ['Apache 2', { kind: 'near', meant: 'Apache-2.0' }],
  ['All rights reserved', { kind: 'words' }],
  ['Do what you like with it, but leave my name in.', { kind: 'words' }],
  ['', { kind: 'words' }],
  ['+', { kind: 'words' }],
] as const)('of the licence "%s" is said: %j', (text, said) => {
  expect(licenceSaid(text)).toEqual(said);
});

test('whatever is typed is said to be something, and what is meant is known', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 100 }), (text) => {
      const said = licenceSaid(text);
      if (said.kind === 'near') expect(licenceSaid(said.meant)).toEqual({ kind: 'known' });
    }),
  );
});
