import { itemAt } from '../../../lists/index.ts';
import { ownName } from '../../../mod/index.ts';
import { isFilled, needsOf } from '../../../tags/index.ts';
import { listed } from '../../../words/index.ts';
import { modRule } from '../../rule.ts';

export const neededTagEmpty = modRule({
  id: 'tags/needed-empty',
  severity: 'warning',
  title: 'Tag that is needed and nobody fills',
  why: 'A recipe takes whatever is in the tag. With nothing in it the recipe can never be made.',
  messages: {
    neededEmpty: 'Nothing is in the item tag {id}, which the {noun} {recipes} {verb}.',
  },
  fails: { '/recipes/bank': { kind: 'mix', takes: ['#saltmarsh:wet'], gives: 'saltmarsh:bank' } },
  passes: {
    '/recipes/bank': { kind: 'mix', takes: ['#saltmarsh:wet'], gives: 'saltmarsh:bank' },
    '/itemTags/wet': {},
    '/blocks/lamp/itemTags': ['saltmarsh:wet'],
  },
  restsOn: ['itemTags', 'blocks', 'items'],
  check(mod) {
    const isThere = isFilled(mod, 'itemTags');
    return [...needsOf(mod, 'itemTags')].flatMap(([id, needs]) => {
      const recipes = needs.filter(({ what }) => what === 'recipe').map(({ name }) => name);
      if (ownName(mod.header.namespace, id) === undefined || !recipes.length || isThere(id))
        return [];
      return [
        {
          at: ['recipes', itemAt(recipes, 0)],
          says: 'neededEmpty',
          parts: {
            id,
            noun: recipes.length === 1 ? 'recipe' : 'recipes',
            recipes: listed(recipes),
            verb: recipes.length === 1 ? 'takes' : 'take',
          },
        },
      ];
    });
  },
});
