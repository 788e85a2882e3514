import { digestOf, type Files } from '../../../bytes/index.ts';
import { parseJson, sameData, valueAt } from '../../../json/index.ts';
import {
  changedMod,
  decoded,
  mendDocuments,
  rewritten,
  type FilesChange,
  type Written,
} from '../../../mend/index.ts';
import { inOrder, resolveBlocks, type Change, type Mod } from '../../../mod/index.ts';
import type { Declared } from '../../declared.ts';
import { declaredBy } from '../declare/index.ts';
import { pathInPack, placeInPack, type FileKind } from '../format/index.ts';
import { readPack, type ReadPack } from '../read/index.ts';
import { documentsBeside, documentsOfBlock } from '../write/documents.ts';
import { writePack } from '../write/entries.ts';

/**
 * Makes changes of what a pack declares in its files, where their authors said it: each file keeps
 * its form, and only what changed is written anew. Undefined where a change does not fit, or finds
 * no place in the files.
 *
 * @example mendPack(files, [{ path: '/blocks/brine/traits/hardness', before: 1, after: 2 }])
 * // Map { 'rules/blocks/brine.json' → the same text with 2 in the place of 1 }
 */
export function mendPack(files: Files, changes: readonly Change[]): FilesChange | undefined {
  const pack = readPack(files);
  return mendRead(pack, declaredBy(pack), changes);
}

/** The same of a pack that was read. */
export function mendRead(
  pack: ReadPack,
  declared: Declared | undefined,
  changes: readonly Change[],
): FilesChange | undefined {
  const changed = declared && changedMod(declared.mod, changes);
  if (!changed) return undefined;
  const [before, after] = [inOrder(declared.mod), inOrder(changed)];
  return mendDocuments(
    pack.files,
    documentsIn(before, (name) => hasSameFiles(before, after, name)),
    documentsIn(after, (name) => hasSameFiles(before, after, name)),
    (path) => lyingAt(pack, path),
  );
}

/** Whether the files that follow from a block alone are the same in two states of a mod. */
const hasSameFiles = (before: Mod, after: Mod, name: string): boolean =>
  before.blocks[name] === after.blocks[name] &&
  before.header === after.header &&
  sameEntries(before.models, after.models);

/** Whether two records hold the same entries. */
const sameEntries = (a: Readonly<Record<string, unknown>>, b: typeof a): boolean => {
  const known = compared.get(a)?.get(b);
  if (known !== undefined) return known;
  const names = Object.keys(a);
  const isSame =
    names.length === Object.keys(b).length && names.every((name) => a[name] === b[name]);
  compared.set(a, new WeakMap([[b, isSame]]));
  return isSame;
};
const compared = new WeakMap<object, WeakMap<object, boolean>>();

/** Where a file lies that was read as the one at a path: elsewhere when it is misnamed. */
function lyingAt(pack: ReadPack, path: string): string {
  const at = placeInPack(path);
  const lists = {
    block: pack.blocks,
    item: pack.items,
    look: pack.looks,
    fluid: pack.fluids,
    'fluid look': pack.fluidLooks,
    loot: pack.loot,
    'loot table': pack.lootTables,
  };
  const list =
    at && (lists as Partial<Record<FileKind, Map<string, { file: string }>>>)[at.rule.kind];
  return list?.get(at!.name)?.file ?? path;
}

/** The documents of a mod, without the files of blocks that are known to be the same. */
function* documentsIn(mod: Mod, isKnown: (block: string) => boolean): Generator<Written> {
  const blocks = resolveBlocks(mod);
  yield [pathInPack('pack', 'pack'), writePack(mod.header, undefined)];
  for (const block of blocks) if (!isKnown(block.name)) yield* documentsOfBlock(mod, block);
  yield* documentsBeside(mod, blocks);
}

/**
 * The digests in `pack.json` after a change of files that were as they say before; also a file that
 * moves or comes. Nothing where the pack keeps no digests, and nothing of a file that was edited
 * since it was built: that stays told.
 */
export function settleDigests(before: Files, after: Files): FilesChange {
  const path = pathInPack('pack', 'pack');
  const text = decoded(after.get(path));
  const { value } = parseJson(text, { goesOn: true });
  const listed = valueAt(value, '/files');
  if (typeof listed !== 'object' || listed === null) return new Map();
  const files = new Map<string, unknown>(Object.entries(listed));
  const paths = [...before.keys(), ...after.keys()].filter((one) => one !== path);
  for (const one of new Set(paths)) {
    const [was, is] = [before.get(one), after.get(one)];
    if (was === is || (was && !sameData(valueAt(files.get(one), '/sha256'), digestOf(was))))
      continue;
    if (is) files.set(one, recordOf(is));
    else files.delete(one);
  }
  const settled = { ...(value as object), files: Object.fromEntries(files) };
  const bytes = sameData(settled, value) ? undefined : rewritten(text, settled);
  return new Map(bytes && [[path, bytes]]);
}

const recordOf = (bytes: Uint8Array) => ({ bytes: bytes.length, sha256: digestOf(bytes) });
