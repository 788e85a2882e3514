import { readerRule } from './pack-rule.ts';

export const fileMissing = readerRule({
  id: 'files/missing',
  severity: 'error',
  title: 'Needed file missing',
  why:
    'Without pack.json nobody knows what the pack is; without registry.json nothing in it ' +
    'exists. A block or item that the registry lists exists by its file alone.',
  fails: { 'registry.json': null },
  passes: {},
});
