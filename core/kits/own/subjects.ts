import type { KitSubject } from '../../mod/index.ts';
import type { ModModel } from './model/schema.ts';

/** One thing that a file is written for: what its template is given, and how sentences call it. */
export interface Subject {
  own: Readonly<Record<string, unknown>>;
  called: string;
  /** The picture or sound that it is, by its SHA-256. */
  sha256?: string | undefined;
}

type Lists = { [Kind in KitSubject]: (mod: ModModel) => Subject[] };

const named = (kind: string, list: readonly { name: string }[]): Subject[] =>
  list.map((item) => ({ own: { [kind]: item }, called: `${kind} ${item.name}` }));

const withBytes = (kind: string, list: readonly { name: string; sha256: string }[]): Subject[] =>
  list.map((item) => ({
    own: { [kind]: item },
    called: `${kind} ${item.name}`,
    sha256: item.sha256,
  }));

const lists: Lists = {
  mod: () => [{ own: {}, called: 'the mod' }],
  group: ({ groups }) => named('group', groups),
  block: ({ blocks }) => named('block', blocks),
  state: ({ blocks }) => blocks.flatMap(statesOf),
  fluid: ({ fluids }) => named('fluid', fluids),
  item: ({ items }) => named('item', items),
  model: ({ models }) => named('model', models),
  texture: ({ textures }) => withBytes('texture', textures),
  sound: ({ sounds }) => withBytes('sound', sounds),
  loot: ({ loot }) => named('loot', loot),
  tag: ({ tags }) => named('tag', tags),
  recipe: ({ recipes }) => named('recipe', recipes),
  language: ({ texts }) =>
    texts.map((language) => ({ own: { language }, called: `language ${language.tag}` })),
};

const statesOf = (block: ModModel['blocks'][number]): Subject[] =>
  block.states.map((state) => ({
    own: { block, state },
    called: `block ${block.name}${state.key ? ` with ${state.key}` : ''}`,
  }));

/** Everything of a mod that a file is written for. */
export const subjectsOf = (kind: KitSubject, mod: ModModel): Subject[] => lists[kind](mod);

/** The kinds of files that can follow from one block alone. */
const ofBlocks: ReadonlySet<KitSubject> = new Set(['block', 'state', 'loot', 'item', 'model']);

/**
 * The same for one block alone: itself, its states, its loot, its item and the models that it shows.
 * Nothing of a kind that no block brings along.
 */
export function subjectsOfBlock(kind: KitSubject, mod: ModModel, name: string): Subject[] {
  const block = mod.blocks.find((one) => one.name === name);
  if (!block || !ofBlocks.has(kind)) return [];
  if (kind === 'block') return named(kind, [block]);
  if (kind === 'state') return statesOf(block);
  if (kind === 'loot')
    return named(
      kind,
      mod.loot.filter((loot) => loot.block === block.id),
    );
  if (kind === 'item')
    return named(
      kind,
      mod.items.filter((item) => item.block === block.id),
    );
  const shown = new Set(block.look.rows.flatMap(({ use }) => use.map(({ model }) => model)));
  return named(
    kind,
    mod.models.filter((model) => shown.has(model.id)),
  );
}
