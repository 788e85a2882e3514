import { readerRule } from './pack-rule.ts';

export const unknownFile = readerRule({
  id: 'files/unknown-file',
  severity: 'warning',
  title: 'File at a path that means nothing',
  why:
    'A file in a folder whose name is a letter off, or with another ending, is never ' +
    'read, as if it did not exist.',
  fails: { 'view/model/bank.json': '{}' },
  passes: {},
});
