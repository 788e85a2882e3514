import { pointer, pointerSteps, type Place } from '../../../json/index.ts';
import { fluidLookParts } from './fluids.ts';
import { lookUp, traitFacts, traitNames, type Mod, type Tag } from '../../../mod/index.ts';
import type { TagDocument } from '../format/index.ts';
import type { ReadFile, ReadPack } from '../read/index.ts';

/** A file of a pack, and the steps to a value in it. */
type Spot = readonly [file: ReadFile<unknown> | undefined, ...steps: string[]];

/**
 * Tells where in a pack a part of the mod stands that it declares.
 *
 * @example placesIn(pack, mod)('/blocks/brine/traits/hardness')
 * // { file: 'rules/blocks/brine.json', place: { line: 3, column: 15 } }
 */
export function placesIn(
  pack: ReadPack,
  mod: Mod,
): (at: string) => { file: string; place: Place } | undefined {
  return (at) => {
    const [kind = '', ...steps] = pointerSteps(at);
    const [file, ...rest] = spotOf(pack, mod, kind, steps);
    return file && { file: file.file, place: file.placeOf(pointer(rest)) };
  };
}

function spotOf(pack: ReadPack, mod: Mod, kind: string, steps: string[]): Spot {
  const [name = '', ...rest] = steps;
  const { namespace } = mod.header;
  if (kind === 'blocks') return inBlock(pack, namespace, name, rest);
  if (kind === 'items') return inItem(pack, namespace, name, rest);
  if (kind === 'fluids') return inFluid(pack, name, rest);
  if (kind === 'header') return inHeader(pack, steps);
  if (kind === 'ledger') return [pack.registry, ...steps];
  if (kind === 'newLooks') return [pack.newLooks.get(name), ...inNewLook(rest)];
  if (kind === 'soundSets')
    return [pack.soundSets, ...(name ? [`${namespace}:${name}`, ...rest] : [])];
  if (kind === 'textures')
    return rest[0] === 'strip'
      ? [pack.strips.get(name), ...rest.slice(1)]
      : [pack.textures.get(name)];
  if (kind === 'words') return [pack.words.get(name) ?? pack.pack, ...rest];
  if (kind === 'blockTags' || kind === 'itemTags')
    return inTag(pack[kind].get(name), lookUp(mod[kind], name), rest);
  const list = (pack as unknown as Record<string, Map<string, ReadFile<unknown>> | undefined>)[
    kind
  ];
  return [list?.get(name), ...rest];
}

function inBlock(pack: ReadPack, namespace: string, name: string, steps: string[]): Spot {
  const [facet, ...rest] = steps;
  const rules = pack.blocks.get(name);
  const look = pack.looks.get(name);
  const item = pack.items.get(name);
  if (facet === 'traits') return inTraits(pack, name, rest);
  if (facet === 'looks') return [look ?? rules, ...rest];
  if (facet === 'loot') return pack.loot.has(name) ? [pack.loot.get(name), ...rest] : [rules];
  if (facet === 'identity') return item ? [item, ...inIdentity(rest)] : [rules];
  if (facet === 'states')
    return [rules, ...(rest[0] === 'placing' ? rest.with(0, 'placement') : rest)];
  if (facet === 'shapes') return [rules, ...rest];
  if (facet === 'reactions') return [rules, facet, ...rest];
  if (facet === 'names') return inNames(pack, `block.${name}`, rest[0]);
  if (facet === 'tags' || facet === 'itemTags')
    return (
      inTags(
        pack,
        facet === 'tags' ? 'blockTags' : 'itemTags',
        `${namespace}:${name}`,
        rest[0],
      ) ?? [rules]
    );
  return [rules];
}

/** The states of a new look stand in its file as those of a block do; its rows at the top. */
const inNewLook = ([part, first, ...rest]: string[]): string[] => {
  if (part === 'states')
    return first === undefined ? [] : [first === 'placing' ? 'placement' : first, ...rest];
  if (part === 'looks') return first === undefined ? [] : [first, ...rest];
  return part === undefined ? [] : [part];
};

