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
  const taking = new Taking(scene, options);
  for (const part of scene.parts) taking.take(part);
  const { boxes, slots } = taking;
  const used = new Set(boxes.flatMap((box) => Object.values(box.sides).map((made) => made.slot)));
  return {
    boxes,
    slots: scene.materials.flatMap(({ picture }, i) => {
      const slot = slots[i] ?? 'face';
      return used.has(slot) ? [{ slot, picture }] : [];
    }),
    notes: [...scene.notes, ...taking.notes()],
  };
}

/** Boxes as they are taken over from parts, and what is left out on the way. */
class Taking {
  readonly boxes: Box[] = [];
  readonly slots: string[];
  private readonly sizes: { width: number; height: number }[];
  private readonly names: string[] = [];
  private readonly leftOut = new Map<string, string[]>();
  private skewed = 0;
  private isFull = false;
  private readonly options: ImportOptions;

  constructor({ materials }: ReadScene, options: ImportOptions) {
    const { texels, sizeOf } = options;
    this.options = options;
    this.slots = slotNames(materials);
    this.sizes = materials.map(
      ({ picture }) => (picture && sizeOf(picture.bytes)) ?? { width: texels, height: texels },
    );
  }

  /** Takes a part as a box or, where it is none, the boxes into which it falls. */
  take(part: Part): void {
    const whole = recogniseBox(part, this.place);
    if (typeof whole !== 'string') {
      this.add(part, whole);
      return;
    }
    const loose = part.faces.length > 12 ? looseParts(part) : [];
    const read = loose.map((one) => ({ one, box: recogniseBox(one, this.place) }));
    for (const { one, box } of read) if (typeof box !== 'string') this.add(one, box);
    const failed = read.flatMap(({ box }) => (typeof box === 'string' ? [box] : []));
    if (read.length && !failed.length) return;
    const reason = failed[0] ?? whole;
    this.leftOut.set(reason, [...(this.leftOut.get(reason) ?? []), part.name]);
  }

  /** What was left out, in sentences. */
  notes(): string[] {
    const notes = this.isFull ? [`Only the first ${mostBoxes} boxes are taken over.`] : [];
    for (const [reason, parts] of this.leftOut)
      notes.push(
        `${count(parts.length, 'part')} left out, since ${reason}: ` +
          `${parts.slice(0, 5).join(', ')}${parts.length > 5 ? ' and others' : ''}.`,
      );
    if (this.skewed)
      notes.push(
        `${count(this.skewed, 'side shows', 'sides show')} a skewed part of the picture, which a ` +
          'box cannot.',
      );
    return notes;
  }

  private readonly place = ([x, y, z]: Vec3): Vec3 => {
    const { texels, unit } = this.options;
    const scale = unit === 'block' ? texels : 1;
    return [x * scale + texels / 2, y * scale, z * scale + texels / 2];
  };

  private add(part: Part, read: ReadBox): void {
    if (this.boxes.length >= mostBoxes) {
      this.isFull = true;
      return;
    }
    const name = freeName(nameFrom(part.name) || 'box', this.names);
    this.names.push(name);
    const group = part.group === undefined ? '' : nameFrom(part.group);
    this.boxes.push({
      name,
      ...(group && { group }),
      at: read.at,
      size: read.size,
      ...(read.spin && { spin: read.spin }),
      sides: this.sidesOf(read),
    });
  }

  private sidesOf(read: ReadBox): Box['sides'] {
    const { texels } = this.options;
    const made: Partial<Record<string, BoxSide>> = {};
    for (const side of sides) {
      const shown = read.sides[side];
      if (!shown) continue;
      const slot = this.slots[shown.material] ?? 'face';
      const size = this.sizes[shown.material] ?? { width: texels, height: texels };
      const found = sideFromUv(shown, slot, read, side, texels, size);
      if (!found) this.skewed += 1;
      made[side] = found ?? { slot };
    }
    return made;
  }
}

/** A slot for each material, named after it. */
function slotNames(materials: readonly Material[]): string[] {
  const names: string[] = [];
  for (const { name } of materials)
    names.push(freeName(nameFrom(name.split(/[/:]/).at(-1) ?? '') || 'face', names));
  return names;
}
