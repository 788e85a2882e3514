import { modRule } from '../../rule.ts';

export const itemWithoutPicture = modRule({
  id: 'identity/item-without-picture',
  severity: 'warning',
  title: 'Item without a picture',
  why:
    'An item is a flat picture in the hand and in the catalogue. Without one players hold ' +
    'a marker.',
  messages: {
    itemWithoutPicture: 'The item {name} has no picture.',
  },
  fails: { '/items/oil': { names: { en: 'Oil' }, group: 'shore', natural: true } },
  passes: {
    '/items/oil': {
      names: { en: 'Oil' },
      group: 'shore',
      natural: true,
      texture: 'saltmarsh:lamp',
    },
  },
  check: (mod) =>
    Object.entries(mod.items).flatMap(([name, { texture }]) =>
      texture === undefined
        ? [{ at: ['items', name], says: 'itemWithoutPicture', parts: { name } }]
        : [],
    ),
});
