import { listed } from '../../../words/index.ts';
import { modelId, resolvedModels, usedAsTemplate } from '../../models.ts';
import { modRule } from '../../rule.ts';

export const slotOpen = modRule({
  id: 'models/slot-open',
  severity: 'error',
  title: 'Slot without a texture',
  why:
    'Every slot that a box names needs a texture. An open slot shows the marker of an ' +
    'unresolved texture.',
  messages: {
    slotOpen: 'The model {model} leaves the {noun} {open} without a texture.',
  },
  fails: { '/models/bank/slots': {} },
  passes: { '/models/bank/slots': { face: 'saltmarsh:bank' } },
  check(mod) {
    const templates = usedAsTemplate(mod);
    return [...resolvedModels(mod)].flatMap(([name, { slots }]) => {
      if (templates.has(modelId(mod, name))) return [];
      const open = [...slots].filter(([, texture]) => texture === undefined).map(([slot]) => slot);
      return open.length
        ? [
            {
              at: ['models', name, 'slots'],
              says: 'slotOpen',
              parts: {
                model: modelId(mod, name),
                noun: open.length === 1 ? 'slot' : 'slots',
                open: listed(open),
              },
            },
          ]
        : [];
    });
  },
});
