import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { createHash } from 'node:crypto';
import { digestInScript, digestOf } from './digest.ts';

test('the digest is the same in a browser and in Node, and that of another program', () =>
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
      const wanted = createHash('sha256').update(bytes).digest('hex');
      expect([digestOf(bytes), digestInScript(bytes)]).toEqual([wanted, wanted]);
    }),
  ));

test('the digest of nothing, and of "abc" (FIPS 180-4, examples)', () => {
  const of = (text: string) => digestOf(new TextEncoder().encode(text));
  expect(of('')).toBe('e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855');
  expect(of('abc')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad');
});
