import { heldUnder } from '../../../lists/index.ts';
import { templates } from '../../../models/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { pointer } from '../../../json/index.ts';
import { modelId, resolvedModels } from '../../models.ts';
import { modRule } from '../../rule.ts';

export const templateMissing = modRule({
  id: 'models/template-missing',
  severity: 'error',
  title: 'Template missing',
  why:
    'A model without boxes of its own takes those of its template. When the template does ' +
    'not exist there is nothing to draw.',
  messages: {
    templateMissing:
      'The model {model} starts from the template {missing}, which does not exist.{hint}',
  },
  fails: { '/models/bank/template': 'obrank:cub' },
  passes: { '/models/bank/template': 'obrank:cube' },
  check: (mod) =>
    [...resolvedModels(mod)].flatMap(([name, { missing }]) => {
      if (missing === undefined || heldUnder(mod.models, name).template !== missing) return [];
      const near = closest(missing, [
        ...templates.map((one) => one.id),
        ...Object.keys(mod.models)
          .filter((other) => other !== name)
          .map((other) => modelId(mod, other)),
      ]);
      const at = ['models', name, 'template'];
      return [
        {
          at,
          cause: `The template ${missing} does not exist.`,
          says: 'templateMissing',
          parts: { model: modelId(mod, name), missing, hint: didYouMean(near) },
          fix: near
            ? {
                title: `Use ${near}`,
                changes: [{ path: pointer(at), before: missing, after: near }],
              }
            : undefined,
        },
      ];
    }),
});
