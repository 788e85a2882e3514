import { pointer } from '../json/index.ts';
import { freeName } from '../lists/index.ts';
import {
  applyChanges,
  idOf,
  lookUp,
  nameFrom,
  type Change,
  type Mod,
  type Picture,
} from '../mod/index.ts';
import { showTexture, type SlotUse } from './fill-slots.ts';
import { resolvedModelOf } from './find.ts';
import { modelsShown } from './shown-textures.ts';

/** What becomes of a picture that comes in. */
export type PictureGoal =
  /** A new texture that nobody shows yet. */
  | { kind: 'new'; name: string }
  /** It takes the place of the picture of a texture; everybody who shows that shows it. */
  | { kind: 'replace'; name: string }
  /** A new texture that fills open slots of a block's models. */
  | { kind: 'fill'; name: string; block: string; slot: string }
  | { kind: 'leave' };

/** An open slot of a block: on each of its models that has it. */
export interface OpenSlot {
  block: string;
  slot: string;
  uses: SlotUse[];
}

/** Every slot of every block that has no texture, in the order of the mod. */
export function openSlots(mod: Mod): OpenSlot[] {
  return [...Object.keys(mod.blocks), ...Object.keys(mod.newLooks)].flatMap((block) => {
    const found = new Map<string, OpenSlot>();
    for (const model of modelsShown(mod, block))
      for (const [slot, texture] of resolvedModelOf(mod, model)?.slots ?? []) {
        if (texture !== undefined) continue;
        const open = found.get(slot) ?? { block, slot, uses: [] };
        found.set(slot, { ...open, uses: [...open.uses, { model, slot }] });
      }
    return [...found.values()];
  });
}

/** A name as it is compared: folders and words run together. */
const plain = (name: string): string => name.replaceAll(/[^a-z0-9]+/g, '_');

/**
 * What most likely is meant to become of picture files, by their names: the picture of the texture
 * that is called so; for an open slot, where the block and the slot are named, or the block alone
 * has one; else a new texture. No two files get the same place.
 *
 * @example matchPictures(mod, ['oven_front.png']) // [{ kind: 'replace', name: 'oven/front' }]
 */
export function matchPictures(mod: Mod, files: readonly string[]): PictureGoal[] {
  const slots = openSlots(mod);
  const taken = new Set(Object.keys(mod.textures));
  const given = new Set<string>();
  return files.map((file): PictureGoal => {
    const wanted = nameFrom(file.replace(/\.[^.]*$/, '')) || 'texture';
    const replaced = [...Object.keys(mod.textures)].find((name) => plain(name) === wanted);
    if (replaced !== undefined && !given.has(replaced)) {
      given.add(replaced);
      return { kind: 'replace', name: replaced };
    }
    const name = freeName(wanted, [...taken]);
    taken.add(name);
    const slot = slotMeant(slots, wanted);
    const place = slot && `${slot.block} ${slot.slot}`;
    if (!slot || place === undefined || given.has(place)) return { kind: 'new', name };
    given.add(place);
    return { kind: 'fill', name, block: slot.block, slot: slot.slot };
  });
}

/** The open slot that a name speaks of: `kelp_crate_top`, or `kelp_crate` where it has one alone. */
function slotMeant(slots: readonly OpenSlot[], wanted: string): OpenSlot | undefined {
  const both = slots.find(({ block, slot }) => `${plain(block)}_${plain(slot)}` === wanted);
  if (both) return both;
  const own = slots.filter(({ block }) => plain(block) === wanted);
  return own.length === 1 ? own[0] : undefined;
}

/** A picture that has come in, and what is to become of it. */
export interface ArrivingPicture {
  goal: PictureGoal;
  picture: Picture;
}

/**
 * The changes that take pictures in, all in one step. A texture that is replaced keeps its strip
 * and every use. Goals that are no more (a slot filled meanwhile, a texture removed) give new
 * textures.
 */
export function takePictures(mod: Mod, arriving: readonly ArrivingPicture[]): Change[] {
  const changes: Change[] = [];
  let changed = mod;
  for (const { goal, picture } of arriving) {
    const more = changesOf(changed, goal, picture);
    changes.push(...more);
    changed = applyChanges(changed, more);
  }
  return changes;
}

function changesOf(mod: Mod, goal: PictureGoal, picture: Picture): Change[] {
  if (goal.kind === 'leave') return [];
  const before = lookUp(mod.textures, goal.name);
  if (goal.kind === 'replace' && before)
    return [{ path: pointer(['textures', goal.name]), before, after: { ...before, picture } }];
  const name = freeName(goal.name, Object.keys(mod.textures));
  const texture: Change = { path: pointer(['textures', name]), after: { picture } };
  const slot =
    goal.kind === 'fill' &&
    openSlots(mod).find((open) => open.block === goal.block && open.slot === goal.slot);
  if (!slot) return [texture];
  const shown = showTexture(mod, slot.block, slot.uses, idOf(mod.header.namespace, name));
  return [texture, ...shown];
}
