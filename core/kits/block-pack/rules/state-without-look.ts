import { coverage, StateSpace } from '../../../states/index.ts';
import { count } from '../../../words/index.ts';
import type { SaidOfFile } from '../../file-rule.ts';
import { packRule } from './pack-rule.ts';

export const packStateWithoutLook = packRule({
  id: 'pack/state-without-look',
  severity: 'error',
  title: 'State without a look, in the files',
  why:
    'A state that no row of the look matches shows the marker of an unresolved model in ' +
    'the game.',
  messages: {
    lookMissing: 'The block {id} has no look: view/looks/{block}.json is missing.',
    statesUncovered: '{states} of {id} {have} no look; the first is {state}.',
  },
  fails: { 'view/looks/lamp.json#/rows/3/when': { lit: true } },
  passes: {},
  check: (pack) =>
    [...pack.blocks.values()].flatMap((block): SaidOfFile[] => {
      const look = pack.looks.get(block.name);
      if (!look)
        return [
          {
            file: block.file,
            says: 'lookMissing',
            parts: { id: block.value.id, block: block.name },
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
          says: 'statesUncovered',
          parts: {
            states: count(uncovered.count, 'state'),
            id: block.value.id,
            have: uncovered.count === 1 ? 'has' : 'have',
            state: space.describe(uncovered.first!),
          },
        },
      ];
    }),
});
