import { pointer } from '../json/index.ts';
import { freeName, heldUnder } from '../lists/index.ts';
import {
  applyChanges,
  idOf,
  lookUp,
  ownName,
  shownNamed,
  stepsToShown,
  type Change,
  type Mod,
} from '../mod/index.ts';
import { showing } from './fill-slots.ts';
import { modelsShown } from './shown-textures.ts';

/** The mod's own models that a block shows, by their ids, each with the others that show it too. */
export function sharedModels(mod: Mod, block: string): Map<string, string[]> {
  const shared = new Map<string, string[]>();
  const own = new Set(
    modelsShown(mod, block).filter((id) => ownName(mod.header.namespace, id) !== undefined),
  );
  for (const other of [...Object.keys(mod.blocks), ...Object.keys(mod.newLooks)]) {
    if (other === block) continue;
    for (const id of modelsShown(mod, other))
      if (own.has(id)) shared.set(id, [...(shared.get(id) ?? []), other]);
  }
  return shared;
}

/**
 * The changes that give a block models of its own where it shows some together with others: copies
 * named after the block, which its look and its item form show in their place. Their pictures stay
 * those of the others. Empty where nothing is shared.
 *
 * @example ownModelsFor(mod, 'kelp_crate') // adds the model kelp_crate_lid, a copy of crate/lid
 */
export function ownModelsFor(mod: Mod, block: string): Change[] {
  const { namespace } = mod.header;
  const changes: Change[] = [];
  let changed = mod;
  const add = (...more: Change[]) => {
    changes.push(...more);
    changed = applyChanges(changed, more);
  };
  for (const id of sharedModels(mod, block).keys()) {
    const from = ownName(namespace, id) ?? id;
    const wanted = `${block}_${from.slice(from.lastIndexOf('/') + 1)}`.replaceAll('/', '_');
    const name = freeName(wanted, Object.keys(changed.models));
    const rows = shownNamed(changed, block)?.looks.rows ?? [];
    add(
      { path: pointer(['models', name]), after: heldUnder(mod.models, from) },
      {
        path: pointer([...stepsToShown(block), 'looks', 'rows']),
        before: rows,
        after: showing(rows, id, idOf(namespace, name)),
      },
    );
    if (lookUp(changed.blocks, block)?.identity.held?.model === id)
      add({
        path: pointer(['blocks', block, 'identity', 'held', 'model']),
        before: id,
        after: idOf(namespace, name),
      });
  }
  return changes;
}
