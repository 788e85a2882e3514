import { ingredientsOf, resultsOf, type Recipe } from '../mod/index.ts';
import type { Obtaining } from './diggings.ts';
import { isObtainable } from './obtainable.ts';
import type { Accepts } from './parts.ts';

/**
 * The recipes that nobody ever learns, by name: going out from those that are known from the start,
 * in rounds. In each round everything that can be had with what is known teaches what it teaches;
 * where nothing more is learned, the rest never is.
 *
 * @example neverTaught(making, accepts) // ['sluice_gate']
 */
export function neverTaught(mod: Obtaining, accepts: Accepts): string[] {
  const { recipes } = mod;
  let unknown = Object.keys(recipes).filter((name) => recipes[name]?.taught !== undefined);
  while (unknown.length) {
    const known = Object.fromEntries(
      Object.entries(recipes).filter(([name]) => !unknown.includes(name)),
    );
    const had = isObtainable({ ...mod, recipes: known }, accepts);
    const made = new Set(
      Object.values(known).flatMap((recipe) =>
        ingredientsOf(recipe).every((one) => isHad(one, accepts, had))
          ? resultsOf(recipe).map(({ gives }) => gives)
          : [],
      ),
    );
    const left = unknown.filter((name) => !isTaught(recipes[name]!, accepts, had, made));
    if (left.length === unknown.length) return left;
    unknown = left;
  }
  return [];
}

const isHad = (ingredient: string, accepts: Accepts, had: (id: string) => boolean): boolean =>
  had(ingredient) || [...accepts(ingredient)].some((id) => had(id));

function isTaught(
  recipe: Recipe,
  accepts: Accepts,
  had: (id: string) => boolean,
  made: ReadonlySet<string>,
): boolean {
  const { taught } = recipe;
  if (!taught) return true;
  if (taught.by === 'making') return made.has(taught.what);
  const ingredients = ingredientsOf(recipe);
  if (taught.by === 'holding' && taught.what === 'any')
    return ingredients.some((one) => isHad(one, accepts, had));
  if (taught.by === 'holding' && taught.what === 'all')
    return ingredients.every((one) => isHad(one, accepts, had));
  return isHad(taught.what, accepts, had);
}
