import { stateShowing } from '../../../core/draw/index.ts';
import { pointer } from '../../../core/json/index.ts';
import { showingFirst } from '../../../core/models/index.ts';
import { freeName } from '../../../core/lists/index.ts';
import {
  applyChanges,
  idOf,
  resolveBlock,
  shownNamed,
  type Mod,
  type ResolvedBlock,
} from '../../../core/mod/index.ts';

/** What stands beside a picture: a block in a state that shows it, and the mod to draw it from. */
export interface Beside {
  mod: Mod;
  block: ResolvedBlock;
  state: number;
  /** Whether no block shows the picture, and a plain cube stands in. */
  isStandIn: boolean;
}

/**
 * The block that is asked for, in a state that shows the picture; a plain cube that shows it on all
 * sides where there is none.
 */
export function standBeside(mod: Mod, texture: string, block: string | undefined): Beside {
  const declared = block === undefined ? undefined : shownNamed(mod, block);
  if (block !== undefined && declared) {
    const looks = showingFirst(mod, declared.looks, texture);
    const resolved = resolveBlock(mod, block, { ...declared, looks });
    const state = stateShowing(mod, resolved, texture) ?? 0;
    return { mod, block: resolved, state, isStandIn: false };
  }
  return standIn(mod, texture);
}

/** A cube of the mod that is nowhere but here. */
function standIn(mod: Mod, texture: string): Beside {
  const name = freeName('plain_cube', [...Object.keys(mod.models), ...Object.keys(mod.blocks)]);
  const model = idOf(mod.header.namespace, name);
  const shown = applyChanges<Mod>(mod, [
    {
      path: pointer(['models', name]),
      after: { template: 'obrank:cube', slots: { face: texture } },
    },
  ]);
  const block = resolveBlock(shown, name, {
    identity: {},
    traits: { alphaMode: 'blend', hidesNeighbours: 'never' },
    states: { properties: [] },
    looks: { mode: 'one-of', rows: [{ use: [{ model }] }] },
    tags: [],
    names: {},
  });
  return { mod: shown, block, state: 0, isStandIn: true };
}
