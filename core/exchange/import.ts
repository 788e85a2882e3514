import { freeName } from '../lists/index.ts';
import { mostBoxes, nameFrom, type Box, type BoxSide } from '../mod/index.ts';
import { sides, type Vec3 } from '../space/index.ts';
import { count } from '../words/index.ts';
import { looseParts, recogniseBox, sideFromUv, type ReadBox } from './recognise.ts';
import type { Material, Part, ReadScene } from './scene.ts';

/** A slot of what was read: its name, and the picture for it where there is one. */
export interface ReadSlot {
  slot: string;
  picture: Material['picture'];
}

/** Boxes out of a file, the slots that they show, and what was left out, in sentences. */
export interface ReadModel {
  boxes: Box[];
  slots: ReadSlot[];
  notes: string[];
}

/** How long a unit of the file is: a block, or a texel. */
export type FileUnit = 'block' | 'texel';

interface ImportOptions {
  texels: number;
  unit: FileUnit;
  /** Width and height of a picture; undefined where it cannot be read. */
  sizeOf: (picture: Uint8Array) => { width: number; height: number } | undefined;
}

/** The unit that a file seems to be in: one that is wider than four blocks is in texels. */
export function likelyUnit({ parts }: ReadScene): FileUnit {
  let reach = 0;
  for (const { faces } of parts)
    for (const { corners } of faces)
      for (const { at } of corners)
        for (const value of at) reach = Math.max(reach, Math.abs(value));
  return reach > 4 ? 'texel' : 'block';
}

/**
 * The boxes of a scene that was read: each part that is a box, or falls into boxes. What is none is
 * left out and said, with the reason.
 *
 * @example modelOfScene(readGltf(bytes, 'rack', beside), { texels: 16, unit: 'block', sizeOf })
 */
export function modelOfScene(scene: ReadScene, options: ImportOptions): ReadModel {
  const { texels, unit } = options;
  const scale = unit === 'block' ? texels : 1;
  const middle = texels / 2;
  const place = ([x, y, z]: Vec3): Vec3 => [x * scale + middle, y * scale, z * scale + middle];
  const slots = slotNames(scene.materials);
  const notes = [...scene.notes];
  const boxes: Box[] = [];
  const leftOut = new Map<string, string[]>();
  const names: string[] = [];
  const sizes = scene.materials.map(
    ({ picture }) =>
      (picture && options.sizeOf(picture.bytes)) ?? { width: texels, height: texels },
  );
  let skewed = 0;
  const add = (part: Part, read: ReadBox) => {
    const name = freeName(nameFrom(part.name) || 'box', names);
    names.push(name);
    const made: Partial<Record<string, BoxSide>> = {};
    for (const side of sides) {
      const shown = read.sides[side];
      if (!shown) continue;
      const slot = slots[shown.material] ?? 'face';
      const size = sizes[shown.material] ?? { width: texels, height: texels };
      const found = sideFromUv(shown, slot, read, side, texels, size);
      if (!found) skewed += 1;
      made[side] = found ?? { slot };
    }
    const group = part.group === undefined ? '' : nameFrom(part.group);
    boxes.push({
      name,
      ...(group && { group }),
      at: read.at,
      size: read.size,
      ...(read.spin && { spin: read.spin }),
      sides: made,
    });
  };
  for (const part of scene.parts) {
    if (boxes.length >= mostBoxes) {
      notes.push(`Only the first ${mostBoxes} boxes are taken over.`);
      break;
    }
    const whole = recogniseBox(part, place);
    if (typeof whole !== 'string') {
      add(part, whole);
      continue;
    }
    const loose = part.faces.length > 12 ? looseParts(part) : [];
    const read = loose.map((one) => ({ one, box: recogniseBox(one, place) }));
    for (const { one, box } of read) if (typeof box !== 'string') add(one, box);
    const failed = read.flatMap(({ box }) => (typeof box === 'string' ? [box] : []));
    if (!read.length || failed.length) {
      const reason = failed[0] ?? whole;
      leftOut.set(reason, [...(leftOut.get(reason) ?? []), part.name]);
    }
  }
  for (const [reason, parts] of leftOut)
    notes.push(
      `${count(parts.length, 'part')} left out, since ${reason}: ${parts.slice(0, 5).join(', ')}` +
        `${parts.length > 5 ? ' and others' : ''}.`,
    );
  if (skewed)
    notes.push(
      `${count(skewed, 'side shows', 'sides show')} a skewed part of the picture, which a box cannot.`,
    );
  const used = new Set(boxes.flatMap((box) => Object.values(box.sides).map((made) => made.slot)));
  return {
    boxes: boxes.slice(0, mostBoxes),
    slots: scene.materials.flatMap(({ picture }, i) => {
      const slot = slots[i] ?? 'face';
      return used.has(slot) ? [{ slot, picture }] : [];
    }),
    notes,
  };
}

/** A slot for each material, named after it. */
function slotNames(materials: readonly Material[]): string[] {
  const names: string[] = [];
  for (const { name } of materials)
    names.push(freeName(nameFrom(name.split(/[/:]/).at(-1) ?? '') || 'face', names));
  return names;
}
