import { lookUp } from '../mod/index.ts';
import type { Recipe } from '../mod/index.ts';

/** The letters that a pattern may use, in the order in which they are taken. */
const alphabet = Array.from('abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ');

export type Pattern = Extract<Recipe, { kind: 'pattern' }>;

/** A pattern as a grid of ingredients, row by row; undefined for an empty place. */
export function gridOf({ pattern, keys }: Pattern): (string | undefined)[][] {
  const wide = Math.max(1, ...pattern.map((row) => row.length));
  const rows = pattern.length ? pattern : [''];
  return rows.map((row) =>
    Array.from({ length: wide }, (_, x) =>
      row[x] !== undefined && row[x] !== ' ' && Object.hasOwn(keys, row[x])
        ? lookUp(keys, row[x])
        : undefined,
    ),
  );
}

/**
 * A pattern from a grid of ingredients. Each ingredient keeps the letter that it had; a new one
 * gets the first letter of its name or, where that is taken, the next free one.
 *
 * @example patternOf([['saltmarsh:salt', undefined]], {})
 * // { pattern: ['s '], keys: { s: 'saltmarsh:salt' } }
 */
export function patternOf(
  grid: readonly (readonly (string | undefined)[])[],
  before: Readonly<Record<string, string>> = {},
): Pick<Pattern, 'pattern' | 'keys'> {
  const letters = new Map(
    Object.entries(before).map(([letter, ingredient]) => [ingredient, letter]),
  );
  const keys: Record<string, string> = {};
  const letterOf = (ingredient: string): string => {
    const name = ingredient.slice(ingredient.indexOf(':') + 1);
    const wanted = [
      letters.get(ingredient),
      ...Array.from(name.replaceAll(/[^a-z]/g, '')),
      ...alphabet,
    ].find(
      (letter) =>
        letter !== undefined &&
        (lookUp(keys, letter) === undefined || lookUp(keys, letter) === ingredient) &&
        (lookUp(before, letter) === undefined ||
          lookUp(before, letter) === ingredient ||
          !grid.some((row) => row.includes(lookUp(before, letter)))),
    )!;
    letters.set(ingredient, wanted);
    keys[wanted] = ingredient;
    return wanted;
  };
  return {
    pattern: grid.map((row) =>
      row.map((cell) => (cell === undefined ? ' ' : letterOf(cell))).join(''),
    ),
    keys,
  };
}

/** The pattern with something else, or nothing, at one place. */
export function withCell(
  recipe: Pattern,
  x: number,
  y: number,
  ingredient: string | undefined,
): Pattern {
  const grid = gridOf(recipe).map((row, r) => (r === y ? row.with(x, ingredient) : row));
  return { ...recipe, ...patternOf(grid, recipe.keys) };
}

/** The pattern so wide and high: what is beyond is cut off, what is new is empty. */
export function resized(recipe: Pattern, wide: number, high: number): Pattern {
  const grid = gridOf(recipe);
  return {
    ...recipe,
    ...patternOf(
      Array.from({ length: high }, (_, y) => Array.from({ length: wide }, (_, x) => grid[y]?.[x])),
      recipe.keys,
    ),
  };
}
