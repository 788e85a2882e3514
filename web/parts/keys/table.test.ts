import { describe, expect, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { actOnKey, isKey } from './act-on-key.ts';
import { capsOf, keyAreas, keys, type KeyName } from './table.ts';

const names = Object.keys(keys) as KeyName[];
const press = (key: string, held: Partial<Record<'ctrlKey' | 'shiftKey', boolean>> = {}) => ({
  key,
  ctrlKey: false,
  metaKey: false,
  shiftKey: false,
  ...held,
});
const pressesIn = (area: string) =>
  names.filter((name) => keys[name].area === area).flatMap((name) => keys[name].press);
const sources = readdirSync('web', { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\./.test(file))
  .map((file) => [path.join('web', file), readFileSync(path.join('web', file), 'utf8')] as const);
const elsewhere = sources.filter(([file]) => !file.startsWith('web/parts/keys/'));

describe('the table of keys', () => {
  test.each(keyAreas)('no press stands twice in an area, nor for all areas: %s', (area) => {
    const all = [...pressesIn(area), ...(area === 'Everywhere' ? [] : pressesIn('Everywhere'))];
    expect(new Set(all).size).toBe(all.length);
  });

  test.each(names)('%s is bound by somebody', (name) => {
    const binding = new RegExp(`use(?:Yard)?Keys\\([^]*\\b${name}\\b|\\b${name}(?::|,)`);
    const binders = elsewhere.filter(
      ([, text]) => /use(?:Yard)?Keys\(|actOnKey\(/.test(text) && binding.test(text),
    );
    expect(binders.length).toBeGreaterThan(0);
  });

  test('nobody binds or draws a key beside it, but for Shift, which is only held', () => {
    const beside = elsewhere.filter(([, text]) => /useHotkeys|<kbd>(?!Shift<)/.test(text));
    expect(beside.map(([file]) => file)).toEqual([]);
  });

  test('caps say what is pressed', () => {
    expect(capsOf('redo')).toEqual(['Ctrl Shift Z', 'Ctrl Y']);
    expect(capsOf('choose')).toEqual(['Space']);
    expect(capsOf('move')).toEqual(['↑↓←→']);
    for (const name of names) expect(capsOf(name).join('')).not.toBe('');
  });
});

describe('what was pressed', () => {
  test('a letter is the same large and small, and another one with Ctrl', () => {
    expect(isKey('chooseRow', press('r'))).toBe(true);
    expect(isKey('chooseRow', press('R', { shiftKey: true }))).toBe(true);
    expect(isKey('chooseRow', press('r', { ctrlKey: true }))).toBe(false);
    expect(isKey('chooseAll', press('a', { ctrlKey: true }))).toBe(true);
    expect(isKey('chooseAll', press('a'))).toBe(false);
  });

  test('moving goes with Ctrl and with Shift too', () => {
    expect(isKey('move', press('End'))).toBe(true);
    expect(isKey('move', press('ArrowUp', { ctrlKey: true, shiftKey: true }))).toBe(true);
  });

  test('Shift counts where it is asked for', () => {
    expect(isKey('redo', press('z', { ctrlKey: true, shiftKey: true }))).toBe(true);
    expect(isKey('redo', press('z', { ctrlKey: true }))).toBe(false);
    expect(isKey('redo', press('y', { ctrlKey: true }))).toBe(true);
  });

  test('the act of the key is done, and nobody else hears of it; other keys go on', () => {
    const heard: string[] = [];
    const event = (key: string) => ({
      ...press(key),
      preventDefault: () => heard.push('kept from the browser'),
      stopPropagation: () => heard.push('kept from others'),
    });
    const acts = { facet: (digit: string) => void heard.push(`facet ${digit}`) };
    actOnKey(event('x'), acts);
    expect(heard).toEqual([]);
    actOnKey(event('4'), acts);
    expect(heard).toEqual(['kept from the browser', 'kept from others', 'facet 4']);
  });
});
