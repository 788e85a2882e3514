import { readerRule } from './pack-rule.ts';

export const malformedJson = readerRule({
  id: 'files/malformed-json',
  severity: 'error',
  title: 'Malformed JSON',
  why:
    'A single comma too many makes a whole file unreadable, and what it describes is ' +
    'missing from the game.',
  fails: { 'rules/tags/blocks/shore.json': '{ "id": "saltmarsh:shore", "members": [], }' },
  passes: {},
});
