import { readerRule } from './pack-rule.ts';

export const wrongEdition = readerRule({
  id: 'pack/wrong-edition',
  severity: 'error',
  title: 'Not a pack of this edition',
  why: 'Another edition may mean other things by the same words.',
  fails: { 'pack.json#/edition': 2 },
  passes: {},
});
