import { expect, test } from '@jest/globals';
import { emptyMod, resolveBlock, stocks } from './index.ts';
import {
  byStateTraits,
  defaultTraits,
  packedTraits,
  traitFacts,
  traitNames,
  traitParts,
  TraitsSchema,
} from './traits.ts';

test('every trait has words of its own, a part, and a default within its range', () => {
  const words = traitNames.map((name) => traitFacts(name).words);
  expect(new Set(words).size).toBe(words.length);
  for (const name of traitNames) {
    const { part, range, default: usual, kind } = traitFacts(name);
    expect(traitParts).toContain(part);
    if (kind === 'toggle') expect(typeof usual).toBe('boolean');
    if (range && typeof usual === 'number')
      expect([name, usual >= range[0] && usual <= range[1]]).toEqual([name, true]);
  }
});

test('the defaults and every stock material are complete and fit the schema', () => {
  for (const traits of [defaultTraits, ...stocks.map((stock) => stock.traits)])
    expect(TraitsSchema.safeParse(traits).error).toBeUndefined();
});

test('resolved traits are rows just where they may depend on the state', () => {
  const mod = emptyMod('saltmarsh', 'Saltmarsh');
  const declared = {
    identity: {},
    traits: { friction: [{ value: 0.2 }], harmOnTouch: 0.1 },
    states: { properties: [] },
    looks: { mode: 'one-of' as const, rows: [] },
    tags: [],
    names: {},
  };
  const { traits } = resolveBlock(mod, 'reed', declared);
  for (const name of traitNames)
    expect([name, Array.isArray(traits[name])]).toEqual([
      name,
      byStateTraits.some((trait) => trait === name),
    ]);
  expect(packedTraits(traits, 'block')).toMatchObject({
    friction: [{ value: 0.2 }],
    harmOnTouch: 0.1,
    bounce: undefined,
    dragInside: undefined,
  });
});
