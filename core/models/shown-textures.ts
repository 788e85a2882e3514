import { freeName } from '../lists/index.ts';
import { pointer } from '../json/index.ts';
import {
  applyChanges,
  idOf,
  lookUp,
  ownName,
  shownNamed,
  type Change,
  type Looks,
  type Mod,
} from '../mod/index.ts';
import { fillSlots, ownModelFor } from './fill-slots.ts';
import { resolvedModelOf } from './find.ts';

/** The models that a block's looks, or a new look, name, each once. */
export function modelsShown(mod: Mod, block: string): string[] {
  const rows = shownNamed(mod, block)?.looks.rows ?? [];
  return [...new Set(rows.flatMap(({ use }) => use.map(({ model }) => model)))];
}

/** The slots of a model that show a texture; none where the model does not resolve. */
const slotsShowing = (mod: Mod, model: string, texture: string): string[] =>
  [...(resolvedModelOf(mod, model)?.slots ?? [])].flatMap(([slot, shown]) =>
    shown === texture ? [slot] : [],
  );

/**
 * The blocks, and the new looks, that show a texture on a model, in the order of the mod.
 *
 * @example blocksShowing(mod, 'saltmarsh:kelp') // ['kelp_crate', 'kelp_pane']
 */
export function blocksShowing(mod: Mod, texture: string): string[] {
  const known = new Map<string, boolean>();
  const shows = (model: string): boolean => {
    const before = known.get(model);
    if (before !== undefined) return before;
    const found = slotsShowing(mod, model, texture).length > 0;
    known.set(model, found);
    return found;
  };
  return [...Object.keys(mod.blocks), ...Object.keys(mod.newLooks)].filter((name) =>
    modelsShown(mod, name).some(shows),
  );
}

/** A look whose candidates that show a texture come first in their rows, the others as they were. */
export function showingFirst(mod: Mod, looks: Looks, texture: string): Looks {
  const shows = ({ model }: { model: string }): boolean =>
    slotsShowing(mod, model, texture).length > 0;
  return {
    ...looks,
    rows: looks.rows.map((row) => ({
      ...row,
      use: [...row.use.filter(shows), ...row.use.filter((candidate) => !shows(candidate))],
    })),
  };
}

/** Whether somebody else than a block names a model: another block, a new look, another model. */
const isShared = (mod: Mod, block: string, model: string): boolean =>
  Object.values(mod.models).some(({ template }) => template === model) ||
  [...Object.keys(mod.blocks), ...Object.keys(mod.newLooks)].some(
    (name) => name !== block && modelsShown(mod, name).includes(model),
  );

/**
 * The changes that give a block a picture of its own where it shows one with others: a copy under a
 * free name, and models of its own where it shares those. In one step with undo; also the name of
 * the copy. Throws a RangeError where the block does not show the texture.
 */
export function ownTextureFor(
  mod: Mod,
  block: string,
  texture: string,
): { changes: Change[]; name: string } {
  const from = ownName(mod.header.namespace, texture);
  const copied = from === undefined ? undefined : lookUp(mod.textures, from);
  const models = modelsShown(mod, block).filter((id) => slotsShowing(mod, id, texture).length);
  if (!copied || from === undefined || !models.length)
    throw new RangeError(`${block} does not show ${texture}.`);
  const wanted = `${block}_${from}`.replaceAll('/', '_');
  const name = freeName(
    lookUp(mod.textures, block) ? wanted : block.replaceAll('/', '_'),
    Object.keys(mod.textures),
  );
  const changes: Change[] = [{ path: pointer(['textures', name]), after: copied }];
  let changed = applyChanges(mod, changes);
  for (const model of models) {
    const id = idOf(mod.header.namespace, name);
    const slots = slotsShowing(changed, model, texture);
    const more = isShared(changed, block, model)
      ? ownModelFor(changed, block, model, Object.fromEntries(slots.map((slot) => [slot, id])))
          .changes
      : fillSlots(changed, block, model, slots, id);
    changes.push(...more);
    changed = applyChanges(changed, more);
  }
  return { changes, name };
}
