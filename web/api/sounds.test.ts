import { expect, test } from '@jest/globals';
import { existsSync } from 'node:fs';
import { sampleMod, withExample } from '../../core/inspect/sample.ts';
import { stockSoundSets } from '../../core/mod/index.ts';
import { playedFor } from '../../core/sounds/index.ts';
import { addressOf, soundNameOf, stockSet } from './sounds.ts';

test(
  'sounds of the mod are asked for by their digest, those of the stock lie beside the ' +
    'page, others are nowhere',
  () => {
    const mod = withExample(sampleMod(), {
      '/sounds/drip~1one': { sha256: '0'.repeat(63) + '7', bytes: 90, format: 'wav' },
    });
    expect(addressOf(mod, 'saltmarsh:drip/one')).toBe(`/api/blobs/${'0'.repeat(63)}7`);
    expect(addressOf(mod, 'obrank:stone/step')).toBe('/stock/stone/step.wav');
    expect(addressOf(mod, 'saltmarsh:drip/two')).toBeUndefined();
    expect(addressOf(mod, 'elsewhere:drip/one')).toBeUndefined();
  },
);

test('every event of every stock set has a file that ships', () => {
  for (const id of stockSoundSets)
    for (const event of ['place', 'step', 'dig', 'break', 'land'] as const) {
      const played = playedFor(stockSet(id), event, () => 0.5)!;
      expect(existsSync(`web/public${addressOf(sampleMod(), played.sound)!}`)).toBe(true);
    }
});

test('a sound is named after its file, as names must be', () => {
  expect(['Low tide.wav', '03 Crust-Break.OGG', 'Wässer.wav', '.wav'].map(soundNameOf)).toEqual([
    'low_tide',
    'crust_break',
    'w_sser',
    'sound',
  ]);
});