/** `held/picture` of a block is the texture of its item. */
const inIdentity = ([first, second, ...rest]: string[]): string[] => {
  if (first === 'item') return ['form'];
  if (first === 'held') return second === 'picture' ? ['texture'] : [second ?? '', ...rest];
  return first === undefined ? [] : [first];
};

function inTraits(pack: ReadPack, name: string, [trait, ...rest]: string[]): Spot {
  const rules = pack.blocks.get(name);
  const known = traitNames.find((one) => one === trait);
  const part = known && traitFacts(known).pack;
  if (part === 'display') return [pack.looks.get(name) ?? rules, 'display', known!, ...rest];
  if (part === 'tool') return [rules, 'tool', trait === 'toolKind' ? 'kind' : trait!];
  return [rules, ...(trait === undefined ? [] : [trait, ...rest])];
}

function inItem(pack: ReadPack, namespace: string, name: string, steps: string[]): Spot {
  const [part, which] = steps;
  if (part === 'names') return inNames(pack, `item.${name}`, which);
  const item = pack.items.get(name);
  if (part === 'tags') return inTags(pack, 'itemTags', `${namespace}:${name}`, which) ?? [item];
  return [item, ...steps];
}

function inFluid(pack: ReadPack, name: string, steps: string[]): Spot {
  const [part = '', which] = steps;
  if (part === 'names') return inNames(pack, `fluid.${name}`, which);
  const rules = pack.fluids.get(name);
  return fluidLookParts.includes(part)
    ? [pack.fluidLooks.get(name) ?? rules, ...steps]
    : [rules, ...steps];
}

function inHeader(pack: ReadPack, [part, ...rest]: string[]): Spot {
  if (part === 'tools') return [pack.tools ?? pack.pack, ...rest];
  if (part !== 'groups') return [pack.pack, ...(part === undefined ? [] : [part, ...rest])];
  const [i, what, language] = rest;
  const group = pack.groups?.value.groups[Number(i)];
  if (what === 'names' && group)
    return inNames(pack, `group.${group.id.slice(group.id.indexOf(':') + 1)}`, language);
  return [pack.groups ?? pack.pack, ...(pack.groups ? [part, ...rest] : [])];
}

/** A name stands in the file of its language; one that is missing, where the names stand. */
function inNames(pack: ReadPack, key: string, language: string | undefined): Spot {
  const first =
    language ??
    pack.pack?.value.languages.find((one) => {
      const texts = pack.words.get(one)?.value.texts;
      return texts !== undefined && !Object.hasOwn(texts, key);
    });
  const words = first === undefined ? undefined : pack.words.get(first);
  return words ? [words, 'texts', key] : [pack.pack, 'languages'];
}

/** Membership stands in the tag's file. */
function inTags(
  pack: ReadPack,
  kind: 'blockTags' | 'itemTags',
  id: string,
  which: string | undefined,
): Spot | undefined {
  const holding = [...pack[kind].values()].filter(({ value }) => value.members.includes(id));
  const tag = which === undefined ? undefined : holding[Number(which)];
  return tag && [tag, 'members', String(tag.value.members.indexOf(id))];
}

/** Members that are the mod's own stand with themselves, so the others are counted by what they are. */
function inTag(
  tag: ReadFile<TagDocument> | undefined,
  declared: Tag | undefined,
  [part, which]: string[],
): Spot {
  if (part === undefined || which === undefined)
    return [tag, ...(part === undefined ? [] : [part])];
  const member = declared?.members?.[Number(which)];
  const at = member === undefined ? -1 : (tag?.value.members.lastIndexOf(member) ?? -1);
  return [tag, part, ...(at < 0 ? [] : [String(at)])];
}
