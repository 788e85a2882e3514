import { digestOf } from '../../../bytes/index.ts';
import { pointer } from '../../../json/index.ts';
import type { FileFix } from '../../file-rule.ts';
import { packRule } from './pack-rule.ts';

export const digestDiffers = packRule({
  id: 'pack/digest-differs',
  severity: 'warning',
  guesses: true,
  title: 'Edited since it was built',
  why:
    'pack.json holds the digest of every file as it was built. A difference means a hand ' +
    'edit, which the next build would overwrite, or a damaged copy.',
  messages: {
    gone: 'pack.json lists {file}, which is not there.',
    changed:
      'This file was changed since the pack was built: its digest is not the one in ' +
      'pack.json.',
    added: 'This file came after the pack was built: pack.json does not list it.',
  },
  fails: { 'rules/loot/bank.json': '{ "block": "saltmarsh:bank", "draws": [] }' },
  passes: {},
  check({ pack, files, missing }) {
    // A pack that was written by hand need not list anything.
    const listed = pack?.value.files;
    if (!pack || !listed) return [];
    return [
      ...Object.entries(listed).flatMap(([file, { sha256 }]) => {
        const bytes = files.get(file);
        if (!bytes)
          // Another rule tells of a file on which others rest.
          return missing.has(file)
            ? []
            : [
                {
                  file: 'pack.json',
                  place: pack.placeOf(`/files/${file.replaceAll('/', '~1')}`),
                  fix: recording(pack.file, 'Take it out of the list', file),
                  says: 'gone',
                  parts: { file },
                },
              ];
        return digestOf(bytes) === sha256
          ? []
          : [
              {
                file,
                fix: recording(pack.file, 'Record it as it is now', file, bytes),
                says: 'changed',
              },
            ];
      }),
      ...[...files.keys()]
        .filter((file) => file !== 'pack.json' && !Object.hasOwn(listed, file))
        .map((file) => ({
          file,
          fix: recording(pack.file, 'List it', file, files.get(file)),
          says: 'added',
        })),
    ];
  },
});

/** The record of a file in the list, of what it holds now. */
const recording = (list: string, title: string, file: string, bytes?: Uint8Array): FileFix => ({
  title,
  files: [
    {
      file: list,
      at: pointer(['files', file]),
      value: bytes && { bytes: bytes.length, sha256: digestOf(bytes) },
    },
  ],
});
