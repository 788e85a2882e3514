import { pointer } from '../../../json/index.ts';
import { idOf, taggedIn } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';

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
      const tagged = taggedIn(mod, kind);
      const saidIn = new Map<string, Set<string>>();
      for (const { name, tags } of tagged)
        for (const tag of tags)
          saidIn.set(tag, (saidIn.get(tag) ?? new Set()).add(idOf(mod.header.namespace, name)));
      return [
        ...tagged.flatMap(({ name, kind: of, at, tags }) => {
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
        }),
        ...Object.entries(mod[kind]).flatMap(([name, { members = [] }]) => {
          const id = idOf(mod.header.namespace, name);
          const said = saidIn.get(id);
          const twice =
            members.length === new Set(members).size
              ? members.find((member) => said?.has(member))
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
                        after: [...new Set(members)].filter((member) => !said?.has(member)),
                      },
                    ],
                  },
                },
              ];
        }),
      ];
    }),
});
