import { describe, expect, test } from '@jest/globals';
import type { Files } from '../bytes/index.ts';
import { writeModFolder } from '../folder/index.ts';
import { folderForm, inspectModFolder, mendAll, mendFiles } from './index.ts';
import { sampleMod } from './sample.ts';
import { builtFrom } from './testing/built-from.ts';

const encode = (text: string) => new TextEncoder().encode(text);
const textOf = (files: Files, path: string) => new TextDecoder().decode(files.get(path));

/** The sample as a folder, with pictures that are there. */
function folder(): Files {
  const mod = sampleMod();
  const built = builtFrom(mod);
  const picture = new Map(
    Object.entries(mod.textures).map(([name, texture]) => [
      texture.picture.sha256,
      built.get(`view/textures/${name}.png`)!,
    ]),
  );
  return writeModFolder(mod, (sha256) => picture.get(sha256)!);
}

const changed = (path: string, from: RegExp | string, to: string): Files => {
  const files = folder();
  const text = textOf(files, path);
  expect(text).toMatch(from);
  return files.set(path, encode(text.replace(from, to)));
};
const told = (files: Files) => inspectModFolder(files).map(({ rule, file }) => `${rule} ${file}`);

test('the sample as a folder has nothing wrong', () => expect(told(folder())).toEqual([]));

describe('one mistake in one file is one finding: nothing is concluded from what it hides', () => {
  test.each([...folder().keys()].filter((path) => path.endsWith('.json') && path !== 'mod.json'))(
    '%s ends too early',
    (path) => {
      const files = folder();
      files.set(path, files.get(path)!.slice(0, -4));
      expect(told(files)).toEqual([`files/malformed-json ${path}`]);
    },
  );

  test.each([
    ['blocks/lamp.json', '"looks"', '"lokos"', 'files/does-not-fit blocks/lamp.json'],
    ['models/bank.json', '"template"', '"templete"', 'files/does-not-fit models/bank.json'],
    ['mod.json', /\{/, '{ // mine\n', 'files/malformed-json mod.json'],
    ['mod.json', '"namespace"', '"namespaces"', 'files/does-not-fit mod.json'],
  ])('in %s %s became %s', (path, from, to, finding) =>
    expect(told(changed(path, from, to))).toEqual([finding]),
  );

  test('a picture that is none, a folder that is misspelt', () => {
    const files = folder();
    files.set('textures/bank.png', encode('no picture'));
    expect(told(files)).toEqual(['textures/unreadable textures/bank.png']);
    const moved = folder();
    moved.set('block/lamp.json', moved.get('blocks/lamp.json')!);
    moved.delete('blocks/lamp.json');
    expect(told(moved)).toEqual(['files/unknown-file block/lamp.json']);
    const { files: back, made } = mendFiles(folderForm, moved, [inspectModFolder(moved)[0]!.fix!]);
    expect(made).toHaveLength(1);
    expect(told(back)).toEqual([]);
  });
});

test('what is mended in a folder keeps the form in which its author wrote it', () => {
  const files = folder();
  const own = textOf(files, 'blocks/bank.json')
    .replaceAll('\n', '\r\n')
    .replace('"saltmarsh:spade_dug", ', '')
    .replace(/\}\s*$/, ',}\r\n')
    .replace('"saltmarsh:bank"', '"saltmarsh:bnak"');
  files.set('blocks/bank.json', encode(own));
  const { files: mended } = mendAll(folderForm, files, () => true);
  expect(told(mended)).toEqual([]);
  expect(textOf(mended, 'blocks/bank.json')).toBe(
    own
      .replace(/,\}\r\n$/, '}\r\n')
      .replace('bnak', 'bank')
      .replace('["saltmarsh:shore"]', '["saltmarsh:shore", "saltmarsh:spade_dug"]'),
  );
});

test('documents of an earlier edition are not mended in their text', () => {
  const files = changed('mod.json', /"edition": \d+/, '"edition": 1');
  const fix = {
    title: 'Rename it',
    changes: [{ path: '/blocks/bank/names/en', before: 'Bank', after: 'Shore' }],
  };
  expect(mendFiles(folderForm, files, [fix]).made).toEqual([]);
  expect(mendFiles(folderForm, folder(), [fix]).made).toEqual([fix]);
});
