import { isFilled, needsOf } from '../../../tags/index.ts';
import { idOf } from '../../../mod/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const emptyTag = modRule({
  id: 'tags/empty',
  severity: 'hint',
  title: 'Empty tag',
  why: 'A tag without members does nothing. Often what belongs in it was forgotten.',
  messages: {
    empty: 'The tag {id} has no member.',
  },
  fails: { '/blockTags/drowned': {} },
  passes: { '/blockTags/drowned': { members: ['saltmarsh:bank'] } },
  restsOn: ['blockTags', 'itemTags', 'blocks', 'items'],
  check: (mod) =>
    (['blockTags', 'itemTags'] as const).flatMap((kind) => {
      const needs = needsOf(mod, kind);
      const isThere = isFilled(mod, kind);
      return Object.keys(mod[kind]).flatMap((name): ModReport[] => {
        const id = idOf(mod.header.namespace, name);
        // An empty tag that a recipe asks for is graver, and told by another rule.
        return isThere(id) || needs.get(id)?.some(({ what }) => what === 'recipe')
          ? []
          : [{ at: [kind, name], says: 'empty', parts: { id } }];
      });
    }),
});
