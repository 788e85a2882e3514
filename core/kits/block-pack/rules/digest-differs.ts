import { digestOf } from '../../../bytes/index.ts';
import { pointer } from '../../../json/index.ts';
import type { FileChange } from '../../../mend/index.ts';
import type { SaidOfFile } from '../../file-rule.ts';
import type { PackDocument } from '../format/index.ts';
import type { ReadFile } from '../read/index.ts';
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
    several:
      '{many} files are not as they were when the pack was built: {first} and {rest} more. Their ' +
      'digests are not those in pack.json.',
  },
  fails: { 'rules/loot/bank.json': '{ "block": "saltmarsh:bank", "draws": [] }' },
  passes: {},
  check({ pack, files, missing, textures }) {
    // A pack that was written by hand need not list anything.
    const listed = pack?.value.files;
    if (!pack || !listed) return [];
    // A picture's digest is known since it was read.
    const known = new Map([...textures.values()].map(({ file, value }) => [file, value.sha256]));
    const gone = Object.entries(listed).flatMap(([file, { sha256 }]): Differing[] => {
      const bytes = files.get(file);
      // Another rule tells of a file on which others rest.
      if (!bytes) return missing.has(file) ? [] : [{ file, says: 'gone' }];
      return (known.get(file) ?? digestOf(bytes)) === sha256
        ? []
        : [{ file, says: 'changed', bytes }];
    });
    const added = [...files].flatMap(([file, bytes]): Differing[] =>
      file === 'pack.json' || Object.hasOwn(listed, file) ? [] : [{ file, says: 'added', bytes }],
    );
    return told(pack, [...gone, ...added]);
  },
});

/** A file that is not as the pack was built. */
interface Differing {
  file: string;
  says: 'gone' | 'changed' | 'added';
  bytes?: Uint8Array;
}

/** One is told where it is; several are one thing that was done to the pack, told once. */
function told(pack: ReadFile<PackDocument>, differing: readonly Differing[]): SaidOfFile[] {
  const [first] = differing;
  if (!first) return [];
  const files = differing.map(({ file, bytes }) => recordOf(pack.file, file, bytes));
  if (differing.length > 1)
    return [
      {
        file: pack.file,
        place: pack.placeOf('/files'),
        says: 'several',
        parts: { many: differing.length, first: first.file, rest: differing.length - 1 },
        fix: { title: 'Record them as they are now', files },
      },
    ];
  const isGone = first.says === 'gone';
  const titles = {
    gone: 'Take it out of the list',
    changed: 'Record it as it is now',
    added: 'List it',
  };
  return [
    {
      file: isGone ? pack.file : first.file,
      ...(isGone && { place: pack.placeOf(pointer(['files', first.file])) }),
      says: first.says,
      parts: isGone ? { file: first.file } : {},
      fix: { title: titles[first.says], files },
    },
  ];
}

/** The record of a file in the list, of what it holds now. */
const recordOf = (list: string, file: string, bytes: Uint8Array | undefined): FileChange => ({
  file: list,
  at: pointer(['files', file]),
  value: bytes && { bytes: bytes.length, sha256: digestOf(bytes) },
});
