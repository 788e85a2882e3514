import { pointer } from '../../../json/index.ts';
import { didYouMean } from '../../../words/index.ts';
import { modRule } from '../../rule.ts';
import { misspeltToolTags } from '../../tool-tags.ts';

export const toolTagUnknown = modRule({
  id: 'tags/tool-tag-unknown',
  severity: 'error',
  title: 'Tool that digs a misspelt tag',
  why:
    'A kind of tool digs faster what is in its tag. Where the tag is misspelt, nothing is in it, ' +
    'and everything is dug as if with bare hands.',
  messages: {
    toolTagUnknown: 'The tool kind {kind} digs the tag {tag}, which nothing is in.{hint}',
  },
  fails: { '/header/tools/kinds/pick/tag': 'saltmarsh:pick_dgu' },
  passes: { '/header/tools/kinds/pick/tag': 'saltmarsh:pick_dug' },
  check(mod) {
    const misspelt = misspeltToolTags(mod);
    return Object.entries(mod.header.tools.kinds).flatMap(([kind, { tag }]) => {
      const after = misspelt.get(tag);
      if (after === undefined) return [];
      const at = ['header', 'tools', 'kinds', kind, 'tag'];
      return [
        {
          at,
          says: 'toolTagUnknown',
          parts: { kind, tag, hint: didYouMean(after) },
          fix: { title: `Dig ${after}`, changes: [{ path: pointer(at), before: tag, after }] },
        },
      ];
    });
  },
});
