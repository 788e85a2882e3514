import { idOf } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';

export const emptyTag = modRule({
  id: 'tags/empty', severity: 'hint', title: 'Empty tag',
  why: 'A tag without members does nothing. Often the blocks that belong in it were forgotten.',
  fails: { '/blockTags/drowned': {} },
  passes: { '/blockTags/drowned': { members: ['saltmarsh:bank'] } },
  check(mod) {
    const filled = new Set(Object.values(mod.blocks).flatMap((block) => block.tags));
    return Object.entries(mod.blockTags).flatMap(([name, tag]) => {
      const id = idOf(mod.header.namespace, name);
      return tag.members?.length || filled.has(id) ? [] : [{ at: ['blockTags', name], message: `The tag ${id} has no member.` }];
    });
  },
});
