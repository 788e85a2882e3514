import { ownName } from '../../../mod/index.ts';
import { pointer } from '../../../json/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { modRule } from '../../rule.ts';

export const unknownOwnTag = modRule({
  id: 'tags/unknown-own-tag', severity: 'warning', title: 'Tag that nobody declared',
  why: 'A tag that the mod does not declare is made up on the spot. That is how a misspelt tag stays unseen.',
  fails: { '/blocks/bank/tags': ['saltmarsh:pik_dug'] },
  passes: { '/blocks/bank/tags': ['saltmarsh:pick_dug'] },
  check(mod) {
    const { namespace, tools } = mod.header;
    const ofTools = new Set(Object.values(tools.kinds).map((kind) => kind.tag));
    return Object.entries(mod.blocks).flatMap(([name, { tags }]) => tags.flatMap((tag, i) => {
      const own = ownName(namespace, tag);
      if (own === undefined || mod.blockTags[own] || ofTools.has(tag)) return [];
      const near = closest(own, Object.keys(mod.blockTags));
      const fix = near === undefined
        ? { title: `Declare ${tag}`, changes: [{ path: pointer(['blockTags', own]), after: {} }] }
        : { title: `Use ${namespace}:${near}`, changes: [{ path: pointer(['blocks', name, 'tags', i]), before: tag, after: `${namespace}:${near}` }] };
      return [{ at: ['blocks', name, 'tags', i], block: name, message: `${name} is in the tag ${tag}, which the mod does not declare.${near === undefined ? '' : didYouMean(`${namespace}:${near}`)}`, fix }];
    }));
  },
});
