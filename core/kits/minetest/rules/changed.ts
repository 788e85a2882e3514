import { digestOf } from '../../../bytes/index.ts';
import { engineRule } from './engine-rule.ts';
import { marks, recordedDigests } from '../format/marks.ts';

export const changedSince = engineRule({
  id: 'engine/changed',
  severity: 'warning',
  title: 'Edited since it was built',
  why:
    'The list of digests holds every file as it was built. A difference means a hand edit, ' +
    'which the next build would overwrite, or a damaged copy.',
  messages: {
    gone: '{marks} lists {file}, which is not there.',
    changed: 'This file was changed since it was built.',
  },
  fails: { 'mod.conf': 'name = saltmarsh\n' },
  passes: {},
  check: (files) =>
    [...(recordedDigests(files) ?? [])].flatMap(([file, digest]) => {
      const bytes = files.get(file);
      if (!bytes) return [{ file: marks, says: 'gone', parts: { marks, file } }];
      return digestOf(bytes) === digest ? [] : [{ file, says: 'changed' }];
    }),
});
