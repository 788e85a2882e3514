import { templateNamed } from '../../../models/index.ts';
import type { Files } from '../../../bytes/index.ts';
import type { IsMeant } from '../../../reactions/index.ts';
import type { PlainBox } from '../../../space/index.ts';
import { encoderOf, StateSpace } from '../../../states/index.ts';
import type { PackWorld, YardBlock } from '../../../yard/index.ts';
import { readPack, type ReadPack } from '../read/index.ts';
import { stockBlocks, stockModel } from './stock.ts';
import { viewOf } from './view.ts';

/** A pack as the Yard has it: its world, how it is called, and what was refused of it. */
export interface LoadedPack {
  world: PackWorld;
  title: string;
  version: string;
  /** What was refused and why, in sentences with the file and its line. */
  log: string[];
  /** The languages that it has words in, and the one that things are called in here. */
  languages: readonly string[];
  language: string | undefined;
}

/**
 * Loads a pack from its files alone, with its words in a language that it has, or in its first.
 * Whatever cannot be read is refused and told; the rest is there.
 *
 * @example loadPack(files).log // ['rules/blocks/brine.json:3:1: It cannot be read as JSON …']
 */
export function loadPack(files: Files, wanted?: string): LoadedPack {
  const read = readPack(files);
  const { title = 'A pack without a name', version = '', languages = [] } = read.pack?.value ?? {};
  const language = languages.find((one) => one === wanted) ?? languages[0];
  const log = read.problems.map(
    ({ file, place, message }) => `${file}:${place.line}:${place.column}: ${message}`,
  );
  return { world: worldFrom(read, language), title, version, log, languages, language };
}

/** What counts where a pack does not say it. */
const usual = { texels: 16, tickRate: 20 };

/**
 * What a pack says of a world: its fluids, blocks, loot, tools, looks and words, each from its file.
 *
 * @example worldFrom(readPack(files)).fluids.get('saltmarsh:brine')?.reach // 6
 */
export function worldFrom(pack: ReadPack, language?: string): PackWorld {
  const { texels, tickRate } = pack.pack?.value ?? usual;
  const { kinds = {}, grades = [] } = pack.tools?.value ?? {};
  const stock = stockBlocks().map((block) => newlyLooking(pack, block, texels));
  return {
    namespace: pack.pack?.value.namespace ?? '',
    texels,
    tickRate,
    stock: new Set(stock.map(({ id }) => id)),
    view: viewOf(pack),
    fluids: new Map([...pack.fluids.values()].map(({ value }) => [value.id, value])),
    blocks: new Map([...stock, ...blocksOf(pack)].map((block) => [block.id, block])),
    tools: { kinds: Object.keys(kinds), grades },
    tables: new Map([...pack.lootTables.values()].map(({ value }) => [value.id, value.draws])),
    codeOf: codesOf(pack),
    text: textsOf(pack, language),
    standIns: standInsOf(pack),
    flawsOfModel: (model) => flawsOf(pack, model),
    isMeant: meantIn(pack),
  };
}

/** A stock material as this pack shows it; its shapes in the texels of the pack. */
function newlyLooking({ newLooks }: ReadPack, block: YardBlock, texels: number): YardBlock {
  const cube: PlainBox = { at: [0, 0, 0], size: [texels, texels, texels] };
  const shapes = { collision: [{ value: [cube] }], outline: [{ value: [cube] }] };
  const found = [...newLooks.values()].find(({ value }) => value.block === block.id)?.value;
  if (!found || !block.look) return { ...block, ...shapes };
  return { ...block, ...shapes, look: { ...block.look, mode: found.mode, rows: found.rows } };
}

function* blocksOf({ blocks, loot, looks }: ReadPack): Generator<YardBlock> {
  const draws = new Map([...loot.values()].map(({ value }) => [value.block, value.draws]));
  const seen = new Map([...looks.values()].map(({ value }) => [value.block, value]));
  for (const { value } of blocks.values()) {
    const { id, properties, reactions = [], ...rest } = value;
    yield {
      ...rest,
      id,
      space: new StateSpace(properties),
      reactions,
      draws: draws.get(id),
      look: seen.get(id),
    };
  }
}

