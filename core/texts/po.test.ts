import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { spawnSync } from 'node:child_process';
import { printPo, readPo } from './index.ts';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const headers = (charset: string) =>
  new Map([
    ['Project-Id-Version', 'Saltmarsh 1'],
    ['Language', 'de'],
    ['MIME-Version', '1.0'],
    ['Content-Type', `text/plain; charset=${charset}`],
    ['Content-Transfer-Encoding', '8bit'],
  ]);

/** What a tool of GNU gettext makes of a file. */
function gettext(tool: string, args: string[], input: Uint8Array): Buffer {
  const { status, stdout, stderr, error } = spawnSync(tool, args, { input });
  if (error)
    throw new Error(
      `${tool} is needed: npm test installs it (Debian: apt-get install gettext). ${error.message}`,
    );
  if (status !== 0) throw new Error(`${tool} says: ${stderr.toString()}`);
  return stdout;
}
const plain = (file: Uint8Array) =>
  readPo(file).entries.map(({ context, id, texts }) => ({ context, id, texts }));

const entries = [
  { context: 'block.brine', id: 'Brine', texts: ['Sole'] },
  {
    context: 'ui.full',
    id: 'Holds {count}.\nNo "more".\n',
    texts: ['Fasst {count}.\nNicht „mehr“.\n'],
  },
  { context: 'ui.path', id: 'C:\\salt\tmarsh', texts: ['Größe: 5 × 5 \\ äöü'] },
  { context: 'ui.empty', id: 'Empty', texts: [''] },
];

test(
  'msgfmt takes what is written, and what msgcat makes of it in each of its styles is ' +
    'read back the same',
  () => {
    const file = bytes(printPo(headers('UTF-8'), entries));
    gettext('msgfmt', ['--check', '-o', '/dev/null', '-'], file);
    for (const style of [
      [],
      ['-i'],
      ['--strict'],
      ['--indent', '--strict'],
      ['--no-wrap'],
      ['-w', '20'],
      ['-e'],
      ['--sort-output'],
      ['--color=never', '--add-location=never'],
    ]) {
      const found = plain(gettext('msgcat', [...style, '-'], file));
      const byContext = (a: { context?: string }, b: { context?: string }) =>
        (a.context ?? '') < (b.context ?? '') ? -1 : 1;
      expect({ style, found: found.sort(byContext) }).toEqual({
        style,
        found: [...entries].sort(byContext),
      });
    }
  },
);

test('other charsets are read as what they are: msgconv turns the file, and the texts stay', () => {
  const western = entries.map((entry) => ({
    ...entry,
    texts: entry.texts.map((text) => text.replaceAll(/[„“]/g, '"')),
  }));
  const file = bytes(printPo(headers('UTF-8'), western));
  for (const charset of ['ISO-8859-1', 'ISO-8859-15', 'CP1252'])
    expect(plain(gettext('msgconv', ['-t', charset, '-'], file))).toEqual(western);
  const cyrillic = [{ context: 'block.brine', id: 'Brine', texts: ['Рассол'] }];
  for (const charset of ['KOI8-R', 'CP1251', 'ISO-8859-5'])
    expect(
      plain(gettext('msgconv', ['-t', charset, '-'], bytes(printPo(headers('UTF-8'), cyrillic)))),
    ).toEqual(cyrillic);
  // Letters whose second byte looks like a backslash.
  const kana = [{ context: 'block.brine', id: 'Brine', texts: ['表示ソ'] }];
  expect(
    plain(gettext('msgconv', ['-t', 'SHIFT_JIS', '-'], bytes(printPo(headers('UTF-8'), kana)))),
  ).toEqual(kana);
});

