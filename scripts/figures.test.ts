import { expect, test } from '@jest/globals';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { figureOf, figures } from './figures.ts';

test('a shown value is a number with its unit', () => {
  expect(figureOf('× 3.5')).toEqual({ value: 3.5, unit: '×' });
  expect(figureOf('0.26 ms')).toEqual({ value: 0.26, unit: 'ms' });
  expect(figureOf('3,008')).toEqual({ value: 3008, unit: '' });
  expect(figureOf('under 50 ms')).toEqual({ value: 50, unit: 'under ms' });
});

test('figures are written under their names, and no name stands twice', () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-figures-'));
  const file = path.join(folder, 'figures.json');
  const { line, done } = figures(['--json', file]);
  line('inspect.edit', 'one edit', '16 ms', 'of 2,000 blocks');
  expect(() => line('inspect.edit', 'one edit', '17 ms')).toThrow('stands twice');
  done();
  expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual({
    'inspect.edit': { value: 16, unit: 'ms', words: 'one edit', note: 'of 2,000 blocks' },
  });
  rmSync(folder, { recursive: true });
  expect(() => figures(['--json'])).toThrow('Name a file');
});
