/** What is asked of the open pack on its way into a mod. */
import { digestOf, writeZip, type Files } from '../../core/bytes/index.ts';
import { writeModFolder } from '../../core/folder/index.ts';
import { inspectBeside, type Finding, type PackCopy } from '../../core/inspect/index.ts';
import { resolveBlock, titleOf, type Mod } from '../../core/mod/index.ts';
import {
  bringBlocks,
  partsOf,
  refuseUnread,
  takeOver,
  TakeOverProblem,
  takeOverMod,
  type Bringing,
  type TakenOver,
  type TakeOverHow,
} from '../../core/take-over/index.ts';
import type { PackParts, WholeMod } from './pack-protocol.ts';

/** What was worked out of the files as they stand, kept while they do. */
interface Kept {
  parts?: Mod;
  taken: Map<string, TakenOver>;
  bytes?: Map<string, Uint8Array>;
}
const kept = new WeakMap<Files, Kept>();

function keptOf({ files }: PackCopy): Kept {
  const before = kept.get(files) ?? { taken: new Map() };
  kept.set(files, before);
  return before;
}

function declaredIn({ declared }: PackCopy): NonNullable<PackCopy['declared']> {
  if (declared) return declared;
  throw new TakeOverProblem(
    'Nothing in it says what it is called and whose names are whose, so nothing can be taken over.',
  );
}

/** The blocks that can be taken over, by name. */
export function partsIn(copy: PackCopy): PackParts {
  const { mod } = declaredIn(copy);
  const { namespace, title } = mod.header;
  const blocks = Object.entries(mod.blocks)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([name, block]) => ({
      name,
      title: titleOf(mod, name, block.names),
      states: resolveBlock(mod, name, block).space.size,
    }));
  return { namespace, title, blocks };
}

function taken(copy: PackCopy, how: TakeOverHow): TakenOver {
  const { taken: known } = keptOf(copy);
  const key = JSON.stringify([how.isTidy, how.namespace]);
  let whole = known.get(key);
  if (!whole) {
    const { kit } = copy.form;
    whole = kit ? takeOver(kit, copy.files, how) : takeOverMod(copy.declared, copy.files, how);
    known.set(key, whole);
  }
  return whole;
}

/** What a mod out of the whole pack would be. Throws a {@link TakeOverProblem}. */
export function wholeModOf(copy: PackCopy, how: TakeOverHow): WholeMod {
  const { mod, blobs: _, ...told } = taken(copy, how);
  const many = (list: object) => Object.keys(list).length;
  return {
    ...told,
    counts: {
      blocks: many(mod.blocks),
      items: many(mod.items),
      models: many(mod.models),
      textures: many(mod.textures),
      sounds: many(mod.sounds),
    },
  };
}

/** The same as the packed folder of a mod. */
export function modFolderOf(copy: PackCopy, how: TakeOverHow, title?: string): Uint8Array {
  const { mod, blobs } = taken(copy, how);
  const named = title === undefined ? mod : { ...mod, header: { ...mod.header, title } };
  return writeZip(writeModFolder(named, (sha256) => blobs.get(sha256) ?? new Uint8Array()));
}

/** The edit that takes blocks into a mod. Throws a {@link TakeOverProblem}. */
export function broughtInto(
  copy: PackCopy,
  target: Mod,
  blocks: readonly string[],
  names: Readonly<Record<string, string>>,
): Bringing {
  const declared = declaredIn(copy);
  const parts = (keptOf(copy).parts ??= partsOf(declared));
  const bringing = bringBlocks(target, parts, blocks, names);
  refuseUnread(declared, bringing.arrivals);
  return bringing;
}

/** What a mod and the open pack do to each other when both are loaded, told of the mod. */
export function besideOf(copy: PackCopy, target: Mod): Finding[] {
  const { mod } = declaredIn(copy);
  return inspectBeside(target, [{ title: mod.header.title, mod }]);
}

/** Files of the pack by their digests. */
export function bytesOf(copy: PackCopy, digests: readonly string[]): Uint8Array[] {
  const byDigest = (keptOf(copy).bytes ??= new Map(
    [...copy.files.values()].map((bytes) => [digestOf(bytes), bytes]),
  ));
  return digests.flatMap((sha256) => byDigest.get(sha256) ?? []);
}
