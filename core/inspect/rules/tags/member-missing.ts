import { ownName } from '../../../mod/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { pointer } from '../../../json/index.ts';
import { modRule } from '../../rule.ts';

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
              ? mod.blocks
              : { ...mod.items, ...mod.blocks };
          if (own === undefined || Object.hasOwn(known, own)) return [];
          const near = closest(own, Object.keys(known));
          const meant = near && `${isTag ? '#' : ''}${mod.header.namespace}:${near}`;
          const at = [kind, name, 'members', i];
          return [
            {
              at,
              says: 'memberMissing',
              parts: { namespace: mod.header.namespace, name, member, hint: didYouMean(meant) },
              fix: meant
                ? {
                    title: `Name ${meant}`,
                    changes: [{ path: pointer(at), before: member, after: meant }],
                  }
                : undefined,
            },
          ];
        }),
      ),
    ),
});
