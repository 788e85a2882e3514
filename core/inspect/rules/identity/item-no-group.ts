import { pointer } from '../../../json/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const itemNoGroup = modRule({
  id: 'identity/item-no-group',
  severity: 'warning',
  guesses: true,
  title: 'Item in no catalogue group',
  why:
    'Players look for things in the catalogue. What is in none of its groups is found by ' +
    'nobody.',
  messages: {
    inNone: 'The item {name} is in no catalogue group.',
    groupUnknown: 'The item {name} is in the catalogue group {group}, which the mod does not have.',
  },
  fails: {
    '/items/oil': { names: { en: 'Oil' }, texture: 'saltmarsh:lamp', natural: true, group: 'deep' },
  },
  passes: {
    '/items/oil': {
      names: { en: 'Oil' },
      texture: 'saltmarsh:lamp',
      natural: true,
      group: 'shore',
    },
  },
  check(mod) {
    const { groups } = mod.header;
    return Object.entries(mod.items).flatMap(([name, { group }]): ModReport[] =>
      groups.some((one) => one.name === group) || (group === undefined && !groups.length)
        ? []
        : [
            {
              at: ['items', name, ...(group === undefined ? [] : ['group'])],
              ...(group === undefined
                ? { says: 'inNone', parts: { name } }
                : { says: 'groupUnknown', parts: { name, group } }),
              fix: groups[0] && {
                title: `Put it into ${groups[0].name}`,
                changes: [
                  { path: pointer(['items', name, 'group']), before: group, after: groups[0].name },
                ],
              },
            },
          ],
    );
  },
});
