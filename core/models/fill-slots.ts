import { pointer } from '../json/index.ts';
import { freeName } from '../lists/index.ts';
import {
  applyChanges,
  idOf,
  lookUp,
  ownName,
  shownNamed,
  stepsToShown,
  type Change,
  type Looks,
  type Mod,
} from '../mod/index.ts';

/** A slot of a model that a block shows. */
export interface SlotUse {
  model: string;
  slot: string;
}

/**
 * The changes that show a texture on slots of several models that a block shows: see
 * {@link fillSlots}. In one step with undo.
 */
export function showTexture(
  mod: Mod,
  block: string,
  uses: readonly SlotUse[],
  texture: string,
): Change[] {
  let changed = mod;
  return [...new Set(uses.map(({ model }) => model))].flatMap((model) => {
    const slots = uses.filter((use) => use.model === model).map(({ slot }) => slot);
    const changes = fillSlots(changed, block, model, slots, texture);
    changed = applyChanges(changed, changes);
    return changes;
  });
}

/**
 * The changes that show a texture on slots of a model that a block shows. A model of the mod gets
 * them itself, for everybody who shows it. A template stays as it is for others: the block gets a
 * model of its own that starts from it, named after the block, and its look shows that one instead.
 * Throws a RangeError when there is no such block.
 *
 * @example fillSlots(mod, 'kelp_crate', 'obrank:column', ['side'], 'saltmarsh:kelp')
 * // makes the model kelp_crate: { template: 'obrank:column', slots: { side: 'saltmarsh:kelp' } }
 */
export function fillSlots(
  mod: Mod,
  block: string,
  model: string,
  slots: readonly string[],
  texture: string,
): Change[] {
  const filled = Object.fromEntries(slots.map((slot) => [slot, texture]));
  const name = ownName(mod.header.namespace, model);
  const own = name === undefined ? undefined : lookUp(mod.models, name);
  if (own && name !== undefined)
    return [
      {
        path: pointer(['models', name, 'slots']),
        before: own.slots,
        after: { ...own.slots, ...filled },
      },
    ];
  return ownModelFor(mod, block, model, filled).changes;
}

/**
 * The changes that give a block a model of its own that starts from a template, named after the
 * block and shown in its place, and that model's name.
 */
export function ownModelFor(
  mod: Mod,
  block: string,
  template: string,
  slots: Readonly<Record<string, string>> = {},
): { changes: Change[]; model: string } {
  const shown = shownNamed(mod, block);
  if (!shown) throw new RangeError(`There is no block called ${block}.`);
  const { looks } = shown;
  const model = freeName(block, Object.keys(mod.models));
  const changes = [
    {
      path: pointer(['models', model]),
      after: { template, ...(Object.keys(slots).length && { slots: { ...slots } }) },
    },
    {
      path: pointer([...stepsToShown(block), 'looks', 'rows']),
      before: looks.rows,
      after: showing(looks.rows, template, idOf(mod.header.namespace, model)),
    },
  ];
  return { changes, model };
}

/** Rows in which one model is shown instead of another; rows without it stay the same objects. */
export function showing(rows: Looks['rows'], model: string, instead: string): Looks['rows'] {
  return rows.map((row) =>
    row.use.some((candidate) => candidate.model === model)
      ? {
          ...row,
          use: row.use.map((candidate) =>
            candidate.model === model ? { ...candidate, model: instead } : candidate,
          ),
        }
      : row,
  );
}
