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
  type Strip,
  type Texture,
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

/** Every slot of every block, and of every new look, that has no texture, in the order of the mod. */
export const openSlots = (mod: Mod): OpenSlot[] =>
  [...Object.keys(mod.blocks), ...Object.keys(mod.newLooks)].flatMap((block) =>
    openSlotsOf(mod, block),
  );

function openSlotsOf(mod: Mod, block: string): OpenSlot[] {
  const found = new Map<string, OpenSlot>();
  for (const model of modelsShown(mod, block))
    for (const [slot, texture] of resolvedModelOf(mod, model)?.slots ?? []) {
      if (texture !== undefined) continue;
      const open = found.get(slot) ?? { block, slot, uses: [] };
      found.set(slot, { ...open, uses: [...open.uses, { model, slot }] });
    }
  return [...found.values()];
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
  const names = Object.keys(mod.textures);
  const byPlainName = new Map(names.map((name) => [plain(name), name]));
  const taken = [...names];
  const given = new Set<string>();
  return files.map((file): PictureGoal => {
    const wanted = nameFrom(file.replace(/\.[^.]*$/, '')) || 'texture';
    const replaced = byPlainName.get(wanted);
    if (replaced !== undefined && !given.has(replaced)) {
      given.add(replaced);
      return { kind: 'replace', name: replaced };
    }
    const name = freeName(wanted, taken);
    taken.push(name);
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
  /** Its timing, where it moves. */
  strip?: Strip;
}

/**
 * A texture with another picture: it keeps its strip where the new one brings none, and is no
 * longer what it was made from.
 */
export function replacedPicture(
  before: Texture | undefined,
  { picture, strip = before?.strip }: Pick<Texture, 'picture' | 'strip'>,
): Texture {
  return { picture, ...(strip && { strip }) };
}

/**
 * The changes that take pictures in, all in one step. A texture that is replaced keeps every
 * use and, where the new picture does not move, its strip. Goals that are no more (a slot filled meanwhile, a texture removed) give new
 * textures.
 */
export function takePictures(mod: Mod, arriving: readonly ArrivingPicture[]): Change[] {
  const taken = Object.keys(mod.textures);
  const changes: Change[] = [];
  // Blocks share models: each slot is filled in what the ones before have left.
  let changed = mod;
  for (const { goal, picture, strip } of arriving) {
    if (goal.kind === 'leave') continue;
    const before = lookUp(mod.textures, goal.name);
    if (goal.kind === 'replace' && before) {
      const path = pointer(['textures', goal.name]);
      changes.push({ path, before, after: replacedPicture(before, { picture, strip }) });
      continue;
    }
    const name = freeName(goal.name, taken);
    taken.push(name);
    changes.push({
      path: pointer(['textures', name]),
      after: { picture, ...(strip && { strip }) },
    });
    if (goal.kind !== 'fill') continue;
    const shown = filling(changed, goal, idOf(mod.header.namespace, name));
    changes.push(...shown);
    changed = applyChanges(changed, shown);
  }
  return changes;
}

/** The changes that show a texture on an open slot; none where it is open no more. */
function filling(
  mod: Mod,
  { block, slot }: Pick<OpenSlot, 'block' | 'slot'>,
  texture: string,
): Change[] {
  const open = openSlotsOf(mod, block).find((one) => one.slot === slot);
  return open ? showTexture(mod, block, open.uses, texture) : [];
}
