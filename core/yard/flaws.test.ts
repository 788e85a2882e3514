import { expect, test } from '@jest/globals';
import { demoWorld } from '../../demo/art/demo-world.ts';
import { loadPack } from '../kits/index.ts';
import { flawsOf } from './index.ts';

const { files, world } = demoWorld();

test('nothing of the demo is drawn as the marker', () => {
  expect(flawsOf(world)).toEqual([]);
});

test('a picture that is gone is told once, with the block that shows it', () => {
  const fewer = new Map(files);
  fewer.delete('view/textures/gate/boards.png');
  const flaws = flawsOf(loadPack(fewer).world);
  expect(flaws.map(({ block }) => block)).toContain('sluice_gate');
  expect(new Set(flaws.map(({ text }) => text)).size).toBe(flaws.length);
});

test('a block without a look is told', () => {
  const fewer = new Map(files);
  fewer.delete('view/looks/salt_crust.json');
  expect(flawsOf(loadPack(fewer).world)).toEqual([
    { text: 'The pack has no look of saltmarsh:salt_crust: it is a marker.', block: 'salt_crust' },
  ]);
});

test('a fluid without a look is told', () => {
  const fewer = new Map(files);
  fewer.delete('view/fluids/brine.json');
  expect(flawsOf(loadPack(fewer).world)).toEqual([
    { text: 'The pack has no look of the fluid saltmarsh:brine: it is a marker.' },
  ]);
});
