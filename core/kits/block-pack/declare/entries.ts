import {
  currentEdition,
  everythingRegistered,
  lookUp,
  ownName,
  standIns,
  type Block,
  type Header,
  type Item,
  type Ledger,
  type Mod,
  type Sound,
  type Tag,
  type Texture,
} from '../../../mod/index.ts';
import { StateSpace } from '../../../states/index.ts';
import { ownedKey } from '../../../texts/index.ts';
import type { ReadPack } from '../read/index.ts';
import { namesOf } from './blocks.ts';

const ids = (namespace: string) => (id: string) => ownName(namespace, id) ?? id;

/** Pictures with their strips. */
export function texturesOf({ textures, strips, unread }: ReadPack): Mod['textures'] {
  return Object.fromEntries([
    ...unread.of('texture').map((name): [string, Texture] => [name, standIns.texture]),
    ...[...textures].map(([name, { value: picture }]): [string, Texture] => [
      name,
      { picture, strip: strips.get(name)?.value },
    ]),
  ]);
}

/** Sounds; one whose path is nearly right is as good as there. */
export const soundsOf = ({ sounds, unread }: ReadPack): Mod['sounds'] => ({
  ...Object.fromEntries(unread.of('sound').map((name): [string, Sound] => [name, standIns.sound])),
  ...Object.fromEntries([...sounds].map(([name, { value }]) => [name, value])),
});

/** The items that are no blocks. */
export function itemsOf(pack: ReadPack): Mod['items'] {
  const { namespace } = pack.pack!.value;
  const isBlock = (name: string) => pack.blocks.has(name) || pack.unread.has('block', name);
  const own = ids(namespace);
  // A server's pack has no files of items; the registry knows them.
  const registered = pack.isForServers ? (pack.registry?.value.entries ?? []) : [];
  const unread = [
    ...pack.unread.of('item'),
    ...registered.filter(({ kind }) => kind === 'item').map(({ id }) => own(id)),
  ];
  return Object.fromEntries([
    ...unread.filter((name) => !isBlock(name)).map((name): [string, Item] => [name, standIns.item]),
    ...[...pack.items]
      .filter(([name]) => !isBlock(name))
      .map(([name, { value }]): [string, Item] => [
        name,
        {
          group: value.group === undefined ? undefined : own(value.group),
          texture: value.texture,
          stack: value.stack,
          tool: value.tool,
          bucket: value.bucket,
          names: namesOf(pack, `item.${name}`),
        },
      ]),
  ]);
}

/** The header: what `pack.json`, the tool ladder and the catalogue groups say. */
export function headerOf(pack: ReadPack): Header {
  const { needs, needsVersions, languages, ...said } = pack.pack!.value;
  const { namespace, title, description, version, authors, license, texels, tickRate } = said;
  return {
    edition: currentEdition,
    namespace,
    title,
    description,
    picture: pack.picture?.value,
    version,
    authors,
    license,
    texels,
    tickRate,
    languages: languages.filter((language) => pack.words.has(language)),
    kit: 'block-pack',
    needs: needs?.map((other) => ({ namespace: other, versions: lookUp(needsVersions, other) })),
    groups: (pack.groups?.value.groups ?? []).map(({ id, icon }) => {
      const name = ids(namespace)(id);
      return { name, icon, names: namesOf(pack, `group.${name}`) };
    }),
    tools: pack.tools?.value ?? { kinds: {}, grades: [] },
  };
}

const sizeOf = (block: Block | undefined): number | undefined =>
  block && new StateSpace(block.states.properties).size;

/** The ledger as the registry says it; without one, everything counts as registered. */
export function ledgerOf({ pack, registry }: ReadPack, mod: Mod): Ledger {
  const own = ids(pack!.value.namespace);
  if (registry)
    return {
      entries: registry.value.entries.map(({ number, kind, id, formerly, states, codes }) => ({
        number,
        kind,
        name: own(id),
        formerly: formerly?.map(own),
        // Codes for other properties say nothing; that they are is told of the file.
        codes: states === undefined || states === sizeOf(mod.blocks[own(id)]) ? codes : undefined,
      })),
      retired: registry.value.retired.map(({ number, kind, id, successor }) => ({
        number,
        kind,
        name: own(id),
        successor,
      })),
    };
  return everythingRegistered(mod);
}

/**
 * The tags. What is in them stands with the blocks and items themselves, as in a declaration, where
 * it is the mod's own and named once; the rest stays with the tag.
 */
export function tagsOf(
  pack: ReadPack,
  mod: Pick<Mod, 'blocks' | 'items'>,
): Pick<Mod, 'blockTags' | 'itemTags'> {
  const { namespace } = pack.pack!.value;
  const tagged = (kind: 'blockTags' | 'itemTags'): Record<string, Tag> => {
    const tags: Record<string, Tag> = Object.fromEntries(
      pack.unread.of(kind === 'blockTags' ? 'block tag' : 'item tag').map((name) => [name, {}]),
    );
    for (const [name, { value }] of pack[kind]) {
      const id = name.includes('/') ? name.replace('/', ':') : `${namespace}:${name}`;
      const rest = value.members.filter((member, i) => {
        const own = ownName(namespace, member);
        const list = own === undefined ? undefined : tagListOf(kind, mod, own);
        if (!list || value.members.indexOf(member) < i) return true;
        list.push(id);
        return false;
      });
      if (!name.includes('/')) tags[name] = rest.length ? { members: rest } : {};
    }
    return tags;
  };
  return { blockTags: tagged('blockTags'), itemTags: tagged('itemTags') };
}

/** The list in which a block or item of the mod says that it is in such a tag. */
function tagListOf(
  kind: 'blockTags' | 'itemTags',
  { blocks, items }: Pick<Mod, 'blocks' | 'items'>,
  name: string,
): string[] | undefined {
  const block: Block | undefined = lookUp(blocks, name);
  if (kind === 'blockTags') return block?.tags;
  const item = lookUp(items, name);
  if (item) return (item.tags ??= []);
  return block && block.identity.item !== 'none' ? (block.itemTags ??= []) : undefined;
}

/** The texts that are not the names of what the pack has. */
export const wordsOf = (
  { words }: ReadPack,
  { blocks, fluids, items, header }: Mod,
): Mod['words'] => {
  const has = (kind: string, name: string): boolean =>
    kind === 'block'
      ? lookUp(blocks, name) !== undefined
      : kind === 'fluid'
        ? lookUp(fluids, name) !== undefined
        : kind === 'item'
          ? lookUp(items, name) !== undefined
          : header.groups.some((group) => group.name === name);
  return Object.fromEntries(
    [...words].flatMap(([language, { value }]) => {
      const texts = Object.entries(value.texts).filter(([key]) => {
        const [, kind, name] = ownedKey.exec(key) ?? [];
        return kind === undefined || !has(kind, name!);
      });
      return texts.length && header.languages.includes(language)
        ? [[language, { texts: Object.fromEntries(texts) }]]
        : [];
    }),
  );
};
