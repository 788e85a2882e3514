import { pointer } from '../../json/index.ts';
import { heldUnder } from '../../lists/index.ts';
import type { Change } from '../../mod/edit.ts';
import type { Box, Model } from '../../mod/entries.schema.ts';
import type { Mod } from '../../mod/mod.schema.ts';
import { resolvedModelOf } from '../find.ts';
import { idOf } from '../../mod/names.ts';

type Own = Pick<Mod, 'header' | 'models'>;

/**
 * The boxes of a model of the mod, its own or those of its template, without the textures that
 * their slots are given. None where it does not resolve.
 */
export const boxesOf = (mod: Own, name: string): Box[] =>
  heldUnder(mod.models, name).boxes ??
  (resolvedModelOf(mod, idOf(mod.header.namespace, name))?.boxes ?? []).map((box) => ({
    ...box,
    sides: Object.fromEntries(
      Object.entries(box.sides).map(([side, { texture: _, ...made }]) => [side, made]),
    ),
  }));

/**
 * A model with these boxes for its own. Where it took them from a template it leaves that, and
 * keeps the textures that the template gave.
 */
export function modelWithBoxes(mod: Own, name: string, boxes: readonly Box[]): Model {
  const { template, slots, ...model } = heldUnder(mod.models, name);
  if (model.boxes !== undefined || template === undefined)
    return { ...heldUnder(mod.models, name), boxes: [...boxes] };
  const given =
    resolvedModelOf(mod, idOf(mod.header.namespace, name))?.slots ??
    new Map<string, string | undefined>();
  const filled = Object.fromEntries(
    [...given].flatMap(([slot, texture]) => (texture === undefined ? [] : [[slot, texture]])),
  );
  const all = { ...slots, ...filled };
  return { ...(Object.keys(all).length && { slots: all }), boxes: [...boxes] };
}

/** The change that gives a model these boxes: see {@link modelWithBoxes}. */
export const withBoxes = (mod: Own, name: string, boxes: readonly Box[]): Change => ({
  path: pointer(['models', name]),
  before: heldUnder(mod.models, name),
  after: modelWithBoxes(mod, name, boxes),
});
