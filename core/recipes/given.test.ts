import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyMod } from '../inspect/testing/any-mod.ts';
import { applyChange, type Mod } from '../mod/index.ts';
import { acceptsIn, findObtainable, givenIn, heldIds, isObtainable } from './index.ts';

const makingOf = (mod: Mod) => ({ ...mod, makings: mod.blocks });
const natural = fc.tuple(fc.constantFrom('bank', 'lamp'), fc.boolean(), fc.boolean());

test('what can be had is the same when what the world gives outright is left out of the search', () =>
  fc.assert(
    fc.property(anyMod, fc.array(natural, { maxLength: 4 }), (first, edits) => {
      let mod = first;
      for (const [name, isNatural, isItself] of edits) {
        const block = mod.blocks[name]!;
        const after = {
          ...block,
          identity: { ...block.identity, natural: isNatural },
          ...(isItself && { loot: 'itself' as const }),
        };
        mod = applyChange(mod, { path: `/blocks/${name}`, before: block, after });
        const accepts = acceptsIn(mod);
        const had = findObtainable(makingOf(mod), accepts);
        const isHad = isObtainable(makingOf(mod), accepts);
        for (const id of heldIds(mod)) expect([id, isHad(id)]).toEqual([id, had.has(id)]);
      }
    }),
  ));

test('the blocks are told apart: what the world gives and drops itself, and all others', () => {
  const block = (natural: boolean, loot: 'itself' | 'nothing') => ({
    identity: { natural },
    loot,
    states: { properties: [] },
  });
  const { outright, others } = givenIn({
    header: { namespace: 'saltmarsh' } as Mod['header'],
    makings: {
      bank: block(true, 'itself'),
      lamp: block(false, 'itself'),
      reed: block(true, 'nothing'),
    },
  });
  expect([...outright]).toEqual(['saltmarsh:bank']);
  expect([...others.keys()]).toEqual(['lamp', 'reed']);
});
