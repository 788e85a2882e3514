import { eatsItself } from '../../../fluids/index.ts';
import { pointer } from '../../../json/index.ts';
import { idOf } from '../../../mod/index.ts';
import { modRule, type ModReport } from '../../rule.ts';
import { withFluid } from './example.ts';

export const fluidEatsItself = modRule({
  id: 'fluids/eats-itself',
  severity: 'error',
  title: 'Fluid that eats itself',
  why:
    'What comes of one cell touches the next, which becomes the same, and so on up to the source. ' +
    'The first cell that dries, or meets something, ends the whole lake.',
  messages: {
    left: '{id} leaves {block} where it dries, and meets {block}: one dry cell eats it up to its source.',
    made: '{id} becomes {block} where it meets {other}, and meets {block} as well: that eats it up to its source.',
    itself: '{id} says what becomes of it where it meets itself, and that never happens.',
  },
  fails: withFluid({
    leaves: 'saltmarsh:bank',
    meets: [{ with: 'saltmarsh:bank', becomes: 'saltmarsh:lamp' }],
  }),
  passes: withFluid({
    leaves: 'saltmarsh:bank',
    meets: [{ with: 'saltmarsh:lamp', becomes: 'saltmarsh:bank' }],
  }),
  check: (mod) =>
    Object.entries(mod.fluids).flatMap(([name, fluid]): ModReport[] => {
      const { meets = [] } = fluid;
      const id = idOf(mod.header.namespace, name);
      const without = (at: number) => ({
        title: `Let it not meet ${meets[at]!.with}`,
        changes: [
          {
            path: pointer(['fluids', name, 'meets']),
            before: meets,
            after: meets.filter((_, i) => i !== at),
          },
        ],
      });
      const own = meets.findIndex((meeting) => meeting.with === id);
      if (own >= 0)
        return [
          { at: ['fluids', name, 'meets', own], says: 'itself', parts: { id }, fix: without(own) },
        ];
      const eaten = eatsItself(id, fluid);
      if (!eaten) return [];
      const { block, meeting, isLeft } = eaten;
      const other = meets.find(({ becomes }) => becomes === block)?.with ?? '';
      return [
        {
          at: ['fluids', name, 'meets', meeting],
          says: isLeft ? 'left' : 'made',
          parts: { id, block, ...(!isLeft && { other }) },
          fix: without(meeting),
        },
      ];
    }),
});
