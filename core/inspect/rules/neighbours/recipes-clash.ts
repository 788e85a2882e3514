import { resultsOf, type Mod, type Recipe } from '../../../mod/index.ts';
import { acceptsIn, clashes } from '../../../recipes/index.ts';
import { listed, tallied } from '../../../words/index.ts';
import { neighbourRule, type ModReport } from '../../rule.ts';

export const neighbourRecipesClash = neighbourRule({
  id: 'neighbours/recipes-clash',
  severity: 'warning',
  title: 'Recipes of two mods that take the same',
  why:
    'Something fits a recipe of this mod and one of a neighbour, and they give different things. ' +
    'Which of them counts is up to the engine, and the other can never be made from it.',
  messages: {
    clash: '{own} takes {both}, as {theirs} of {title} does, but that gives {other}.',
  },
  fails: { '/recipes/a': { kind: 'mix', takes: ['obrank:timber'], gives: 'saltmarsh:lamp' } },
  passes: { '/recipes/a': { kind: 'mix', takes: ['obrank:chalk'], gives: 'saltmarsh:lamp' } },
  beside: {
    fails: { '/recipes/b': { kind: 'mix', takes: ['obrank:timber'], gives: 'driftwood:lamp' } },
    passes: { '/recipes/b': { kind: 'mix', takes: ['obrank:timber'], gives: 'driftwood:lamp' } },
  },
  check(mod, { title, mod: other }) {
    if (other.header.namespace === mod.header.namespace) return [];
    const [ours, theirs] = ['here', 'there'].map((side, i) => marked(i ? other : mod, side));
    const [own, foreign] = [acceptsIn(mod), acceptsIn(other)];
    // What stands in a tag is known to whoever owns the tag.
    const accepts = (ingredient: string) =>
      ingredient.startsWith(`#${other.header.namespace}:`) ? foreign(ingredient) : own(ingredient);
    return clashes({ ...ours, ...theirs }, accepts).flatMap(
      ({ first, second, both }): ModReport[] => {
        const names = [first, second].map((name) => name.split(' '));
        const [here, there] = names[0]?.[0] === 'here' ? names : [...names].reverse();
        const name = here?.[1] ?? '';
        const recipe = there?.[1] === undefined ? undefined : other.recipes[there[1]];
        if (here?.[0] !== 'here' || there?.[0] !== 'there' || !recipe) return [];
        const gives = resultsOf(recipe).map(({ gives: id, count }) => `${count} ${id}`);
        return [
          {
            at: ['recipes', name],
            says: 'clash',
            parts: {
              own: `The recipe ${name}`,
              theirs: there[1] ?? '',
              title,
              both: tallied(both),
              other: listed(gives, 'or'),
            },
          },
        ];
      },
    );
  },
});

/** The recipes of a mod under names that say whose they are. */
const marked = ({ recipes }: Mod, side: string): Record<string, Recipe> =>
  Object.fromEntries(Object.entries(recipes).map(([name, recipe]) => [`${side} ${name}`, recipe]));
