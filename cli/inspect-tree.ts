import {
  byWeight,
  facetOf,
  inspectModFolder,
  inspectBuilt,
  type Finding,
  type OnProgress,
} from '../core/inspect/index.ts';
import type { ReadTarget } from '../disk/index.ts';

const rule = 'files/does-not-fit';

/**
 * Everything that is wrong with a mod or a pack on disk: what it holds, and what of it could not be
 * read. `onProgress` is told how far it is.
 */
export function inspectTree(tree: ReadTarget, onProgress?: OnProgress): Finding[] {
  const { files, unread } = tree;
  const findings =
    tree.kind === 'pack' ? inspectBuilt(tree.kit, files, onProgress) : inspectModFolder(files);
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
