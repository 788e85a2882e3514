import { expect, test } from '@jest/globals';
import { zipSync } from 'fflate';
import fc from 'fast-check';
import { spawnSync } from 'node:child_process';
import { crc32, digestOf, readZip, unsafePath, writeZip, ZipProblem } from './index.ts';

const text = (words: string) => new TextEncoder().encode(words);

test('files come back from a ZIP, and the same files give the same bytes', () =>
  fc.assert(
    fc.property(
      fc.dictionary(
        fc.stringMatching(/^[a-z]{1,8}(\/[a-z]{1,8})?$/),
        fc.uint8Array({ maxLength: 200 }),
      ),
      (given) => {
        const files = new Map(
          Object.entries(given).filter(
            ([path]) => !Object.keys(given).some((other) => other.startsWith(`${path}/`)),
          ),
        );
        expect(readZip(writeZip(files))).toEqual(files);
        expect(digestOf(writeZip(files))).toBe(digestOf(writeZip(new Map(files))));
      },
    ),
    { numRuns: 30 },
  ));

test.each([
  '../x',
  '/etc/passwd',
  'a/../../b',
  'c:\\x',
  'a\\b',
  'a//b',
  'con.json',
  'a/nul',
  'x.',
  'a:b',
  'x'.repeat(201),
])('the path %j is refused', (path) => {
  expect(unsafePath(path)).toBeTruthy();
  expect(() => readZip(zipSync({ [path]: text('x') }))).toThrow(ZipProblem);
});

test('ordinary paths are taken', () =>
  expect(['pack.json', 'view/models/lantern/lit.json', 'a..b'].map(unsafePath)).toEqual([
    undefined,
    undefined,
    undefined,
  ]));

test('an archive that unpacks beyond its bounds is refused before it is unpacked', () => {
  const bomb = zipSync({ 'zeros.bin': new Uint8Array(5_000_000) }, { level: 9 });
  expect(bomb.length).toBeLessThan(10_000);
  expect(() => readZip(bomb, { files: 10, bytes: 1_000_000 })).toThrow(/unpacks to more than/);
  expect(() => readZip(zipSync({ a: text(''), b: text('') }), { files: 1, bytes: 100 })).toThrow(
    /more than 1 files/,
  );
});

test('what is no archive is said to be none', () => {
  expect(() => readZip(text('hello'))).toThrow(/not a whole ZIP/);
  expect(() => readZip(writeZip(new Map([['a', text('x')]])).subarray(0, 40))).toThrow(ZipProblem);
});

test('the digest is SHA-256 (FIPS 180-4, the example "abc")', () => {
  expect(digestOf(text('abc'))).toBe(
    'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
  );
});

/** An archive of one deflated file, with some of its numbers changed in the directory. */
function forged(change: (directory: DataView) => void): Uint8Array {
  const made = zipSync({ a: new Uint8Array(100_000) }, { level: 9 }).slice();
  const view = new DataView(made.buffer);
  change(new DataView(made.buffer, view.getUint32(made.length - 6, true)));
  return made;
}

test(
  'a file that unpacks to more or less than it says, or to something else, is refused ' +
    'without unpacking on',
  () => {
    expect(() => readZip(forged((entry) => entry.setUint32(24, 10, true)))).toThrow(
      /unpacks to more than it says/,
    );
    expect(() => readZip(forged((entry) => entry.setUint32(24, 200_000, true)))).toThrow(
      /unpacks to less than it says/,
    );
    expect(() => readZip(forged((entry) => entry.setUint32(16, 7, true)))).toThrow(
      /its checksum is another one/,
    );
    expect(() => readZip(forged((entry) => entry.setUint32(20, 0x7fffffff, true)))).toThrow(
      /cut short/,
    );
    expect(() => readZip(forged((entry) => entry.setUint32(42, 5, true)))).toThrow(
      /not where its directory says/,
    );
    expect(() => readZip(forged((entry) => entry.setUint16(10, 99, true)))).toThrow(/method 99/);
    expect(() => readZip(forged((entry) => entry.setUint16(8, 1, true)))).toThrow(/password/);
  },
);

test(
  'files that share their bytes, of which a small archive could hold any number, are ' + 'refused',
  () => {
    const one = zipSync({ a: new Uint8Array(1000), b: new Uint8Array(1000) }, { level: 9 }).slice();
    const view = new DataView(one.buffer);
    const directory = view.getUint32(one.length - 6, true);
    view.setUint32(directory + 47 + 42, 0, true);
    expect(() => readZip(one)).toThrow(/share the same bytes/);
  },
);

test('whatever bytes are changed, an archive is read or refused with a sentence', () =>
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(400), fc.nat(255)), { minLength: 1, maxLength: 6 }),
      (changes) => {
        const bytes = writeZip(
          new Map([
            ['pack.json', text('{ "a": 1 }'.repeat(20))],
            ['view/a.png', new Uint8Array(40)],
          ]),
        ).slice();
        for (const [at, value] of changes) bytes[at % bytes.length] = value;
        try {
          readZip(bytes);
        } catch (error) {
          expect(error).toBeInstanceOf(ZipProblem);
        }
      },
    ),
    { numRuns: 500 },
  ));

test('an archive that Python wrote is read, and Python reads ours', () => {
  const script =
    'import sys, zipfile\nz = zipfile.ZipFile(sys.argv[1], "w", ' +
    'zipfile.ZIP_DEFLATED)\nz.writestr("a/b.txt", "tide " * 500)\nz.writestr("c.bin", ' +
    'b"x", zipfile.ZIP_STORED)\nz.mkdir("d") if hasattr(z, "mkdir") else None\nz.comment ' +
    '= b"made elsewhere"\nz.close()\nsys.stdout.buffer.write(open(sys.argv[1], ' +
    '"rb").read())';
  const made = spawnSync('python3', ['-c', script, '/tmp/obrank-zip-witness.zip']);
  expect(made.status).toBe(0);
  expect(readZip(made.stdout)).toEqual(
    new Map([
      ['a/b.txt', text('tide '.repeat(500))],
      ['c.bin', text('x')],
    ]),
  );
  const check = spawnSync(
    'python3',
    [
      '-c',
      'import io, sys, zipfile\nz = ' +
        'zipfile.ZipFile(io.BytesIO(sys.stdin.buffer.read()))\nprint(z.testzip(), ' +
        'z.namelist())',
    ],
    {
      input: writeZip(
        new Map([
          ['a', text('x'.repeat(999))],
          ['b.png', text('y')],
        ]),
      ),
    },
  );
  expect(check.stdout.toString().trim()).toBe("None ['a', 'b.png']");
});

test('the CRC-32 of "123456789" is the one that everybody gives', () =>
  expect(crc32(text('123456789'))).toBe(0xcbf43926));
