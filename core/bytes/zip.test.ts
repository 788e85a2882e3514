import { expect, test } from '@jest/globals';
import { zipSync } from 'fflate';
import fc from 'fast-check';
import { digestOf, readZip, unsafePath, writeZip, ZipProblem } from './index.ts';

const text = (words: string) => new TextEncoder().encode(words);

test('files come back from a ZIP, and the same files give the same bytes', () => fc.assert(fc.property(fc.dictionary(fc.stringMatching(/^[a-z]{1,8}(\/[a-z]{1,8})?$/), fc.uint8Array({ maxLength: 200 })), (given) => {
  const files = new Map(Object.entries(given).filter(([path]) => !Object.keys(given).some((other) => other.startsWith(`${path}/`))));
  expect(readZip(writeZip(files))).toEqual(files);
  expect(digestOf(writeZip(files))).toBe(digestOf(writeZip(new Map(files))));
}), { numRuns: 30 }));

test.each(['../x', '/etc/passwd', 'a/../../b', 'c:\\x', 'a\\b', 'a//b', 'con.json', 'a/nul', 'x.', 'a:b', `${'x'.repeat(201)}`])('the path %j is refused', (path) => {
  expect(unsafePath(path)).toBeTruthy();
  expect(() => readZip(zipSync({ [path]: text('x') }))).toThrow(ZipProblem);
});

test('ordinary paths are taken', () => expect(['pack.json', 'view/models/lantern/lit.json', 'a..b'].map(unsafePath)).toEqual([undefined, undefined, undefined]));

test('an archive that unpacks beyond its bounds is refused before it is unpacked', () => {
  const bomb = zipSync({ 'zeros.bin': new Uint8Array(5_000_000) }, { level: 9 });
  expect(bomb.length).toBeLessThan(10_000);
  expect(() => readZip(bomb, { files: 10, bytes: 1_000_000 })).toThrow(/unpacks to more than/);
  expect(() => readZip(zipSync({ a: text(''), b: text('') }), { files: 1, bytes: 100 })).toThrow(/more than 1 files/);
});

test('what is no archive is said to be none', () => {
  expect(() => readZip(text('hello'))).toThrow(/not a whole ZIP/);
  expect(() => readZip(writeZip(new Map([['a', text('x')]])).subarray(0, 40))).toThrow(ZipProblem);
});

test('the digest is SHA-256 (FIPS 180-4, the example "abc")', () => {
  expect(digestOf(text('abc'))).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad');
});
