import {
  idOf,
  itselfAsDraws,
  lookUp,
  ownName,
  sameData,
  traitFacts,
  traitNames,
  type Block,
  type Mod,
  type Model,
  type NewLook,
} from '../../../mod/index.ts';
import { fromRows } from '../../../states/index.ts';
import type { BlockDocument, LookDocument } from '../format/index.ts';
import type { ReadPack } from '../read/index.ts';

/** What stands in for a model of which nothing is known; no file can be called so. */
export const standInName = '_unread';
export const standInModel: Model = { boxes: [] };

/** The blocks of a pack, by name; also those whose file could not be read. */
export function blocksOf(pack: ReadPack): Record<string, Block> {
  const { namespace } = pack.pack!.value;
  const unread = pack.unread.of('block');
  return Object.fromEntries([
    ...unread.map((name) => [name, blockOf(pack, namespace, name, undefined)] as const),
    ...[...pack.blocks].map(
      ([name, { value }]) => [name, blockOf(pack, namespace, name, value)] as const,
    ),
  ]);
}

function blockOf(
  pack: ReadPack,
  namespace: string,
  name: string,
  rules: BlockDocument | undefined,
): Block {
  const look = pack.looks.get(name)?.value;
  const states = { properties: rules?.properties ?? [], placing: rules?.placement ?? [] };
  return {
    identity: identityOf(pack, namespace, name),
    traits: { ...traitsOf(rules), ...displayOf(look) },
    states,
    looks: look
      ? { mode: look.mode, rows: look.rows }
      : { mode: 'one-of', rows: [{ use: [{ model: `${namespace}:${standInName}` }] }] },
    shapes: rules && { collision: rules.collision, outline: rules.outline },
    loot: lootOf(pack, namespace, name, states),
    reactions: rules?.reactions,
    tags: [],
    names: namesOf(pack, `block.${name}`),
  };
}

function identityOf(pack: ReadPack, namespace: string, name: string): Block['identity'] {
  const item = pack.items.get(name)?.value;
  if (!item) {
    const isHeld = pack.isForServers || pack.unread.has('item', name);
    return { item: isHeld ? 'block' : 'none' };
  }
  const { form, group, model, texture: picture, poses } = item;
  const held = (model ?? picture ?? poses) ? { held: { model, picture, poses } } : {};
  return {
    item: form,
    group: group === undefined ? undefined : (ownName(namespace, group) ?? group),
    ...held,
  };
}

/** The traits that the file of rules says; one that it leaves out has its default. */
function traitsOf(rules: BlockDocument | undefined): Block['traits'] {
  if (!rules) return {};
  const values = rules as Record<string, unknown>;
  const said = traitNames.filter(
    (name) => traitFacts(name).pack === 'block' && values[name] !== undefined,
  );
  return {
    ...Object.fromEntries(
      said.map((name) => [
        name,
        traitFacts(name).byState ? fromRows(values[name] as never) : values[name],
      ]),
    ),
    toolKind: rules.tool?.kind ?? 'none',
    leastGrade: rules.tool?.leastGrade ?? 0,
  };
}

const displayOf = (look: LookDocument | undefined): Block['traits'] =>
  look
    ? Object.fromEntries(
        Object.entries<unknown>(look.display).filter(([, value]) => value !== undefined),
      )
    : {};

/**
 * Draws that are none say that the block drops nothing, the usual ones that it drops itself; no file
 * says nothing.
 */
function lootOf(
  pack: ReadPack,
  namespace: string,
  name: string,
  states: Block['states'],
): Block['loot'] {
  const draws = pack.loot.get(name)?.value.draws;
  if (draws && sameData(draws, itselfAsDraws(idOf(namespace, name), states))) return 'itself';
  if (draws) return draws.length ? { draws } : 'nothing';
  return pack.unread.has('loot', name) ? 'nothing' : undefined;
}

/** The names that the language files have under a key. */
export const namesOf = (pack: ReadPack, key: string): Record<string, string> =>
  Object.fromEntries(
    [...pack.words].flatMap(([language, { value }]) => {
      const text = lookUp(value.texts, key);
      return text === undefined ? [] : [[language, text]];
    }),
  );

/** The looks that the pack gives to blocks of other mods. */
export const newLooksOf = ({ newLooks }: ReadPack): Mod['newLooks'] =>
  Object.fromEntries(
    [...newLooks].map(([name, { value }]): [string, NewLook] => {
      const { properties, placement: placing, tint, mode, rows } = value;
      return [
        name,
        {
          ...(properties && { states: { properties, ...(placing && { placing }) } }),
          ...(tint !== undefined && { tint }),
          looks: { mode, rows },
        },
      ];
    }),
  );
