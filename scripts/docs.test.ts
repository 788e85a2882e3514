import { expect, test } from '@jest/globals';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { generatedDocs } from './generated-docs.ts';

test('the documents that are made from the code are those that the code makes now (npm run docs:make)', () => {
  for (const [file, text] of generatedDocs()) {
    expect(existsSync(file)).toBe(true);
    expect({ file, text: readFileSync(file, 'utf8') }).toEqual({ file, text });
  }
});

test('every screenshot is linked from the README, and every link of it leads somewhere', () => {
  const readme = readFileSync('README.md', 'utf8');
  for (const file of readdirSync('docs/screenshots'))
    expect(readme).toContain(`docs/screenshots/${file}`);
  for (const [, target] of readme.matchAll(/\]\(([^)#]+)\)/g))
    expect({ target, there: existsSync(target!) }).toEqual({ target, there: true });
});

test('every command that the README names exists', () => {
  const { scripts } = JSON.parse(readFileSync('package.json', 'utf8')) as {
    scripts: Record<string, string>;
  };
  for (const [, name] of readFileSync('README.md', 'utf8').matchAll(/npm run (?:-s )?([a-z:]+)/g))
    expect(Object.keys(scripts)).toContain(name);
});
