import path from 'node:path';
import { digestOf } from '../core/bytes/index.ts';
import {
  folderForm,
  formOf,
  isSafe,
  PackCopy,
  underPolicy,
  type Policy,
} from '../core/inspect/index.ts';
import { count } from '../core/words/index.ts';
import { readModOrPack, saveChanges } from '../disk/index.ts';

/**
 * Mends what is safe to mend in a mod folder or a pack, where it lies and in the way of its author;
 * says on standard error how much that was. Rules that are not asked for are left alone.
 */
export async function mendTarget(target: string, policy: Policy): Promise<void> {
  const tree = await readModOrPack(target);
  const copy = new PackCopy(tree.kind === 'pack' ? formOf(tree.kit) : folderForm, tree.files);
  const mended = copy.mendAll(
    String,
    (finding) => isSafe(finding) && underPolicy([finding], policy).length > 0,
  );
  if (!mended) return;
  const changes = copy.changes();
  await saveChanges(
    path.resolve(target),
    changes.map(({ file, before, after }) => ({ file, before: before && digestOf(before), after })),
  );
  console.error(`Mended ${count(mended, 'finding')} in ${count(changes.length, 'file')}.`);
}
