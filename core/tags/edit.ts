import { heldUnder } from '../lists/index.ts';
import { pointer } from '../json/index.ts';
import { lookUp, idOf, ownName, type Change, type Mod, type TagKind } from '../mod/index.ts';
import { circleProblem, directMembers } from './members.ts';

/** What can be put into a tag: a block, an item, or another tag of the mod. */
export interface Who {
  what: 'blocks' | 'items' | 'tag';
  name: string;
}

/**
 * The changes that put something into a tag or, where it is in it outright, take it out. Blocks and
 * items say themselves what they are in; a tag names the tags in it. Throws a RangeError when that
 * would close a circle, or for a tag in another mod's tag.
 *
 * @example toggleMember(mod, 'blockTags', { what: 'blocks', name: 'brine' }, 'saltmarsh:pools')
 */
export function toggleMember(mod: Mod, kind: TagKind, { what, name }: Who, tag: string): Change[] {
  const id = idOf(mod.header.namespace, name);
  const own = ownName(mod.header.namespace, tag);
  const entry = own === undefined ? undefined : lookUp(mod[kind], own);
  const member = what === 'tag' ? `#${id}` : id;
  const inIt = directMembers(mod, kind).get(tag)?.has(member) ?? false;
  if (what === 'tag') {
    if (own === undefined)
      throw new RangeError(
        `${tag} belongs to another mod. Only blocks and items can be put into it.`,
      );
    const problem = inIt ? undefined : circleProblem(mod, kind, tag, id);
    if (problem) throw new RangeError(problem);
    if (!entry) return [{ path: pointer([kind, own]), after: { members: [member] } }];
    return [
      {
        path: pointer([kind, own, 'members']),
        before: entry.members,
        after: toggled(entry.members, member, inIt),
      },
    ];
  }
  const key = what === 'items' ? 'tags' : kind === 'blockTags' ? 'tags' : 'itemTags';
  const said =
    what === 'items' ? heldUnder(mod.items, name).tags : heldUnder(mod.blocks, name)[key];
  const change: Change = {
    path: pointer([what, name, key]),
    before: said,
    after: toggled(said, tag, inIt),
  };
  // It may stand in the tag's own list as well.
  const listed =
    inIt && entry?.members?.includes(id)
      ? [
          {
            path: pointer([kind, own!, 'members']),
            before: entry.members,
            after: toggled(entry.members, id, true),
          },
        ]
      : [];
  return [...(inIt && !said?.includes(tag) ? [] : [change]), ...listed];
}

const toggled = (list: readonly string[] = [], member: string, out: boolean): string[] =>
  out ? list.filter((one) => one !== member) : [...list, member];
