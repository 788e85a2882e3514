import { closest, didYouMean } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const modelMissing = blockRule({
  id: 'looks/model-missing',
  severity: 'error',
  title: 'Model missing',
  why:
    'A look that names a model that does not exist shows the marker of an unresolved ' +
    'model in the game.',
  messages: {
    modelMissing:
      '{block}: row {row} of the look uses the model {model}, which does not exist.{hint}',
  },
  fails: { '/blocks/lamp/looks/rows/0/use/0/model': 'saltmarsh:lmap' },
  passes: {
    '/blocks/lamp/looks/rows/0/use/0/model': 'saltmarsh:bank',
    '/blocks/lamp/traits/hidesNeighbours': 'whole',
  },
  check: ({ name, looks }, context) =>
    looks.rows.flatMap((row, r) =>
      row.value.flatMap(({ model }, c) => {
        if (context.model(model)) return [];
        const near = closest(model, context.idsOf('models'));
        const at = ['looks', 'rows', r, 'use', c, 'model'];
        return [
          {
            at,
            says: 'modelMissing',
            parts: { block: name, row: r + 1, model, hint: didYouMean(near) },
            fix: near ? context.set(`Use ${near}`, at, near) : undefined,
          },
        ];
      }),
    ),
});
