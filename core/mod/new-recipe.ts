import { lookUp } from '../json/index.ts';
import type { Mod } from './mod.schema.ts';
import { idOf } from './names.ts';
import { resultsOf } from './recipe-parts.ts';
import type { Recipe } from './recipe.schema.ts';

/** What a new recipe takes until somebody says otherwise. */
const firstTaken = 'obrank:timber';

/**
 * A recipe to start from, for the first of some things that no recipe gives yet, under a name that
 * is free.
 *
 * @example newRecipe(mod, 'mix', ['saltmarsh:bank']) // { name: 'bank', recipe: { kind: 'mix', … } }
 */
export function newRecipe(
  { recipes, header }: Pick<Mod, 'recipes' | 'header'>,
  kind: Recipe['kind'],
  candidates: readonly string[],
): { name: string; recipe: Recipe } {
  const given = new Set(
    Object.values(recipes).flatMap((recipe) => resultsOf(recipe).map(({ gives }) => gives)),
  );
  const gives =
    candidates.find((id) => !given.has(id)) ?? candidates[0] ?? idOf(header.namespace, 'thing');
  const stem = gives.slice(gives.indexOf(':') + 1);
  let name = stem;
  for (let number = 2; lookUp(recipes, name); number += 1) name = `${stem}_${number}`;
  return { name, recipe: recipeOf(kind, gives) };
}

function recipeOf(kind: Recipe['kind'], gives: string): Recipe {
  switch (kind) {
    case 'pattern':
      return { kind, pattern: ['t'], keys: { t: firstTaken }, gives };
    case 'mix':
      return { kind, takes: [firstTaken], gives };
    case 'fire':
      return { kind, takes: firstTaken, gives, seconds: 10 };
    case 'cut':
      return { kind, takes: firstTaken, choices: [{ gives }] };
  }
}
