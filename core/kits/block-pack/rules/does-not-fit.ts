import { readerRule } from './pack-rule.ts';

export const doesNotFit = readerRule({
  id: 'files/does-not-fit',
  severity: 'error',
  title: 'Does not fit the format',
  why:
    'A key that the format does not know, or a value of another kind than it asks for, is ' +
    'refused or quietly passed over.',
  fails: { 'rules/blocks/bank.json#/hardness': 'hard' },
  passes: { 'rules/blocks/bank.json#/hardness': 'unbreakable' },
});
