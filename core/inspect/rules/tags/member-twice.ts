import { pointer } from '../../../json/index.ts';
import { idOf, lookUp, ownName, taggedEntry } from '../../../mod/index.ts';
import { foundInTagged } from '../../found-in-tagged.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const memberTwice = modRule({
  id: 'tags/member-twice',
  severity: 'hint',
  title: 'In the same tag twice',
  why: 'Once is enough; the second mention hides which one is meant to be removed later.',
  messages: {
    blockNamesTwice: '{name} names the tag {twice} twice.',
    memberTwice: '{twice} is in the tag {id} twice.',
  },
  fails: { '/blocks/bank/tags': ['saltmarsh:shore', 'saltmarsh:shore'] },
  passes: { '/blocks/bank/tags': ['saltmarsh:shore'] },
  check: (mod) =>
    (['blockTags', 'itemTags'] as const).flatMap((kind) => {
      const says = (member: string, tag: string) => {
        const own = ownName(mod.header.namespace, member) ?? '';
        const [block, item] = [lookUp(mod.blocks, own), lookUp(mod.items, own)];
        return (
          (block && taggedEntry(kind, 'blocks', own, block).tags.includes(tag)) ??
          (kind === 'itemTags' && item?.tags?.includes(tag))
        );
      };
      return [
        ...saidTwice(mod, kind),
        ...Object.entries(mod[kind]).flatMap(([name, { members = [] }]) => {
          const id = idOf(mod.header.namespace, name);
          const twice =
            members.length === new Set(members).size
              ? members.find((member) => says(member, id))
              : members.find((member, i) => members.indexOf(member) < i);
          return twice === undefined
            ? []
            : [
                {
                  at: [kind, name, 'members'],
                  says: 'memberTwice',
                  parts: { twice, id },
                  fix: {
                    title: 'Name each member once',
                    changes: [
                      {
                        path: pointer([kind, name, 'members']),
                        before: members,
                        after: [...new Set(members)].filter((member) => !says(member, id)),
                      },
                    ],
                  },
                },
              ];
        }),
      ];
    }),
});

const saidTwice = foundInTagged(({ name, kind: of, at, tags }): ModReport[] => {
  const twice = tags.find((tag, i) => tags.indexOf(tag) < i);
  return twice === undefined
    ? []
    : [
        {
          at,
          block: of === 'blocks' ? name : undefined,
          says: 'blockNamesTwice',
          parts: { name, twice },
          fix: {
            title: 'Name each tag once',
            changes: [{ path: pointer(at), before: tags, after: [...new Set(tags)] }],
          },
        },
      ];
});
