import { idOf, lookUp, ownName, type Mod, type TagKind } from '../../../mod/index.ts';
import { pointer } from '../../../json/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { foundInTagged } from '../../found-in-tagged.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const unknownOwnTag = modRule({
  id: 'tags/unknown-own-tag',
  severity: 'warning',
  title: 'Tag that nobody declared',
  why:
    'A tag that the mod does not declare is made up on the spot. That is how a misspelt ' +
    'tag stays unseen.',
  messages: {
    unknownOwnTag: '{name} is in the tag {tag}, which the mod does not declare.{hint}',
  },
  fails: { '/blocks/bank/tags': ['saltmarsh:spade_dug', 'saltmarsh:shroe'] },
  passes: { '/blocks/bank/tags': ['saltmarsh:spade_dug'] },
  check: (mod) =>
    (['blockTags', 'itemTags'] as const).flatMap((kind) =>
      unknownIn(mod, kind, kind, mod.header, mod[kind]),
    ),
});

const unknownIn = foundInTagged(
  (
    { name, kind: of, at, tags },
    kind: TagKind,
    { namespace, tools }: Mod['header'],
    declared: Mod[TagKind],
  ) =>
    tags.flatMap((tag, i): ModReport[] => {
      const own = ownName(namespace, tag);
      const isOfTool = () => Object.values(tools.kinds).some((one) => one.tag === tag);
      if (own === undefined || lookUp(declared, own) || (kind === 'blockTags' && isOfTool()))
        return [];
      const near = closest(
        own,
        Object.keys(declared).filter((one) => !tags.includes(idOf(namespace, one))),
      );
      const meant = near && idOf(namespace, near);
      return [
        {
          at: [...at, i],
          block: of === 'blocks' ? name : undefined,
          says: 'unknownOwnTag',
          parts: { name, tag, hint: didYouMean(meant) },
          fix:
            meant === undefined
              ? { title: `Declare ${tag}`, changes: [{ path: pointer([kind, own]), after: {} }] }
              : {
                  title: `Use ${meant}`,
                  changes: [{ path: pointer([...at, i]), before: tag, after: meant }],
                },
        },
      ];
    }),
);
