import { expect, test } from '@jest/globals';
import { kitsOf } from './kits-of.ts';

test('the kits of a mod are told once each, the one that is asked first before the others', () => {
  expect(kitsOf({ kit: 'block-pack' })).toEqual(['block-pack']);
  expect(kitsOf({ kit: 'notes', alsoFor: ['block-pack', 'notes'] })).toEqual([
    'notes',
    'block-pack',
  ]);
});
