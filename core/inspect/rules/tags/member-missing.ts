import { heldUnder } from '../../../lists/index.ts';
import { idOf, ownName } from '../../../mod/index.ts';
import { pointer } from '../../../json/index.ts';
import { directMembers } from '../../../tags/index.ts';
import type { Fix } from '../../finding.ts';
import { meantBy } from '../../meant.ts';
import { modRule } from '../../rule.ts';
import type { ModView } from '../../view.ts';

export const memberMissing = modRule({
  id: 'tags/member-missing',
  severity: 'error',
  title: 'Member that does not exist',
  why:
    'A tag that names something that does not exist is refused by strict engines, with ' +
    'all its other members.',
  messages: {
    memberMissing: 'The tag {namespace}:{name} names {member}, which does not exist.{hint}',
  },
  fails: { '/blockTags/shore/members': ['saltmarsh:bnak'] },
  passes: { '/blockTags/shore/members': ['saltmarsh:bank'] },
  check: (mod) =>
    (['blockTags', 'itemTags'] as const).flatMap((kind) =>
      Object.entries(mod[kind]).flatMap(([name, { members = [] }]) =>
        members.flatMap((member, i) => {
          const isTag = member.startsWith('#');
          const own = ownName(mod.header.namespace, member.slice(isTag ? 1 : 0));
          const known: Record<string, unknown> = isTag
            ? mod[kind]
            : kind === 'blockTags'
              ? mod.present
              : { ...mod.items, ...mod.present };
          if (own === undefined || Object.hasOwn(known, own)) return [];
          const { namespace } = mod.header;
          const mark = isTag ? '#' : '';
          const { id: meant, hint } = meantBy(member, {
            ledger: mod.ledger,
            namespace,
            candidates: Object.keys(known).map((other) => `${mark}${idOf(namespace, other)}`),
            kinds: isTag ? [] : kind === 'blockTags' ? ['block'] : ['block', 'item'],
          });
          const at = [kind, name, 'members', i];
          return [
            {
              at,
              says: 'memberMissing',
              parts: { namespace, name, member, hint },
              fix: meant ? fixOf(mod, kind, name, i, meant) : undefined,
            },
          ];
        }),
      ),
    ),
});

/** Names what was meant, or takes the member out where that is in the tag already. */
function fixOf(
  mod: ModView,
  kind: 'blockTags' | 'itemTags',
  name: string,
  i: number,
  meant: string,
): Fix {
  const at = [kind, name, 'members'];
  const { members = [] } = heldUnder(mod[kind], name);
  const others = members.filter((_, other) => other !== i);
  const { header, blocks, items, blockTags, itemTags } = mod;
  const without = {
    header,
    blocks,
    items,
    blockTags,
    itemTags,
    [kind]: { [name]: { members: others } },
  };
  const isIn = directMembers(without, kind).get(idOf(mod.header.namespace, name))?.has(meant);
  return isIn
    ? {
        title: 'Take it out of the tag',
        changes: [
          { path: pointer(at), before: members, after: others.length ? others : undefined },
        ],
      }
    : {
        title: `Name ${meant}`,
        changes: [{ path: pointer([...at, i]), before: members[i], after: meant }],
      };
}