/** A block without codes is stored by mixed radix over its properties, which its number is. */
function codesOf({ registry, blocks }: ReadPack): PackWorld['codeOf'] {
  const known = new Map<string, ArrayLike<number>>();
  return (id, state) => {
    const codes = registry?.value.entries.find(
      (one) => one.kind === 'block' && one.id === id,
    )?.codes;
    const properties = [...blocks.values()].find(({ value }) => value.id === id)?.value.properties;
    if (!codes || !properties) return state;
    const found = known.get(id) ?? encoderOf(codes, new StateSpace(properties));
    known.set(id, found);
    return found[state] ?? -1;
  };
}

/** A text that a language does not have is taken from the first one of the pack. */
function textsOf(
  { words, pack }: ReadPack,
  wanted: string | undefined,
): (key: string) => string | undefined {
  const inOrder = [wanted, pack?.value.languages[0]].map(
    (language) =>
      [...words.values()].find(({ value }) => value.language === language)?.value.texts ?? {},
  );
  return (key) => inOrder.find((texts) => Object.hasOwn(texts, key))?.[key];
}

/** Names that saved worlds may hold, and what stands for them now. */
function standInsOf({ registry }: ReadPack): PackWorld['standIns'] {
  const { entries = [], retired = [] } = registry?.value ?? {};
  return new Map([
    ...entries.flatMap(({ kind, id, formerly = [] }) =>
      formerly.map((name): [string, string] => [`${kind} ${name}`, id]),
    ),
    ...retired.flatMap(({ kind, id, successor }): [string, string][] =>
      successor === undefined ? [] : [[`${kind} ${id}`, successor]],
    ),
  ]);
}

/** What does not resolve in a model of the pack; others' models cannot be judged from it. */
function flawsOf({ pack, models, textures }: ReadPack, id: string): string[] {
  const own = (one: string): string | undefined => {
    const [namespace, name] = one.split(':');
    return namespace === pack?.value.namespace ? name : undefined;
  };
  const isMissing = (one: string, known: { has: (name: string) => boolean }): boolean => {
    const name = own(one);
    return name !== undefined && !known.has(name);
  };
  const flaws: string[] = [];
  const seen = new Set<string>();
  let next: string | undefined = id;
  while (next !== undefined && !seen.has(next)) {
    const at: string = next;
    seen.add(at);
    if (isMissing(at, models)) flaws.push(`The model ${at} is not there: it is a marker.`);
    if (at.startsWith('obrank:') && !templateNamed(at) && !stockModel(at))
      flaws.push(`There is no template ${at}: it is a marker.`);
    const model = models.get(own(at) ?? '')?.value;
    for (const texture of Object.values(model?.slots ?? {}))
      if (isMissing(texture, textures))
        flaws.push(`The picture ${texture} of the model ${at} is not there: it is a marker.`);
    next = model?.template;
  }
  return flaws;
}

function meantIn({ blockTags, itemTags }: ReadPack): IsMeant {
  const members = new Map<string, Set<string>>();
  for (const { value } of [...blockTags.values(), ...itemTags.values()]) {
    const list = members.get(value.id) ?? new Set();
    for (const member of value.members) list.add(member);
    members.set(value.id, list);
  }
  const isIn = (tag: string, id: string, seen: Set<string>): boolean => {
    if (seen.has(tag)) return false;
    seen.add(tag);
    return [...(members.get(tag) ?? [])].some((member) =>
      member.startsWith('#') ? isIn(member.slice(1), id, seen) : member === id,
    );
  };
  return (meant, id) =>
    meant.startsWith('#') ? isIn(meant.slice(1), id, new Set()) : meant === id;
}
