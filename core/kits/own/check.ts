import type { Files } from '../../bytes/index.ts';
import type { Mod } from '../../mod/index.ts';
import type { BlobOf } from '../kit.ts';
import { expectedFolder } from './folder.ts';
import type { KitProblem } from './problem.ts';
import type { KitWriter } from './writer.ts';

/** What a file that a kit is expected to write is, beside what it writes. */
export interface Expected {
  path: string;
  fate: 'as expected' | 'differs' | 'not written';
  /** The first line that differs, counted from 1, as expected and as it is. */
  line?: { number: number; expected: string; written: string };
  /** The whole of what is written, where it differs. */
  written?: string;
}

/** How a kit fares with a mod. */
export interface KitCheck {
  /** Everything that cannot be written, each once. */
  problems: KitProblem[];
  files: Files;
  expected: Expected[];
}

/** So many problems are told; a wrong word in a template is wrong for every block. */
const mostProblems = 100;

/**
 * Writes a mod with a kit, tells all that cannot be written, and compares with what lies in the
 * kit's folder as expected.
 *
 * @example checkKit(kit.writer, texts, mod, blobOf).problems.length // 0
 */
export function checkKit(
  writer: KitWriter,
  texts: ReadonlyMap<string, string>,
  mod: Mod,
  blobOf: BlobOf,
): KitCheck {
  const problems = new Map<string, KitProblem>();
  for (const problem of writer.problems()) problems.set(keyOf(problem), problem);
  const files = writer.writeAll(mod, blobOf, (problem) => {
    const key = keyOf(problem);
    if (!problems.has(key)) problems.set(key, problem);
  });
  const expected = [...texts]
    .filter(([path]) => path.startsWith(expectedFolder))
    .map(([path, text]) => compared(path.slice(expectedFolder.length), text, files));
  return { problems: [...problems.values()].slice(0, mostProblems), files, expected };
}

/** Where a problem stands: the same mistake for another block is the same problem. */
const keyOf = ({ file, pointer = '', place, message }: KitProblem): string =>
  place ? `${file} ${place.line} ${place.column}` : `${file} ${pointer} ${message}`;

function compared(path: string, expected: string, files: Files): Expected {
  const bytes = files.get(path);
  if (!bytes) return { path, fate: 'not written' };
  const written = new TextDecoder().decode(bytes);
  if (written === expected) return { path, fate: 'as expected' };
  const [these, those] = [expected.split('\n'), written.split('\n')];
  const at = these.findIndex((line, index) => line !== those[index]);
  const number = at < 0 ? these.length : at;
  return {
    path,
    fate: 'differs',
    written,
    line: {
      number: number + 1,
      expected: these[number] ?? '',
      written: those[number] ?? '',
    },
  };
}
