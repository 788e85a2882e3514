import { pointer } from '../../../json/index.ts';
import { modRule } from '../../rule.ts';
import { withFluid } from './example.ts';

export const fluidWithoutPicture = modRule({
  id: 'fluids/no-picture',
  severity: 'warning',
  title: 'Fluid without a picture',
  why: 'A fluid shows one picture where it is still and one where it runs. Without, it is drawn as a marker.',
  messages: {
    none: '{fluid} has no picture, neither still nor flowing.',
    one: '{fluid} has no picture where it {is}.',
  },
  fails: withFluid({ flowing: undefined }),
  passes: withFluid(),
  check: (mod) =>
    Object.entries(mod.fluids).flatMap(([name, { still, flowing }]) => {
      if (still !== undefined && flowing !== undefined) return [];
      const part = still === undefined ? 'still' : 'flowing';
      const other = still ?? flowing;
      return [
        {
          at: ['fluids', name, part],
          says: other === undefined ? 'none' : 'one',
          parts: {
            fluid: name,
            ...(other !== undefined && { is: part === 'still' ? 'is still' : 'flows' }),
          },
          fix:
            other === undefined
              ? undefined
              : {
                  title: 'Show the other one there as well',
                  changes: [{ path: pointer(['fluids', name, part]), after: other }],
                },
        },
      ];
    }),
});
