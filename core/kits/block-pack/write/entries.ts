import { heldUnder } from '../../../lists/index.ts';
import {
  lookUp,
  codesOf,
  formerId,
  idOf,
  ownName,
  registered,
  usualStack,
  type Header,
  type Ledger,
  type Mod,
  type ResolvedBlock,
} from '../../../mod/index.ts';
import { directMembers } from '../../../tags/index.ts';
import {
  edition,
  formatName,
  type GroupsDocument,
  type ItemDocument,
  type PackDocument,
  type RegistryDocument,
  type TagDocument,
  type ToolsDocument,
  type WordsDocument,
} from '../format/index.ts';

/** Writes `pack.json`; `files` holds the digest of every other file. */
export const writePack = (header: Header, files: PackDocument['files']): PackDocument => ({
  format: formatName,
  edition,
  namespace: header.namespace,
  title: header.title,
  description: header.description,
  version: header.version,
  authors: header.authors,
  license: header.license,
  needs: header.needs?.map(({ namespace }) => namespace),
  needsVersions: versionsOf(header.needs ?? []),
  texels: header.texels,
  tickRate: header.tickRate,
  languages: header.languages,
  files,
});

/** Which versions of the mods that are needed will do; undefined where any do. */
function versionsOf(needs: NonNullable<Header['needs']>): PackDocument['needsVersions'] {
  const said = needs.flatMap(({ namespace, versions }) =>
    versions === undefined ? [] : [[namespace, versions] as const],
  );
  return said.length ? Object.fromEntries(said) : undefined;
}

/**
 * Writes `registry.json`: the ledger in the order in which it is registered (groups, blocks,
 * fluids, items; each by number) with each block's number of states and how their codes are laid out.
 */
export function writeRegistry(
  { header: { namespace }, ledger }: { header: Header; ledger: Ledger },
  blocks: ReadonlyMap<string, ResolvedBlock>,
): RegistryDocument {
  return {
    entries: [...ledger.entries]
      .sort(
        (a, b) => registered.indexOf(a.kind) - registered.indexOf(b.kind) || a.number - b.number,
      )
      .map(({ number, kind, name, formerly }) => {
        const block = kind === 'block' ? blocks.get(name) : undefined;
        return {
          number,
          kind,
          id: idOf(namespace, name),
          formerly: formerly?.map((old) => formerId(namespace, old)),
          states: block?.space.size,
          codes: block && codesOf(ledger, name, block.space),
        };
      }),
    retired: ledger.retired.map(({ number, kind, name, successor }) => ({
      number,
      kind,
      id: idOf(namespace, name),
      successor,
    })),
  };
}

/**
 * Every tag with what stands in it outright. The tags of the mod stand under their names, those of
 * other mods under `<namespace>/<name>`.
 */
export function writeTags(mod: Mod, kind: 'blockTags' | 'itemTags'): Map<string, TagDocument> {
  const fileOf = (id: string) => ownName(mod.header.namespace, id) ?? id.replace(':', '/');
  return new Map(
    [...directMembers(mod, kind)]
      .map(([id, members]): [string, TagDocument] => [fileOf(id), { id, members: [...members] }])
      .sort(([a], [b]) => (a < b ? -1 : 1)),
  );
}

/** Writes `rules/tools.json`: the tool ladder. */
export const writeTools = ({ tools: { kinds, grades } }: Header): ToolsDocument => ({
  kinds,
  grades,
});

/** Writes `view/groups.json`: the catalogue groups in their order. */
export const writeGroups = ({ namespace, groups }: Header): GroupsDocument => ({
  groups: groups.map(({ name, icon }) => ({ id: idOf(namespace, name), icon })),
});

/** Writes `view/items/<name>.json` for each block that can be held and for each item. */
export function writeItems(mod: Mod, blocks: readonly ResolvedBlock[]): Map<string, ItemDocument> {
  const group = (name: string | undefined) =>
    name === undefined ? undefined : idOf(mod.header.namespace, name);
  const items = new Map<string, ItemDocument>();
  for (const block of blocks) {
    const { held } = block.declared.identity;
    if (block.item !== 'none')
      items.set(block.name, {
        id: block.id,
        form: block.item,
        block: block.id,
        model: block.item === 'block' ? held?.model : undefined,
        texture: block.item === 'flat' ? held?.picture : undefined,
        poses: held?.poses,
        group: group(block.declared.identity.group),
        stack: usualStack,
      });
  }
  for (const [name, item] of Object.entries(mod.items))
    items.set(name, {
      id: idOf(mod.header.namespace, name),
      form: 'flat',
      texture: item.texture,
      group: group(item.group),
      stack: item.stack ?? usualStack,
      tool: item.tool,
      bucket: item.bucket,
    });
  return items;
}

/**
 * Writes `view/words/<language>.json`: names of groups, blocks, fluids and items, and the
 * mod's other texts.
 */
export function writeWords(mod: Mod, language: string): WordsDocument {
  const texts = new Map<string, string>();
  const add = (key: string, names: Record<string, string>) => {
    const text = lookUp(names, language);
    if (text !== undefined) texts.set(key, text);
  };
  for (const group of mod.header.groups) add(`group.${group.name}`, group.names);
  for (const name of Object.keys(mod.blocks).sort())
    add(`block.${name}`, heldUnder(mod.blocks, name).names);
  for (const name of Object.keys(mod.fluids).sort())
    add(`fluid.${name}`, heldUnder(mod.fluids, name).names);
  for (const name of Object.keys(mod.items).sort())
    add(`item.${name}`, heldUnder(mod.items, name).names);
  for (const [key, text] of Object.entries(lookUp(mod.words, language)?.texts ?? {}))
    texts.set(key, text);
  return { language, texts: Object.fromEntries(texts) };
}
