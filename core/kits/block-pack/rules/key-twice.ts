import { readerRule } from './pack-rule.ts';

export const keyTwice = readerRule({
  id: 'files/key-twice',
  severity: 'warning',
  title: 'A key twice in one object',
  why:
    'Most programs take the last of two equal keys and say nothing. The first one, which ' +
    'one may be looking at, has no effect.',
  fails: {
    'rules/tags/blocks/shore.json': '{ "id": "saltmarsh:shore", "members": [], "members": [] }',
  },
  passes: {},
});
