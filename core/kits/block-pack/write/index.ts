import { digestOf } from '../../../bytes/digest.ts';
import { printJson } from '../../../json/index.ts';
import type { Files } from '../../../bytes/index.ts';
import {
  idOfShown,
  inOrder,
  lookUp,
  ownName,
  resolveBlock,
  resolveBlocks,
  type Looks,
  type Mod,
  type NewLook,
  type ResolvedBlock,
} from '../../../mod/index.ts';
import type { BlobOf } from '../../kit.ts';
import { pathInPack, type PackDocument } from '../format/index.ts';
import { writeNewLook } from './block.ts';
import { writeCode } from './code.ts';
import { documentsOf, documentsOfBlock } from './documents.ts';
import { writeItems, writePack, writeRegistry, writeTags } from './entries.ts';

const encoder = new TextEncoder();
const bytesOf = (text: string): Uint8Array => encoder.encode(text);

/** The files that follow from one block alone, as text, by path. */
const blockFiles = (mod: Mod, block: ResolvedBlock): Map<string, string> =>
  new Map(documentsOfBlock(mod, block).map(([path, document]) => [path, printJson(document)]));

/** All files of the pack in the order of their paths, `pack.json` with every digest among them. */
export function writeBlockPack(
  given: Mod,
  blobOf: BlobOf,
  onProgress?: (done: number, total: number) => void,
): Files {
  const mod = inOrder(given);
  const files: Files = new Map();
  const blocks = resolveBlocks(mod);
  for (const [path, document] of documentsOf(mod, blocks, onProgress))
    files.set(path, bytesOf(printJson(document)));
  for (const [name, { picture }] of Object.entries(mod.textures))
    files.set(pathInPack('texture', name), blobOf(picture.sha256));
  for (const [name, sound] of Object.entries(mod.sounds))
    files.set(pathInPack('sound', name, `.${sound.format}`), blobOf(sound.sha256));
  const { picture } = mod.header;
  if (picture) files.set(pathInPack('picture of the mod', 'picture'), blobOf(picture.sha256));
  files.set(pathInPack('code', 'ids'), bytesOf(writeCode(mod, blocks)));
  const paths = [...files.keys()].sort();
  const digests: NonNullable<PackDocument['files']> = Object.fromEntries(
    paths.map((path) => [
      path,
      { bytes: files.get(path)!.length, sha256: digestOf(files.get(path)!) },
    ]),
  );
  // What the mod only carries along may be changed by whoever it belongs to: it has no digest.
  for (const [path, { sha256 }] of Object.entries(mod.header.kept ?? {}))
    if (!files.has(path)) files.set(path, blobOf(sha256));
  files.set(pathInPack('pack', 'pack'), bytesOf(printJson(writePack(mod.header, digests))));
  return new Map([...files.keys()].sort().map((path) => [path, files.get(path)!]));
}

/** The models that a look shows, with what they start from. */
function modelFiles(mod: Mod, looks: Looks): Map<string, string> {
  const files = new Map<string, string>();
  const models = new Set(looks.rows.flatMap(({ use }) => use.map(({ model }) => model)));
  for (const id of models) {
    const name = ownName(mod.header.namespace, id);
    const model = name === undefined ? undefined : lookUp(mod.models, name);
    if (!model) continue;
    files.set(pathInPack('model', name!), printJson(model));
    if (model.template) models.add(model.template);
  }
  return files;
}

const newLookFiles = (mod: Mod, name: string, look: NewLook): Map<string, string> =>
  new Map([
    [
      pathInPack('new look', name),
      printJson(writeNewLook(idOfShown(mod.header.namespace, name), look)),
    ],
    ...modelFiles(mod, look.looks),
  ]);

/**
 * The text files that one block brings along: its rules, look, loot and item, the models it shows
 * and the tags it is in.
 */
export function writeBlockFiles(given: Mod, name: string): Map<string, string> {
  const mod = inOrder(given);
  const newLook = lookUp(mod.newLooks, name);
  if (newLook) return newLookFiles(mod, name, newLook);
  const declared = lookUp(mod.blocks, name);
  if (!declared) return new Map();
  const block = resolveBlock(mod, name, declared);
  const files = blockFiles(mod, block);
  const item = writeItems({ ...mod, items: {} }, [block]).get(name);
  if (item) files.set(pathInPack('item', name), printJson(item));
  for (const [path, text] of modelFiles(mod, declared.looks)) files.set(path, text);
  const tags = writeTags(
    {
      ...mod,
      blocks: Object.fromEntries(
        Object.entries(mod.blocks).filter(([, one]) =>
          one.tags.some((tag) => declared.tags.includes(tag)),
        ),
      ),
    },
    'blockTags',
  );
  for (const [tag, document] of tags)
    if (document.members.includes(block.id))
      files.set(pathInPack('block tag', tag), printJson(document));
  const registry = writeRegistry(
    {
      header: mod.header,
      ledger: {
        entries: mod.ledger.entries.filter(
          (entry) => entry.kind === 'block' && entry.name === name,
        ),
        retired: [],
      },
    },
    new Map([[name, block]]),
  );
  if (registry.entries.length)
    files.set('registry.json (this block)', printJson(registry.entries[0]));
  return files;
}
