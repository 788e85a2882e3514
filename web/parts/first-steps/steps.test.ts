import { expect, test } from '@jest/globals';
import { applyChange, type Mod } from '../../../core/mod/index.ts';
import { sampleMod } from '../../../core/inspect/sample.ts';
import { bornAs, firstSteps, firstVisit, nextStep, stepInWords, type FirstVisit } from './steps.ts';

const mod = sampleMod();
const begun: FirstVisit = {
  ...firstVisit,
  block: { mod: 'saltmarsh', name: 'lamp', born: bornAs(mod, 'lamp')! },
};
const put = (from: Mod, path: string, before: unknown, after: unknown): Mod =>
  applyChange(from, { path, before, after });

test('the steps follow each other, each once its part of the block is another', () => {
  expect(nextStep(mod, firstVisit)).toBe('shape');
  expect(nextStep(mod, begun)).toBe('picture');
  const { picture } = mod.textures['lamp']!;
  const painted = put(mod, '/textures/lamp/picture', picture, {
    ...picture,
    sha256: 'f'.repeat(64),
  });
  expect(nextStep(painted, begun)).toBe('number');
  const { traits, states } = mod.blocks['lamp']!;
  const harder = put(painted, '/blocks/lamp/traits', traits, { ...traits, hardness: 2 });
  expect(nextStep(harder, begun)).toBe('state');
  const more = [...states.properties, { name: 'wet', kind: 'toggle', default: false }];
  const wetter = put(harder, '/blocks/lamp/states/properties', states.properties, more);
  expect(nextStep(wetter, begun)).toBe('drop');
  const dropping = put(wetter, '/blocks/lamp/loot', 'itself', { draws: [] });
  expect(nextStep(dropping, begun)).toBe('build');
  expect(nextStep(dropping, { ...begun, passed: ['build'] })).toBeUndefined();
});

test('what is passed over is passed, and a block that is gone is begun anew', () => {
  expect(nextStep(mod, { ...begun, passed: ['picture', 'number'] })).toBe('state');
  const without = put(mod, '/blocks/lamp', mod.blocks['lamp'], undefined);
  expect(nextStep(without, begun)).toBe('shape');
});

test('each step is said, and leads to where it is done', () => {
  const words = firstSteps.map((step) => stepInWords(step, 'lamp'));
  expect(words.map(({ path }) => path)).toEqual([
    'blocks',
    'blocks/lamp/textures',
    'blocks/lamp/traits',
    'blocks/lamp/states',
    'blocks/lamp/loot',
    'build',
  ]);
  for (const { says } of words) expect(says).toMatch(/\.$/);
});
