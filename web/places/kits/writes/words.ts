import type { KitSubject } from '../../../../core/mod/index.ts';

/** What a file is written for, as a sentence says it. */
export const kindWords: Readonly<Record<KitSubject, string>> = {
  mod: 'the mod, once',
  group: 'each group',
  block: 'each block',
  state: 'each state',
  fluid: 'each fluid',
  item: 'each item',
  model: 'each model',
  texture: 'each texture',
  sound: 'each sound',
  loot: 'each loot table',
  tag: 'each tag',
  recipe: 'each recipe',
  language: 'each language',
};
