import { digestList, listedDigests, unlisted, type Files } from '../../bytes/index.ts';
import {
  lookUp,
  resolveBlock,
  resolveBlocks,
  titleOf,
  type Mod,
  type ResolvedBlock,
} from '../../mod/index.ts';
import { cellText, columns, traitOf } from '../../table/index.ts';
import { count } from '../../words/index.ts';
import { reportsOf, type FileReport, type FileRule } from '../file-rule.ts';
import type { Kit } from '../kit.ts';

/** The list of all notes: each line a SHA-256 and a path, as `sha256sum` writes and checks them. */
const marker = 'notes.sha256';
const folder = 'notes/';
const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);

/** A block as a page of notes: its name, its numbers with units, its states. */
function noteOf(mod: Mod, block: ResolvedBlock): string {
  const title = titleOf(mod, block.name, block.declared.names);
  const numbers = columns.map(
    ({ trait, words, unit }) =>
      `${words}: ${cellText(traitOf(block, trait))}${unit ? ` ${unit}` : ''}`,
  );
  const states = block.space.properties.map(({ name, kind }) => `${name} (${kind})`);
  return [
    title,
    '='.repeat([...title].length),
    block.id,
    block.declared.identity.note ?? '',
    ...numbers,
    `${count(block.space.size, 'state')}${states.length ? `: ${states.join(', ')}` : ''}`,
    '',
  ].join('\n');
}

function write(mod: Mod, _blobOf: unknown, onProgress?: (done: number, total: number) => void) {
  const blocks = resolveBlocks(mod);
  const files: Files = new Map();
  blocks.forEach((block, done) => {
    onProgress?.(done, blocks.length);
    files.set(`${folder}${block.name}.txt`, bytesOf(noteOf(mod, block)));
  });
  return files.set(marker, digestList(files));
}

function writeBlock(mod: Mod, name: string): Map<string, string> {
  const declared = lookUp(mod.blocks, name);
  if (!declared) return new Map();
  return new Map([[`${folder}${name}.txt`, noteOf(mod, resolveBlock(mod, name, declared))]]);
}

/** A note that the list does not hold as it stands. */
const changed: FileRule<Files> = {
  over: 'files',
  id: 'notes/changed',
  severity: 'warning',
  title: 'Note that the list does not know so',
  why:
    'The list holds the digest of every note as it was built. Another one means a hand ' +
    'edit, or a damaged copy.',
  fails: { 'notes/bank.txt': 'Silt' },
  passes: {},
  check: (files) =>
    unlisted(files, marker).map((file): FileReport => ({
      file,
      message: `${marker} does not list ${file} as it is.`,
    })),
};

/** Plain text for people: a page of notes for each block, with a list of their digests. */
export const fieldNotes: Kit = {
  name: 'field-notes',
  title: 'Field notes, plain text',
  limits: {
    states: 65_536,
    stateCodeBits: 32,
    wholeShares: false,
    pattern: [32, 32],
    boxes: 4096,
    reach: 4096,
    spinStep: 0,
    textureSide: 4096,
  },
  ending: '.notes',
  marker,
  write,
  writeBlock,
  isText: () => true,
  recognises: (paths) => [...paths].some((path) => path === marker || path.startsWith(folder)),
  recordedDigests: (files) => listedDigests(files, marker),
  check: (files) => ({ reports: reportsOf([changed], files) }),
  rules: [changed],
};
