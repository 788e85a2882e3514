import { endlessFrom } from '../../../fluids/index.ts';
import { idOf } from '../../../mod/index.ts';
import { pointer } from '../../../json/index.ts';
import { listed } from '../../../words/index.ts';
import { modRule } from '../../rule.ts';
import { withFluid } from './example.ts';

export const fluidNeverEnds = modRule({
  id: 'fluids/never-ends',
  severity: 'error',
  title: 'Fluid that never stops spreading',
  why:
    'Where a fluid becomes a source of itself beside a block that stays, each source reaches the ' +
    'next block, and so on through the whole world. One bucket of it drowns every map.',
  messages: { never: '{id} never stops spreading: where {way}, and so on.' },
  fails: withFluid({ meets: [{ with: 'saltmarsh:bank', becomes: 'saltmarsh:brine' }] }),
  passes: withFluid({ meets: [{ with: 'saltmarsh:lamp', becomes: 'saltmarsh:bank' }] }),
  check(mod) {
    const { namespace } = mod.header;
    const physics = new Map(
      Object.entries(mod.fluids).map(([name, fluid]) => [idOf(namespace, name), fluid]),
    );
    return Object.entries(mod.fluids).flatMap(([name, { meets = [] }]) => {
      const id = idOf(namespace, name);
      const circle = endlessFrom(id, physics);
      if (!circle) return [];
      const way = circle.map(
        ({ fluid, meeting }) => `${fluid} meets ${meeting.with} it becomes ${meeting.becomes}`,
      );
      const first = meets.indexOf(circle[0]!.meeting);
      return [
        {
          at: ['fluids', name, 'meets', first],
          says: 'never',
          parts: { id, way: listed(way) },
          fix: {
            title: `Let it not meet ${circle[0]!.meeting.with}`,
            changes: [
              {
                path: pointer(['fluids', name, 'meets']),
                before: meets,
                after: meets.filter((_, i) => i !== first),
              },
            ],
          },
        },
      ];
    });
  },
});
