import { lookUp, ownName, taggedIn } from '../../../mod/index.ts';
import { pointer } from '../../../json/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { modRule } from '../../rule.ts';

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
  check(mod) {
    const { namespace, tools } = mod.header;
    const ofTools = new Set(Object.values(tools.kinds).map((kind) => kind.tag));
    return (['blockTags', 'itemTags'] as const).flatMap((kind) =>
      taggedIn(mod, kind).flatMap(({ name, kind: of, at, tags }) =>
        tags.flatMap((tag, i) => {
          const own = ownName(namespace, tag);
          if (
            own === undefined ||
            lookUp(mod[kind], own) ||
            (kind === 'blockTags' && ofTools.has(tag))
          )
            return [];
          const near = closest(
            own,
            Object.keys(mod[kind]).filter((one) => !tags.includes(`${namespace}:${one}`)),
          );
          const fix =
            near === undefined
              ? { title: `Declare ${tag}`, changes: [{ path: pointer([kind, own]), after: {} }] }
              : {
                  title: `Use ${namespace}:${near}`,
                  changes: [
                    { path: pointer([...at, i]), before: tag, after: `${namespace}:${near}` },
                  ],
                };
          return [
            {
              at: [...at, i],
              block: of === 'blocks' ? name : undefined,
              says: 'unknownOwnTag',
              parts: {
                name,
                tag,
                hint: near === undefined ? '' : didYouMean(`${namespace}:${near}`),
              },
              fix,
            },
          ];
        }),
      ),
    );
  },
});
