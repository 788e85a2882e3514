import { foundInEach, itemAt } from '../../../lists/index.ts';
import { pointer } from '../../../json/index.ts';
import { lookUp, ownName } from '../../../mod/index.ts';
import { modRule, type ModReport } from '../../rule.ts';
import type { BlockSummary } from '../../view.ts';

export const wrongKind = modRule({
  id: 'tags/wrong-kind',
  severity: 'error',
  title: 'Block in an item tag, or item in a block tag',
  why:
    'Item tags hold what can be held, block tags what stands in the world. A block ' +
    'without an item form in an item tag, or an item in a block tag, is never found ' +
    'there.',
  messages: {
    wrongKind: 'The tag {namespace}:{name} names {member}, which is {wrong}.',
    cannotBeHeld: '{name} is in the item tag {tag}, but it cannot be held.',
  },
  fails: {
    '/itemTags/wet': { members: ['saltmarsh:bank', 'saltmarsh:lamp'] },
    '/blocks/bank/identity/item': 'none',
  },
  passes: { '/itemTags/wet': { members: ['saltmarsh:bank'] } },
  check: (mod) => [
    ...(['blockTags', 'itemTags'] as const).flatMap((kind) =>
      Object.entries(mod[kind]).flatMap(([name, { members = [] }]) =>
        members.flatMap((member) => {
          const own = ownName(mod.header.namespace, member);
          if (own === undefined) return [];
          const block = lookUp(mod.blocks, own);
          const wrong =
            kind === 'blockTags'
              ? !block && lookUp(mod.items, own) && 'an item, and this is a tag of blocks'
              : block &&
                !lookUp(mod.items, own) &&
                (block.identity.item ?? 'none') === 'none' &&
                'a block that cannot be held, and this is a tag of items';
          return wrong
            ? [
                {
                  at: [kind, name, 'members'],
                  says: 'wrongKind',
                  parts: { namespace: mod.header.namespace, name, member, wrong },
                  fix: {
                    title: `Take ${own} out of it`,
                    changes: [
                      {
                        path: pointer([kind, name, 'members']),
                        before: members,
                        after: members.filter((one) => one !== member),
                      },
                    ],
                  },
                },
              ]
            : [];
        }),
      ),
    ),
    ...heldless(mod.blocks),
  ],
});

/** The blocks that are in an item tag although nobody can hold them. */
const heldless = foundInEach(
  (name: string, { identity, itemTags = [] }: BlockSummary): ModReport[] =>
    itemTags.length && (identity.item ?? 'none') === 'none'
      ? [
          {
            at: ['blocks', name, 'itemTags'],
            block: name,
            says: 'cannotBeHeld',
            parts: { name, tag: itemAt(itemTags, 0) },
            fix: {
              title: 'Take it out of item tags',
              changes: [{ path: pointer(['blocks', name, 'itemTags']), before: itemTags }],
            },
          },
        ]
      : [],
);
