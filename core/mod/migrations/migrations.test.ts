import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readdirSync } from 'node:fs';
import { valueAt } from '../../json/index.ts';
import { applyChange, type Change } from '../edit.ts';
import { natural } from './2-natural.ts';
import {
  bringChangesForward,
  bringEntryForward,
  currentEdition,
  editionOf,
  migrations,
} from './index.ts';

test('every step has a file of its own, named by its edition, and all are listed in order', () => {
  const files = readdirSync('core/mod/migrations').filter((file) => /^\d/.test(file));
  const editions = files.map((file) => Number(/^\d+/.exec(file)?.[0])).sort((a, b) => a - b);
  expect(migrations.map(({ edition }) => edition)).toEqual(editions);
  expect(editions).toEqual(editions.map((_, i) => i + 2));
  expect(currentEdition).toBe(editions.length + 1);
});

test('a thing of the world is natural from edition 2 on, as a block and as an item', () => {
  const block = { identity: { group: 'shore', found: true }, states: { found: 1 } };
  expect(bringEntryForward('blocks', block, 1)).toEqual({
    identity: { group: 'shore', natural: true },
    states: { found: 1 },
  });
  expect(bringEntryForward('items', { found: false }, 1)).toEqual({ natural: false });
  expect(bringEntryForward('models', { found: true }, 1)).toEqual({ found: true });
  expect(bringEntryForward('items', { found: true }, 2)).toEqual({ found: true });
});

test('whatever a document is, bringing it forward does not throw and alters nothing', () => {
  fc.assert(
    fc.property(fc.constantFrom('blocks', 'items', 'header'), fc.jsonValue(), (kind, document) => {
      const before = structuredClone(document);
      bringEntryForward(kind, document, 1);
      expect(document).toEqual(before);
    }),
  );
});

/** Documents in which the key stands, does not stand, or stands somewhere else. */
const blocks = fc.record(
  {
    identity: fc.record(
      { found: fc.boolean(), group: fc.constantFrom('a', 'b') },
      { requiredKeys: [] },
    ),
    found: fc.boolean(),
  },
  { requiredKeys: [] },
);
const mods = fc.record({ blocks: fc.dictionary(fc.constantFrom('brine', 'reed'), blocks) });
const paths = fc.constantFrom(
  '/blocks/brine',
  '/blocks/brine/identity',
  '/blocks/brine/identity/found',
  '/blocks/brine/identity/group',
  '/blocks/brine/found',
  '/blocks/reed',
);
const whole = (mod: { blocks: Record<string, unknown> }) => ({
  blocks: Object.fromEntries(
    Object.entries(mod.blocks).map(([name, block]) => [
      name,
      bringEntryForward('blocks', block, 1),
    ]),
  ),
});

test('a change that is brought forward does to the new document what it did to the old one', () => {
  fc.assert(
    fc.property(mods, paths, blocks, fc.boolean(), (mod, path, block, isGone) => {
      const depth = path.split('/').length;
      const after =
        isGone && depth > 3
          ? undefined
          : depth === 3
            ? block
            : depth === 4
              ? { found: true }
              : true;
      const before: unknown = valueAt(mod, path);
      // What has nothing around it cannot be changed, in either edition.
      if (before === undefined && valueAt(mod, path.replace(/\/[^/]+$/, '')) === undefined) return;
      const change: Change = { path, before, after };
      const [brought] = bringChangesForward([change], 1);
      const old = applyChange(mod, change);
      expect(applyChange(whole(mod), brought ?? change)).toEqual(whole(old));
    }),
  );
});

test('a change of a whole header says the current edition; without one it was the first', () => {
  const change = { path: '/header', before: { title: 'A' }, after: { title: 'B' } };
  expect(bringChangesForward([change], 1)).toEqual([
    {
      path: '/header',
      before: { title: 'A', edition: currentEdition },
      after: { title: 'B', edition: currentEdition },
    },
  ]);
  expect([editionOf({}), editionOf({ edition: 7 }), editionOf({ edition: 'x' })]).toEqual([
    1,
    7,
    undefined,
  ]);
});

test('every step says what is different in a sentence', () => {
  for (const { title } of migrations) expect(title).toMatch(/^[A-Z].*\.$/);
  expect(natural.edition).toBe(2);
});
