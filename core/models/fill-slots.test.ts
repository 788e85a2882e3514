import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inspect } from '../inspect/index.ts';
import { sampleMod, withExample } from '../inspect/sample.ts';
import { applyChanges, invertChanges } from '../mod/index.ts';
import { fillSlots, resolvedModelOf, templates } from './index.ts';

const showing = (model: string) =>
  withExample(sampleMod(), {
    '/blocks/lamp/looks/rows/1/use/0/model': model,
    '/blocks/lamp/looks/rows/3/use/0/model': model,
  });

test('a template stays as it is: the block gets a model of its own, wherever it shows it', () => {
  const mod = showing('obrank:column');
  const changed = applyChanges(
    mod,
    fillSlots(mod, 'lamp', 'obrank:column', ['side'], 'saltmarsh:bank'),
  );
  expect(changed.models['lamp_2']).toEqual({
    template: 'obrank:column',
    slots: { side: 'saltmarsh:bank' },
  });
  const shown = changed.blocks['lamp']!.looks.rows.map(({ use }) => use[0]!.model);
  expect(shown).toEqual(['lamp', 'lamp_2', 'lamp', 'lamp_2'].map((name) => `saltmarsh:${name}`));
  // Rows that do not show it are the same objects: nobody who looks at them has to look again.
  expect(changed.blocks['lamp']!.looks.rows[0]).toBe(mod.blocks['lamp']!.looks.rows[0]);
});

test('a model of the mod is filled itself, and what it has stays', () => {
  const mod = sampleMod();
  const changed = applyChanges(
    mod,
    fillSlots(mod, 'lamp', 'saltmarsh:lamp', ['glass'], 'saltmarsh:bank'),
  );
  expect(changed.models['lamp']!.slots).toEqual({
    metal: 'saltmarsh:lamp',
    glass: 'saltmarsh:bank',
  });
  expect(changed.blocks).toBe(mod.blocks);
});

test('whatever template a block shows: filling its slots, at once or one by one, leaves nothing open', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...templates).chain((template) =>
        fc.record({
          template: fc.constant(template),
          order: fc.shuffledSubarray([...template.slots], { minLength: template.slots.length }),
          atOnce: fc.boolean(),
        }),
      ),
      ({ template, order, atOnce }) => {
        const before = showing(template.id);
        let mod = before;
        const model = () => mod.blocks['lamp']!.looks.rows[1]!.use[0]!.model;
        const undo = (atOnce ? [order] : order.map((slot) => [slot])).map((slots) => {
          const changes = fillSlots(mod, 'lamp', model(), slots, 'saltmarsh:bank');
          mod = applyChanges(mod, changes);
          return invertChanges(changes);
        });
        expect([...resolvedModelOf(mod, model())!.slots.values()]).toEqual(
          [...template.slots].map(() => 'saltmarsh:bank'),
        );
        expect(inspect(mod).filter(({ rule }) => rule.endsWith('slot-open'))).toEqual([]);
        for (const changes of undo.reverse()) mod = applyChanges(mod, changes);
        expect(mod).toEqual(before);
      },
    ),
  ));
