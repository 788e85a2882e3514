import { withArticle } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const missingInToolTag = blockRule({
  id: 'traits/missing-in-tool-tag',
  severity: 'warning',
  title: 'Missing in the tag of its tool',
  why:
    'A tool digs faster what is in its tag. A block that names a tool kind and is not in ' +
    'that tag is dug as if with bare hands.',
  messages: {
    toolUnknown: "{block} is dug with {one}, but the mod's tools have no {tool}.",
    notInTag: '{block} is dug with {one} but is not in the tag {tag}.',
  },
  fails: { '/blocks/lamp/tags': [] },
  passes: { '/blocks/lamp/tags': ['saltmarsh:pick_dug'] },
  restsOn: ['blockTags'],
  check({ traits, name, declared }, context) {
    if (traits.toolKind === 'none') return [];
    const one = withArticle(traits.toolKind);
    const tag = context.header.tools.kinds[traits.toolKind]?.tag;
    if (tag === undefined)
      return [
        {
          at: ['traits', 'toolKind'],
          says: 'toolUnknown',
          parts: { block: name, one, tool: traits.toolKind },
        },
      ];
    // A tag that is misspelt with the tool is told there.
    if (declared.tags.includes(tag) || context.isMisspeltToolTag(tag)) return [];
    return [
      {
        at: ['tags'],
        says: 'notInTag',
        parts: { block: name, one, tag },
        fix: context.set(`Add it to ${tag}`, ['tags'], [...declared.tags, tag]),
      },
    ];
  },
});