test(
  'an ordinary merge: what was translated before is not glued on, flags among others ' +
    'are seen, obsolete texts are told apart',
  () => {
    const old = bytes(
      printPo(headers('UTF-8'), [
        { context: 'block.brine', id: 'Brine water', texts: ['Sole'] },
        { context: 'block.gone', id: 'Gone', texts: ['Weg'] },
      ]),
    );
    const template = bytes(
      printPo(headers('UTF-8'), [
        { context: 'block.brine', id: 'Brine waters', texts: [''] },
        { context: 'block.reed', id: 'Reed', texts: [''] },
      ]),
    );
    const { status, stdout } = spawnSync(
      'bash',
      ['-c', 'msgmerge -q --previous <(echo "$OLD") <(echo "$NEW")'],
      {
        env: {
          ...process.env,
          OLD: new TextDecoder().decode(old),
          NEW: new TextDecoder().decode(template),
        },
      },
    );
    expect(status).toBe(0);
    const found = readPo(stdout);
    expect(found.problems).toEqual([]);
    expect(stdout.toString()).toContain('#| msgid "Brine water"');
    expect(
      found.entries.map(({ context, texts, isUnsure, isObsolete }) => [
        context,
        texts,
        isUnsure,
        isObsolete,
      ]),
    ).toEqual([
      ['block.brine', ['Sole'], true, false],
      ['block.reed', [''], false, false],
      ['block.gone', ['Weg'], false, true],
    ]);
    expect(
      readPo(bytes('#, c-format, fuzzy\nmsgctxt "a"\nmsgid "A"\nmsgstr "B"\n')).entries[0],
    ).toMatchObject({ isUnsure: true });
  },
);

test('escapes as in C: octal ones are bytes of the charset', () => {
  const [entry] = readPo(
    bytes('msgctxt "a"\nmsgid "A"\nmsgstr "Gr\\303\\266\\303\\237e \\x41\\t\\"q\\" \\\\ \\101"\n'),
  ).entries;
  expect(entry!.texts).toEqual(['Größe A\t"q" \\ A']);
});

test.each([
  ['msgid "a"\nmsgstr "b"\nwhat is this\n', /Line 3 is not understood: “what is this”/],
  ['msgid "a\nmsgstr "b"\n', /Line 1 is not understood/],
  ['"lonely"\n', /Line 1 is a text that belongs to nothing/],
  ['msgidd "a"\n', /Line 1 begins with msgidd/],
  [
    'msgid ""\nmsgstr "Content-Type: text/plain; charset=EBCDIC-9\\n"\n',
    /in EBCDIC-9, which cannot be read here/,
  ],
])('%j is told what is wrong with it', (source, problem) =>
  expect(readPo(bytes(source)).problems[0]).toMatch(problem),
);

test('bytes that are no letters of the charset, and UTF-16, are refused by name', () => {
  expect(readPo(Uint8Array.of(...bytes('msgid "'), 0xe4, ...bytes('"\n'))).problems[0]).toMatch(
    /in utf-8, and it is not/,
  );
  expect(readPo(Uint8Array.of(0xff, 0xfe, 0x6d, 0)).problems[0]).toMatch(/UTF-16/);
});

test('whatever is written is read back, by us and by msgcat', () => {
  const text = fc.string({
    unit: fc.constantFrom('a', 'ß', '"', '\\', '\n', '\t', ' ', '{', '日', '\u0001', '#'),
    maxLength: 12,
  });
  const id = text.map((end) => `x${end}`);
  const some = fc.uniqueArray(
    fc.record({ context: fc.stringMatching(/^[a-z.]{1,8}$/), id, texts: text.map((one) => [one]) }),
    { selector: ({ context }) => context, maxLength: 4 },
  );
  fc.assert(
    fc.property(some, (given) => {
      expect(plain(bytes(printPo(headers('UTF-8'), given)))).toEqual(given);
    }),
    { numRuns: 200 },
  );
  fc.assert(
    fc.property(
      some.filter((given) => !given.some(({ id: one, texts }) => /[\u0001]/.test(one + texts[0]!))),
      (given) => {
        if (given.length)
          expect(
            plain(gettext('msgcat', ['--no-wrap', '-'], bytes(printPo(headers('UTF-8'), given)))),
          ).toEqual(given);
      },
    ),
    { numRuns: 25 },
  );
});
