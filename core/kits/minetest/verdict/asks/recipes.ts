import { lookUp, type Mod, type Recipe } from '../../../../mod/index.ts';
import { membersOf } from '../../../../tags/index.ts';
import { engineName } from '../../write/names.ts';
import { gridFor } from '../../write/recipes.ts';
import type { Check } from '../check.ts';

/** What lies where for a recipe to be asked about: of a tag its first member. */
interface Laid {
  method: 'normal' | 'cooking';
  width: number;
  items: string[];
}

/** Every recipe gives what it says. */
export function recipeChecks(mod: Mod): Check[] {
  const members = membersOf(mod, 'itemTags');
  const anyOf = (part: string): string => {
    if (!part.startsWith('#')) return engineName(part);
    const [one] = [...(members.get(part.slice(1)) ?? [])].sort();
    return one === undefined ? '' : engineName(one);
  };
  return Object.entries(mod.recipes).flatMap(([name, recipe]) =>
    recipe.kind === 'cut'
      ? []
      : waysToLay(recipe, anyOf).map((laid): Check => {
          const ours = [
            engineName(recipe.gives),
            recipe.count ?? 1,
            recipe.kind === 'fire' ? recipe.seconds : 0,
          ];
          return {
            about: `Recipe ${name}`,
            of: { kind: 'recipe', name },
            ask: { kind: 'recipe', ...laid },
            judge: (answer) =>
              JSON.stringify(answer) === JSON.stringify(ours)
                ? undefined
                : { ours: resultInWords(ours), engine: resultInWords(answer) },
          };
        }),
  );
}

/** What a recipe gives: `2 saltmarsh:salt after 8 s`. */
function resultInWords(answer: unknown): string {
  if (!Array.isArray(answer) || answer[0] === '') return 'nothing';
  const [item, many, seconds] = answer as [string, number, number];
  return `${many} ${item}${seconds ? ` after ${seconds} s` : ''}`;
}

function waysToLay(
  recipe: Exclude<Recipe, { kind: 'cut' }>,
  anyOf: (part: string) => string,
): Laid[] {
  if (recipe.kind === 'fire')
    return [{ method: 'cooking', width: 1, items: [anyOf(recipe.takes)] }];
  if (recipe.kind === 'mix')
    return [{ method: 'normal', width: 3, items: recipe.takes.map(anyOf) }];
  const width = Math.max(...recipe.pattern.map((row) => row.length));
  const rows = recipe.pattern.map((row) =>
    [...row.padEnd(width)].map((letter) => {
      const part = letter === ' ' ? undefined : lookUp(recipe.keys, letter);
      return part === undefined ? '' : anyOf(part);
    }),
  );
  const grid = gridFor(recipe);
  const isEven = grid.every((row) => row.join() === [...row].reverse().join());
  const mirrored = recipe.mirrored === false || isEven ? [] : [rows.map((row) => row.toReversed())];
  return [rows, ...mirrored].map((one) => ({ method: 'normal', width, items: one.flat() }));
}
