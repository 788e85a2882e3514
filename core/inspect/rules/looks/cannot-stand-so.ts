import { holdsWay } from '../../../kits/index.ts';
import { isOrientation, usualTop } from '../../../space/index.ts';
import { blockRule } from '../../rule.ts';

const upright = {
  '/kits/tidal': { model: 1, title: 'Tidal', limits: { orientations: 4 }, files: [] },
  '/header/kit': 'tidal',
};

export const cannotStandSo = blockRule({
  id: 'looks/cannot-stand-so',
  severity: 'error',
  title: 'Model that the kit cannot turn so',
  why:
    'Not every engine shows a model in all 24 orientations: some turn it about the vertical alone, ' +
    'some by two angles, which lead to sixteen.',
  messages: {
    cannot:
      '{block}: candidate {candidate} of row {row} stands with its front {front} and its top {top}; ' +
      '{kit} cannot show that.',
  },
  newLooks: 'all',
  fails: { ...upright, '/blocks/bank/looks/rows/0/use/0/front': 'up' },
  passes: { ...upright, '/blocks/bank/looks/rows/0/use/0/front': 'east' },
  check: ({ called, looks }, context) => {
    const { limits, title } = context.kit;
    if (!limits.orientations) return [];
    return looks.rows.flatMap(({ value }, row) =>
      value.flatMap(({ front = 'south', top = usualTop(front) }, candidate) => {
        const way = { front, top };
        if (!isOrientation(way) || holdsWay(limits, way)) return [];
        return [
          {
            at: ['looks', 'rows', row, 'use', candidate],
            says: 'cannot',
            parts: {
              block: called,
              candidate: candidate + 1,
              row: row + 1,
              front,
              top,
              kit: title,
            },
          },
        ];
      }),
    );
  },
});
