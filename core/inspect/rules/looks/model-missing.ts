import { closest, count, didYouMean } from '../../../words/index.ts';
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
    missingInRows:
      '{block}: {rows} of the look, row {row} first, use the model {model}, which does not ' +
      'exist.{hint}',
  },
  newLooks: 'all',
  fails: { '/blocks/lamp/looks/rows/0/use/0/model': 'saltmarsh:lmap' },
  passes: {
    '/blocks/lamp/looks/rows/0/use/0/model': 'saltmarsh:bank',
    '/blocks/lamp/traits/hidesNeighbours': 'whole',
  },
  check({ called, looks }, context) {
    const used = new Map<string, [row: number, candidate: number][]>();
    looks.rows.forEach((row, r) =>
      row.value.forEach(({ model }, c) => {
        // A look may have tens of thousands of rows: nothing is copied for each of them.
        const places = used.get(model);
        if (places) places.push([r, c]);
        else used.set(model, [[r, c]]);
      }),
    );
    return [...used].flatMap(([model, places]) => {
      if (context.model(model)) return [];
      const near = closest(model, context.idsOf('models'));
      const at = places.map(([r, c]) => ['looks', 'rows', r, 'use', c, 'model']);
      const rows = new Set(places.map(([r]) => r));
      const [row] = rows;
      return [
        {
          at: at[0]!,
          cause: `The model ${model} does not exist.`,
          says: rows.size === 1 ? 'modelMissing' : 'missingInRows',
          parts: {
            ...(rows.size === 1 ? {} : { rows: count(rows.size, 'row') }),
            block: called,
            row: row! + 1,
            model,
            hint: didYouMean(near),
          },
          fix: near
            ? context.setAll(
                `Use ${near}`,
                at.map((one) => [one, near] as const),
              )
            : undefined,
        },
      ];
    });
  },
});
