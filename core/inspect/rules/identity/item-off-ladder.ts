import { pointer } from '../../../json/index.ts';
import { withArticle } from '../../../words/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const itemOffLadder = modRule({
  id: 'identity/item-off-ladder',
  severity: 'error',
  title: 'Tool that is not on the ladder',
  why:
    'A tool digs by its kind and its grade. Of a kind that the mod does not have, or a ' +
    'grade above the ladder, it digs like bare hands.',
  messages: {
    kindUnknown: "The item {name} is {one}, but the mod's tools have no {kind}.",
    gradeOutside:
      'The item {name} is of grade {grade}, but the tool ladder has {grades} grades (0 to ' +
      '{last}).',
  },
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
    return Object.entries(mod.items).flatMap(([name, { tool }]): ModReport[] => {
      if (!tool) return [];
      if (!kinds[tool.kind])
        return [
          {
            at: ['items', name, 'tool', 'kind'],
            says: 'kindUnknown',
            parts: { name, one: withArticle(tool.kind), kind: tool.kind },
          },
        ];
      if (grades[tool.grade]) return [];
      const last = grades.length - 1;
      return [
        {
          at: ['items', name, 'tool', 'grade'],
          says: 'gradeOutside',
          parts: { name, grade: tool.grade, grades: grades.length, last },
          fix: {
            title: `Make it of ${grades[last]?.name ?? `grade ${last}`}`,
            changes: [
              { path: pointer(['items', name, 'tool', 'grade']), before: tool.grade, after: last },
            ],
          },
        },
      ];
    });
  },
});
