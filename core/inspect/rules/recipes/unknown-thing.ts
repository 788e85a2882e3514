import { ownName, type Mod } from '../../../mod/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { modRule } from '../../rule.ts';

export const unknownThing = modRule({
  id: 'recipes/unknown-thing', severity: 'error', title: 'Ingredient or result missing',
  why: 'A recipe that takes or gives what does not exist can never be made.',
  fails: { '/recipes/bank': { kind: 'mix', takes: ['saltmarsh:lmap'], gives: 'saltmarsh:bank' } },
  passes: { '/recipes/bank': { kind: 'mix', takes: ['saltmarsh:lamp'], gives: 'saltmarsh:bank' } },
  check(mod) {
    const missing = (id: string): string | undefined => {
      if (id.startsWith('#')) return undefined;
      const own = ownName(mod.header.namespace, id);
      return own === undefined || mod.items[own] || mod.blocks[own] ? undefined : own;
    };
    return Object.entries(mod.recipes).flatMap(([name, recipe]) => uses(recipe).flatMap(({ id, at }) => {
      const own = missing(id);
      if (own === undefined) return [];
      const near = closest(own, [...Object.keys(mod.items), ...Object.keys(mod.blocks)]);
      return [{ at: ['recipes', name, ...at], message: `The recipe ${name} names ${id}, which does not exist.${didYouMean(near && `${mod.header.namespace}:${near}`)}` }];
    }));
  },
});

const uses = (recipe: Mod['recipes'][string]): { id: string; at: (string | number)[] }[] => [
  { id: recipe.gives, at: ['gives'] },
  ...(recipe.kind === 'mix' ? recipe.takes.map((id, i) => ({ id, at: ['takes', i] })) : Object.entries(recipe.keys).map(([key, id]) => ({ id, at: ['keys', key] }))),
];
