import {
  resolveBlock,
  shownNamed,
  type Block,
  type Mod,
  type ResolvedBlock,
} from '../../../core/mod/index.ts';

/** The blocks, and the new looks, that name a model or one that starts from it. */
export function usersOf(mod: Mod, id: string): string[] {
  const { namespace } = mod.header;
  const ids = new Set([id]);
  // A set hears of what is put into it while it is walked, so templates of templates count.
  for (const one of ids)
    for (const [name, { template }] of Object.entries(mod.models))
      if (template === one) ids.add(`${namespace}:${name}`);
  return Object.entries({ ...mod.blocks, ...mod.newLooks })
    .filter(([, { looks }]) =>
      looks.rows.some(({ use }) => use.some(({ model }) => ids.has(model))),
    )
    .map(([name]) => name);
}

const nobody: Block = {
  identity: {},
  traits: { alphaMode: 'mask' },
  states: { properties: [] },
  looks: { mode: 'one-of', rows: [] },
  tags: [],
  names: {},
};

/**
 * A block that shows the model as it was made, front to the viewer: with the traits of the block
 * that it belongs to, if any.
 */
export function blockOfModel(mod: Mod, model: string, user: string | undefined): ResolvedBlock {
  const declared = (user === undefined ? undefined : shownNamed(mod, user)) ?? nobody;
  return resolveBlock(mod, user ?? 'model', {
    ...declared,
    states: { properties: [] },
    traits: { ...declared.traits, lightEmitted: 0 },
    looks: { mode: 'one-of', rows: [{ use: [{ model }] }] },
    shapes: undefined,
  });
}
