import { expect, test } from '@jest/globals';
import { existsSync, readFileSync } from 'node:fs';
import { firstPlace, places, placesIn } from './places.ts';

test('no two places share an address or a name in the palette', () => {
  const paths = places.map(({ path }) => path);
  const labels = places.map(({ title, label = title }) => label);
  expect(new Set(paths).size).toBe(paths.length);
  expect(new Set(labels).size).toBe(labels.length);
});

test('a mod opens at a place of the bar, and what opens another opens one that there is', () => {
  expect(placesIn('bar').map(({ path }) => path)).toContain(firstPlace);
  for (const { path, load, opens } of places) {
    expect([path, load !== undefined || opens !== undefined]).toEqual([path, true]);
    if (opens !== undefined)
      expect(places.find((place) => place.path === opens)?.load).toBeDefined();
  }
});

test('every file that a place is fetched from is there', () => {
  const fetched = readFileSync('web/places/places.ts', 'utf8').matchAll(/import\('\.\/(.+?)'\)/g);
  const files = [...fetched].map(([, file]) => `web/places/${file}`);
  expect(files.length).toBe(places.filter(({ load }) => load).length);
  expect(files.filter((file) => !existsSync(file))).toEqual([]);
});
