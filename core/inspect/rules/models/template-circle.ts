import { listed } from '../../../words/index.ts';
import { modelId, resolvedModels } from '../../models.ts';
import { modRule } from '../../rule.ts';

export const templateCircle = modRule({
  id: 'models/template-circle',
  severity: 'error',
  title: 'Templates in a circle',
  why:
    'A model that starts from itself, directly or through others, has no beginning: ' +
    'nothing can be drawn.',
  messages: {
    templateCircle: 'The model {model} starts from templates that go in a circle: {circle}.',
  },
  fails: { '/models/lamp': { template: 'saltmarsh:lamp' } },
  passes: {},
  check: (mod) =>
    [...resolvedModels(mod)].flatMap(([name, { circle }]) =>
      circle
        ? [
            {
              at: ['models', name, 'template'],
              says: 'templateCircle',
              parts: { model: modelId(mod, name), circle: listed(circle, 'then') },
            },
          ]
        : [],
    ),
});
