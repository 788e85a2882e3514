import { blockRule } from '../../rule.ts';

export const memberTwice = blockRule({
  id: 'tags/member-twice', severity: 'hint', title: 'In the same tag twice',
  why: 'Once is enough; the second mention hides which one is meant to be removed later.',
  fails: { '/blocks/bank/tags': ['saltmarsh:shore', 'saltmarsh:shore'] },
  passes: { '/blocks/bank/tags': ['saltmarsh:shore'] },
  check({ name, declared: { tags } }, context) {
    const twice = tags.find((tag, i) => tags.indexOf(tag) < i);
    return twice === undefined ? [] : [{ at: ['tags'], message: `${name} names the tag ${twice} twice.`, fix: context.set('Name each tag once', ['tags'], [...new Set(tags)]) }];
  },
});
