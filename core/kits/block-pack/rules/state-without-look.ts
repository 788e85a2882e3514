import { coverage, StateSpace } from '../../../states/index.ts';
import { count } from '../../../words/index.ts';
import { packRule } from './pack-rule.ts';

export const packStateWithoutLook = packRule({
  id: 'pack/state-without-look',
  severity: 'error',
  title: 'State without a look, in the files',
  why:
    'A state that no row of the look matches shows the marker of an unresolved model in ' +
    'the game.',
  fails: { 'view/looks/lamp.json#/rows/3/when': { lit: true } },
  passes: {},
  check: (pack) =>
    [...pack.blocks.values()].flatMap((block) => {
      const look = pack.looks.get(block.name);
      if (!look)
        return [
          {
            file: block.file,
            message: `The block ${block.value.id} has no look: view/looks/${block.name}.json is missing.`,
          },
        ];
      const space = new StateSpace(block.value.properties);
      if (look.value.mode === 'layered' || space.tooLarge) return [];
      const { uncovered } = coverage(
        look.value.rows.map(({ when, use }) => ({ when, value: use })),
        space,
      );
      if (uncovered.isEmpty) return [];
      return [
        {
          file: look.file,
          place: look.placeOf('/rows'),
          message:
            `${count(uncovered.count, 'state')} of ${block.value.id} ` +
            `${uncovered.count === 1 ? 'has' : 'have'} no look; the first is ` +
            `${space.describe(uncovered.first!)}.`,
        },
      ];
    }),
});
