import { readerRule } from './pack-rule.ts';

export const unsafePathInPack = readerRule({
  id: 'files/unsafe-path',
  severity: 'error',
  title: 'Path that must not be used',
  why:
    'A path that leaves the pack could overwrite other files; some names cannot be held ' +
    'by every system.',
  fails: { '../outside.json': '{}' },
  passes: {},
});
