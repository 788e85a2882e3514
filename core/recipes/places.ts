import type { Recipe } from '../mod/index.ts';
import { gridOf, withCell } from './pattern.ts';

/**
 * The places of a recipe, row by row in so many columns: what lies on each, undefined for an empty
 * one.
 */
export interface Places {
  places: (string | undefined)[];
  columns: number;
}

/** So many ingredients of a mix stand in one row. */
const mixColumns = 4;

/** The places of a recipe. A mix has an empty one at its end, for what is still to come. */
export function placesOf(recipe: Recipe): Places {
  if (recipe.kind === 'pattern') {
    const grid = gridOf(recipe);
    return { places: grid.flat(), columns: grid[0]?.length ?? 1 };
  }
  if (recipe.kind !== 'mix') return { places: [recipe.takes], columns: 1 };
  const places = [...recipe.takes, undefined];
  return { places, columns: Math.min(mixColumns, places.length) };
}

/**
 * The recipe with another ingredient on a place; undefined empties it. What is cut or burnt always
 * takes something, so its only place is never emptied.
 *
 * @example withIngredient({ kind: 'mix', takes: ['a:x'], gives: 'a:y' }, 1, 'a:z').takes
 * // ['a:x', 'a:z']
 */
export function withIngredient(
  recipe: Recipe,
  index: number,
  ingredient: string | undefined,
): Recipe {
  if (recipe.kind === 'pattern') {
    const { columns } = placesOf(recipe);
    return withCell(recipe, index % columns, Math.floor(index / columns), ingredient);
  }
  if (recipe.kind === 'mix') {
    const { takes } = recipe;
    if (ingredient === undefined)
      return { ...recipe, takes: takes.filter((_, other) => other !== index) };
    const isNew = index >= takes.length;
    return { ...recipe, takes: isNew ? [...takes, ingredient] : takes.with(index, ingredient) };
  }
  return ingredient === undefined ? recipe : { ...recipe, takes: ingredient };
}
