import { expect, test } from '@jest/globals';
import { sampleMod } from '../../../inspect/sample.ts';
import { randomMod } from '../../../inspect/testing/random-blocks.ts';
import type { Mod } from '../../../mod/index.ts';
import { minetestGallery, mostBlocks } from './index.ts';

const text = (files: ReadonlyMap<string, Uint8Array>, path: string) =>
  new TextDecoder().decode(files.get(path));
const exhibits = 'world/game/mods/obrank_gallery/exhibits.lua';

test('a block stands in every state, its default first, another look beside it, with its drops', () => {
  const words = text(minetestGallery.lay(sampleMod(), new Map()), exhibits);
  const lamp = words.slice(words.indexOf('title = "Lamp"'));
  expect(lamp.match(/heading = \w+, lit = \w+/g)).toHaveLength(9);
  expect(lamp).toMatch(
    /states = \{\s+\{ "saltmarsh:lamp", 0, "Lamp, heading = south, lit = false"/,
  );
  expect(lamp).toMatch(/other = \{ "saltmarsh:lamp_lit"/);
  expect(words).toContain('drops = { "saltmarsh:bank" }');
});

test('of a table everything that it may give is in the chest, each once', () => {
  const mod = sampleMod();
  const lots = [{ table: 'saltmarsh:finds' }, { give: 'saltmarsh:lamp' }];
  const bank = { ...mod.blocks['bank']!, loot: { draws: [{ times: 1, lots }] } };
  const finds = {
    draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp' }, { give: 'saltmarsh:salt' }] }],
  };
  const with_: Mod = { ...mod, blocks: { bank }, lootTables: { finds } };
  expect(text(minetestGallery.lay(with_, new Map()), exhibits)).toContain(
    'drops = { "saltmarsh:lamp", "saltmarsh:salt" }',
  );
});

test('a camera is there only for a picture; no more blocks than have room', () => {
  const plain = minetestGallery.lay(sampleMod(), new Map());
  const seen = minetestGallery.lay(sampleMod(), new Map(), true);
  const camera = 'world/game/mods/obrank_camera/init.lua';
  expect([plain.has(camera), seen.has(camera)]).toEqual([false, true]);
  expect(text(seen, camera)).toContain('set_pos({ x = 7.5');
  const many = randomMod(mostBlocks + 20, 4);
  const words = text(minetestGallery.lay(many, new Map()), exhibits);
  expect(words.match(/title = /g)).toHaveLength(mostBlocks);
});

test('server and client listen and draw on this machine alone, in a home of their own', () => {
  const { client } = minetestGallery;
  const files = minetestGallery.lay(sampleMod(), new Map());
  for (const settings of ['engine.conf', 'client.conf'])
    expect(text(files, settings)).toContain('bind_address = 127.0.0.1');
  expect(client.env('/tmp/x')).toMatchObject({ HOME: '/tmp/x/home' });
  expect(client.args('/tmp/x').filter((one) => one.startsWith('/'))).toEqual([
    '/tmp/x/world',
    '/tmp/x/client.conf',
  ]);
  expect(minetestGallery.built('asked 1 of 2\ngallery built\n')).toBe(true);
  expect(minetestGallery.built('asked 1 of 2\n')).toBe(false);
  expect(client.isIn('gallery entered')).toBe(true);
});
