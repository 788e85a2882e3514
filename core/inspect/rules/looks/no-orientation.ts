import { isOrientation, usualTop } from '../../../space/index.ts';
import { blockRule } from '../../rule.ts';

export const noOrientation = blockRule({
  id: 'looks/no-orientation',
  severity: 'error',
  title: 'Front and top on one line',
  why:
    'The front and the top of a model are at right angles. With both on one line there is ' +
    'no such way to turn it.',
  messages: {
    noOrientation:
      '{block}: row {row} turns the front {front} and the top {top}, which lie on one line.',
  },
  newLooks: 'all',
  fails: {
    '/blocks/lamp/looks/rows/0/use/0/front': 'up',
    '/blocks/lamp/looks/rows/0/use/0/top': 'down',
  },
  passes: {
    '/blocks/lamp/looks/rows/0/use/0/front': 'up',
    '/blocks/lamp/looks/rows/0/use/0/top': 'east',
  },
  check: ({ called, looks }, context) =>
    looks.rows.flatMap((row, r) =>
      row.value.flatMap(({ front = 'south', top = usualTop(front) }, c) => {
        if (isOrientation({ front, top })) return [];
        const at = ['looks', 'rows', r, 'use', c, 'top'];
        return [
          {
            at,
            says: 'noOrientation',
            parts: { block: called, row: r + 1, front, top },
            fix: context.set(`Point the top ${usualTop(front)}`, at, usualTop(front)),
          },
        ];
      }),
    ),
});
