import {
  isAsMade,
  missingPictures,
  tonedPictures,
  type MissingPicture,
  type TonedPicture,
} from '../../../core/families/index.ts';
import { pictureRoles, rolePicture } from '../../../core/forms/index.ts';
import { pointer } from '../../../core/json/index.ts';
import {
  applyChanges,
  idOf,
  lookUp,
  sameData,
  stockNamed,
  type Change,
  type Family,
  type Mod,
} from '../../../core/mod/index.ts';
import { colourFromHex, noShift } from '../../../core/textures/facts/index.ts';
import { encodePicture } from '../../../core/textures/index.ts';
import { keepPixels, readPixels } from '../../api/known-pixels.ts';
import { pictureWork } from '../../api/picture-work.ts';
import type { Session } from '../../api/session.ts';
import { uploadPicture } from '../../api/textures.ts';

/**
 * One picture of a material, made from its original and kept by the server; one that was painted
 * over since it was made stays as it is.
 */
async function changeFor(mod: Mod, toned: TonedPicture): Promise<Change[]> {
  const original = lookUp(mod.textures, toned.from);
  const before = lookUp(mod.textures, toned.texture);
  if (!original || (before?.toned && !isAsMade(before))) return [];
  const pixels = await readPixels(original.picture.sha256);
  const tones = toned.tones.flatMap((hex) => {
    const colour = colourFromHex(hex);
    return colour ? [{ colour, many: 1 }] : [];
  });
  const way = { tones, greysStay: toned.greysStay, shift: noShift };
  const [made] = await pictureWork('recolour', { pixels, ways: [way] });
  if (!made) return [];
  const picture = await uploadPicture(encodePicture(made));
  keepPixels(picture.sha256, made);
  const { made: _, ...like } = before ?? original;
  const from = idOf(mod.header.namespace, toned.from);
  const after = {
    ...like,
    picture,
    toned: { from, was: original.picture.sha256, gave: picture.sha256 },
  };
  return sameData(before, after)
    ? []
    : [{ path: pointer(['textures', toned.texture]), before, after }];
}

/** A picture to begin with, in the colours of the material. */
async function paintedFor(
  mod: Mod,
  familyName: string,
  materialName: string,
  { texture, role }: MissingPicture,
): Promise<Change> {
  const material = mod.families[familyName]?.materials.find(({ name }) => name === materialName);
  const colour =
    material?.tones?.[Math.floor((material.tones.length - 1) / 2)] ??
    material?.traits?.mapColour ??
    stockNamed(material?.stock)?.traits.mapColour ??
    plainColour;
  const known = pictureRoles.find((one) => one === role) ?? 'face';
  const pixels = rolePicture(known, colour, mod.header.texels, seedOf(texture));
  const picture = await uploadPicture(encodePicture(pixels));
  keepPixels(picture.sha256, pixels);
  return { path: pointer(['textures', texture]), after: { picture } };
}
const plainColour = '#8d8d86';
/** The same name has the same grain. */
const seedOf = (name: string): number =>
  [...name].reduce((sum, { length }, i) => sum + length * (i + 7), 0);

/** The pictures that a material has from others, and those it still lacks. */
async function picturesFor(mod: Mod, familyName: string, material: string): Promise<Change[]> {
  const toned = tonedPictures(mod, familyName, material);
  const made = await Promise.all(toned.map((one) => changeFor(mod, one)));
  const isMade = ({ texture }: MissingPicture) => toned.some((one) => one.texture === texture);
  const missing = missingPictures(mod, familyName, material).filter((one) => !isMade(one));
  const painted = await Promise.all(
    missing.map((one) => paintedFor(mod, familyName, material, one)),
  );
  return [...made.flat(), ...painted];
}

/**
 * Makes changes of a mod, and with them the pictures that materials of a family have from others in
 * their tones, or lack, all as one step. Rejects with a sentence where a picture cannot be made;
 * then nothing is changed.
 */
export async function editWithPictures(
  session: Session,
  label: string,
  familyName: string,
  materials: (family: Family) => readonly string[],
  change: (mod: Mod) => Change[],
): Promise<void> {
  const then = applyChanges(session.view.declared, change(session.view.declared));
  const family = then.families[familyName];
  const pictures = await Promise.all(
    (family ? materials(family) : []).map((material) => picturesFor(then, familyName, material)),
  );
  // What was done meanwhile stays: the change is made of the mod as it is now.
  session.editDeclared(label, [...change(session.view.declared), ...pictures.flat()]);
}
