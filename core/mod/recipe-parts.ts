import { heldUnder } from '../lists/index.ts';
import type { Recipe } from './recipe.schema.ts';

/** The ingredients of a recipe, each as often as it is taken: ids, and with a leading # tags. */
export function ingredientsOf(recipe: Recipe): string[] {
  if (recipe.kind === 'mix') return recipe.takes;
  if (recipe.kind !== 'pattern') return [recipe.takes];
  return recipe.pattern.flatMap((row) =>
    [...row].flatMap((letter) =>
      Object.hasOwn(recipe.keys, letter) ? [heldUnder(recipe.keys, letter)] : [],
    ),
  );
}

/** What a recipe can give, each with its number: several where the player chooses. */
export const resultsOf = (recipe: Recipe): { gives: string; count: number }[] =>
  (recipe.kind === 'cut' ? recipe.choices : [recipe]).map(({ gives, count = 1 }) => ({
    gives,
    count,
  }));

/** Every id that a recipe names with where it stands in it. */
export function idsIn(
  recipe: Recipe,
): { id: string; at: (string | number)[]; what: 'ingredient' | 'result' }[] {
  const results =
    recipe.kind === 'cut'
      ? recipe.choices.map(({ gives }, i) => ({
          id: gives,
          at: ['choices', i, 'gives'],
          what: 'result' as const,
        }))
      : [{ id: recipe.gives, at: ['gives'], what: 'result' as const }];
  const takes =
    recipe.kind === 'mix'
      ? recipe.takes.map((id, i) => ({ id, at: ['takes', i] }))
      : recipe.kind === 'pattern'
        ? Object.entries(recipe.keys).map(([key, id]) => ({ id, at: ['keys', key] }))
        : [{ id: recipe.takes, at: ['takes'] }];
  return [...results, ...takes.map((one) => ({ ...one, what: 'ingredient' as const }))];
}
