import { ingredientsOf, type Recipe } from '../mod/index.ts';

/** An ingredient of a recipe, and how often it is taken. */
export interface BillLine {
  ingredient: string;
  count: number;
}

/**
 * What a recipe takes in all: each ingredient once with its number, in the order in which they
 * come.
 *
 * @example billOf(lantern) // [{ ingredient: '#saltmarsh:bars', count: 6 }, …]
 */
export function billOf(recipe: Recipe): BillLine[] {
  const counts = new Map<string, number>();
  for (const ingredient of ingredientsOf(recipe))
    counts.set(ingredient, (counts.get(ingredient) ?? 0) + 1);
  return [...counts].map(([ingredient, count]) => ({ ingredient, count }));
}
