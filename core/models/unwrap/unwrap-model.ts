import { pointer } from '../../json/index.ts';
import { freeName, heldUnder } from '../../lists/index.ts';
import type { Change } from '../../mod/edit.ts';
import type { Box, Model, Picture } from '../../mod/entries.schema.ts';
import type { Mod } from '../../mod/mod.schema.ts';
import { lookUp } from '../../json/index.ts';
import { idOf, ownName } from '../../mod/names.ts';
import { frameSize } from '../../textures/strip.ts';
import type { Pixels } from '../../textures/png.ts';
import { boxesOf, modelWithBoxes } from '../boxes/own.ts';
import { resolvedModelOf, textureSizes } from '../find.ts';
import { bakeUnwrapped } from './bake.ts';
import { sheetSlot } from './sheet.ts';
import { placesShownBy } from './shown-places.ts';
import { unwrapBoxes } from './unwrap.ts';

/** A model that was unwrapped: its picture, and what puts both into the mod. */
export interface UnwrappedModel {
  pixels: Pixels;
  /** The changes in one step, once the picture is kept somewhere. */
  changes: (picture: Picture) => Change[];
}

interface UnwrapModelOptions {
  /** The longest side that the picture may have. */
  most: number;
  pixelsOf: (texture: string) => Pixels | undefined;
  /** The boxes as they were when all was well: what was there before keeps its place. */
  before?: readonly Box[];
}

/**
 * Gives every side of a model of the mod a place of its own on one picture, and paints there what
 * the side shows now. Where the model was unwrapped before, its picture is gone on with, and what
 * is painted stays where it is; places that other models show of it are left alone. Slots that no
 * side shows any more go. Throws a RangeError when the picture would be larger than allowed, or
 * when the model leads nowhere.
 *
 * @example unwrapModel(mod, 'rack', { most: 512, pixelsOf }).pixels.width // 64
 */
export function unwrapModel(mod: Mod, name: string, options: UnwrapModelOptions): UnwrappedModel {
  const { namespace, texels } = mod.header;
  const before = resolvedModelOf(mod, idOf(namespace, name));
  if (!before) throw new RangeError(`The model ${name} leads to no boxes.`);
  const boxes = boxesOf(mod, name);
  const slot = sheetSlot(boxes);
  const shown = before.slots.get(slot);
  const own = shown === undefined ? undefined : ownName(namespace, shown);
  const held = own === undefined ? undefined : lookUp(mod.textures, own);
  // A strip is no sheet: it stays as it is for whoever shows it.
  const sheet = held && !held.strip && own !== undefined ? { name: own, texture: held } : undefined;
  const after = unwrapBoxes(boxes, {
    slot,
    texels,
    most: options.most,
    ...(sheet && { least: frameSize(sheet.texture) }),
    ...(sheet && shown !== undefined && { taken: placesShownBy(mod, shown, name) }),
    ...(options.before && { before: options.before }),
  });
  const pixels = bakeUnwrapped({
    before,
    after,
    texels,
    sizeOf: textureSizes(mod),
    pixelsOf: options.pixelsOf,
    ...(sheet && shown !== undefined && { base: options.pixelsOf(shown) }),
  });
  const texture = sheet?.name ?? freeName(name, Object.keys(mod.textures));
  const model = withSheet(modelWithBoxes(mod, name, after.boxes), slot, idOf(namespace, texture));
  return {
    pixels,
    changes: (picture) => [
      { path: pointer(['textures', texture]), before: sheet?.texture, after: { picture } },
      { path: pointer(['models', name]), before: heldUnder(mod.models, name), after: model },
    ],
  };
}

/** A model with a slot filled, and without the slots that none of its sides shows. */
function withSheet(model: Model, slot: string, texture: string): Model {
  const used = new Set(
    (model.boxes ?? []).flatMap((box) => Object.values(box.sides).map((made) => made.slot)),
  );
  const slots = Object.entries({ ...model.slots, [slot]: texture });
  return { ...model, slots: Object.fromEntries(slots.filter(([one]) => used.has(one))) };
}
