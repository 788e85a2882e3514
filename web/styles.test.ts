import { expect, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const files = readdirSync('web', { recursive: true, encoding: 'utf8' }).map((file) =>
  path.join('web', file),
);
const read = (file: string) => readFileSync(file, 'utf8');
const modules = files.filter((file) => file.endsWith('.module.css'));
const components = files.filter((file) => file.endsWith('.tsx'));

/** The class names that a style sheet declares of its own. */
function classesOf(file: string): Set<string> {
  const selectors = read(file)
    .replace(/\/\*[^]*?\*\//g, '')
    .replace(/:global\([^)]*\)/g, '')
    .replace(/\{[^{}]*\}/g, ' ');
  return new Set([...selectors.matchAll(/\.([a-z][\w-]*)/gi)].map(([, name = '']) => name));
}

/** Which names of which style sheet a component uses; `'*'` where it works a name out. */
function usesOf(file: string): [sheet: string, name: string][] {
  const text = read(file);
  const imports = text.matchAll(/import (\w+) from '([^']+\.module\.css)'/g);
  return [...imports].flatMap(([, local = '', address = '']) => {
    const sheet = path.join(path.dirname(file), address);
    const named = text.matchAll(new RegExp(`\\b${local}\\[('([^']+)'|)`, 'g'));
    return [...named].map(([, , name = '*']): [string, string] => [sheet, name]);
  });
}

const uses = components.flatMap(usesOf);

test('every class name that a component takes from a style sheet is in it', () => {
  const missing = uses.filter(([sheet, name]) => name !== '*' && !classesOf(sheet).has(name));
  expect(missing).toEqual([]);
});

test('every class name of a style sheet is used by a component, or worked out by one', () => {
  const workedOut = new Set(uses.filter(([, name]) => name === '*').map(([sheet]) => sheet));
  const unused = modules
    .filter((sheet) => !workedOut.has(sheet))
    .flatMap((sheet) => {
      const used = new Set(uses.filter(([of]) => of === sheet).map(([, name]) => name));
      return [...classesOf(sheet)].filter((name) => !used.has(name)).map((name) => [sheet, name]);
    });
  expect(unused).toEqual([]);
});

test('what is no module is the one sheet of tokens and type', () => {
  const plain = files.filter((file) => file.endsWith('.css') && !modules.includes(file));
  expect(plain).toEqual(['web/styles.css']);
});

test('a class that a component writes as a word is type: it stands in styles.css', () => {
  const type = classesOf('web/styles.css');
  const words = components.flatMap((file) =>
    [...read(file).matchAll(/className="([^"]+)"/g)].flatMap(([, names = '']) =>
      names.split(' ').map((name) => [file, name] as const),
    ),
  );
  expect(words.filter(([, name]) => !type.has(name))).toEqual([]);
});

test('nobody looks for an element by a class: those names are the sheets’ own', () => {
  const byClass = files
    .filter((file) => /\.tsx?$/.test(file))
    .flatMap((file) =>
      [
        ...read(file).matchAll(/(?:querySelector(?:All)?|closest|focusSoon)[^(]*\(\s*['"`]\.\w/g),
      ].map(() => file),
    );
  expect(byClass).toEqual([]);
});
