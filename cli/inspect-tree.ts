import {
  byWeight,
  facetOf,
  inspectModFolder,
  inspectPack,
  type Finding,
} from '../core/inspect/index.ts';
import { readPack } from '../core/kits/block-pack/read/index.ts';
import type { Tree } from '../disk/index.ts';

const rule = 'files/does-not-fit';

/** Everything that is wrong with a mod or a pack on disk: what it holds, and what of it could not be read. */
export function inspectTree({ kind, files, unread }: Tree & { kind: 'mod' | 'pack' }): Finding[] {
  const findings = kind === 'pack' ? inspectPack(readPack(files)) : inspectModFolder(files);
  const others = unread.map(({ path, message }): Finding => ({
    rule,
    severity: 'error',
    facet: facetOf(rule),
    message,
    file: path,
    place: { line: 1, column: 1 },
  }));
  return [...findings, ...others].sort(byWeight);
}
