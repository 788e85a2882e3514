import { heldUnder } from '../../../lists/index.ts';
import { lookUp } from '../../../mod/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { pointer } from '../../../json/index.ts';
import { modelId, resolvedModels } from '../../models.ts';
import { modRule } from '../../rule.ts';

export const slotUnused = modRule({
  id: 'models/slot-unused',
  severity: 'warning',
  title: 'Slot that no box uses',
  why:
    'A texture given to a slot that no box names is never seen. Often the slot is called ' +
    'a little differently in the template.',
  messages: {
    slotUnused: 'The model {model} gives a texture to the slot {slot}, which no box uses.{hint}',
  },
  fails: { '/models/bank/slots': { face: 'saltmarsh:bank', fase: 'saltmarsh:bank' } },
  passes: {},
  check: (mod) =>
    [...resolvedModels(mod)].flatMap(([name, { unusedSlots, slots, missing, circle }]) => {
      if (missing || circle) return [];
      return unusedSlots
        .filter((slot) => lookUp(heldUnder(mod.models, name).slots, slot) !== undefined)
        .map((slot) => {
          const open = [...slots]
            .filter(([, texture]) => texture === undefined)
            .map(([one]) => one);
          const at = ['models', name, 'slots', slot];
          return {
            at,
            says: 'slotUnused',
            parts: { model: modelId(mod, name), slot, hint: didYouMean(closest(slot, open)) },
            fix: {
              title: `Remove the slot ${slot}`,
              changes: [
                {
                  path: pointer(at),
                  before: lookUp(heldUnder(mod.models, name).slots, slot),
                  after: undefined,
                },
              ],
            },
          };
        });
    }),
});
