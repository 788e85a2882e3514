import type { Mod, Recipe } from '../../../mod/index.ts';
import { lookUp } from '../../../mod/index.ts';
import { itemTagGroup } from './groups.ts';
import type { LuaValue } from './lua.ts';
import { engineName } from './names.ts';

/** An item or, for a tag, whatever is in its group. */
export const ingredient = (part: string): string =>
  part.startsWith('#') ? `group:${itemTagGroup(part.slice(1))}` : engineName(part);

const output = (gives: string, count = 1): string =>
  count === 1 ? engineName(gives) : `${engineName(gives)} ${count}`;

/** The grid of a pattern: the engine's name of what lies at each place, nothing as an empty word. */
export const gridFor = ({ pattern, keys }: Extract<Recipe, { kind: 'pattern' }>): string[][] =>
  pattern.map((row) =>
    [...row].map((letter) => {
      const part = letter === ' ' ? undefined : lookUp(keys, letter);
      return part === undefined ? '' : ingredient(part);
    }),
  );

/** A recipe as the engine's; none for a way of making that the engine does not have. */
export function recipeForEngine(recipe: Recipe): LuaValue[] {
  if (recipe.kind === 'cut') return [];
  const made = output(recipe.gives, recipe.count);
  if (recipe.kind === 'mix')
    return [{ type: 'shapeless', output: made, recipe: recipe.takes.map(ingredient) }];
  if (recipe.kind === 'fire')
    return [
      {
        type: 'cooking',
        output: made,
        recipe: ingredient(recipe.takes),
        cooktime: recipe.seconds,
      },
    ];
  const grid = gridFor(recipe);
  const mirrored = grid.map((row) => [...row].reverse());
  const isBothWays = recipe.mirrored !== false && JSON.stringify(grid) !== JSON.stringify(mirrored);
  return [grid, ...(isBothWays ? [mirrored] : [])].map((one) => ({ output: made, recipe: one }));
}

/** All recipes of a mod, in the order of their names. */
export const recipesForEngine = ({ recipes }: Mod): LuaValue[] =>
  Object.keys(recipes)
    .sort()
    .flatMap((name) => recipeForEngine(lookUp(recipes, name)!));
