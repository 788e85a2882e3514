import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFolder } from '../../disk/index.ts';
import { flattened } from '../families/index.ts';
import { readModFolder } from '../folder/index.ts';
import { inspect } from '../inspect/index.ts';
import { ModSchema } from '../mod/index.ts';
import { onlyBlocks } from './index.ts';

const demo = flattened(readModFolder(await readFolder('demo/saltmarsh')).mod);

test('whatever blocks are left: the mod fits, has no error, and their numbers are what they were', () =>
  fc.assert(
    fc.property(fc.subarray(Object.keys(demo.blocks), { minLength: 1 }), (names) => {
      const few = onlyBlocks(demo, names);
      expect(ModSchema.safeParse(few).error).toBeUndefined();
      expect(Object.keys(few.blocks)).toEqual(expect.arrayContaining(names));
      expect(inspect(few).filter(({ severity }) => severity === 'error')).toEqual([]);
      for (const entry of few.ledger.entries) expect(demo.ledger.entries).toContainEqual(entry);
    }),
    { numRuns: 30 },
  ));

test('all blocks of a mod are its blocks, as they were', () => {
  const all = onlyBlocks(demo, Object.keys(demo.blocks));
  expect(all.blocks).toEqual(demo.blocks);
  expect(all.header.groups.map(({ name }) => name)).toEqual(
    demo.header.groups.map(({ name }) => name),
  );
  expect(all.header.title).toBe('Saltmarsh');
});

test('a group keeps its picture only where that is there', () => {
  const [works] = onlyBlocks(demo, ['sluice_gate']).header.groups;
  expect(works?.name).toBe('salt_works');
  const withIcon = onlyBlocks(demo, ['sluice_gate', 'salt_crust']).header.groups[0];
  expect(withIcon?.icon).toBe('saltmarsh:salt_crust');
});

test('a block that there is not is told', () =>
  expect(() => onlyBlocks(demo, ['sluice_gat'])).toThrow(
    'The mod has no block called sluice_gat.',
  ));
