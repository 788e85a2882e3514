import { pointer } from '../../../json/index.ts';
import { modRule } from '../../rule.ts';

export const itemOffLadder = modRule({
  id: 'identity/item-off-ladder',
  severity: 'error',
  title: 'Tool that is not on the ladder',
  why:
    'A tool digs by its kind and its grade. Of a kind that the mod does not have, or a ' +
    'grade above the ladder, it digs like bare hands.',
  fails: {
    '/items/trowel': {
      names: { en: 'Trowel' },
      texture: 'saltmarsh:lamp',
      group: 'shore',
      natural: true,
      tool: { kind: 'spade', grade: 5 },
    },
  },
  passes: {
    '/items/trowel': {
      names: { en: 'Trowel' },
      texture: 'saltmarsh:lamp',
      group: 'shore',
      natural: true,
      tool: { kind: 'spade', grade: 1 },
    },
  },
  check(mod) {
    const { kinds, grades } = mod.header.tools;
    return Object.entries(mod.items).flatMap(([name, { tool }]) => {
      if (!tool) return [];
      if (!kinds[tool.kind])
        return [
          {
            at: ['items', name, 'tool', 'kind'],
            message: `The item ${name} is a ${tool.kind}, but the mod's tools have no ${tool.kind}.`,
          },
        ];
      if (grades[tool.grade]) return [];
      const last = grades.length - 1;
      return [
        {
          at: ['items', name, 'tool', 'grade'],
          message:
            `The item ${name} is of grade ${tool.grade}, but the tool ladder has ${grades.length} ` +
            `grades (0 to ${last}).`,
          fix: {
            title: `Make it of grade ${last}`,
            changes: [
              { path: pointer(['items', name, 'tool', 'grade']), before: tool.grade, after: last },
            ],
          },
        },
      ];
    });
  },
});
