import { heldUnder } from '../lists/index.ts';
import { lookUp } from '../json/index.ts';
import { ownName, type Mod, type Texture } from '../mod/index.ts';
import { pictureOf } from './cell.ts';
import { fillText, UnknownPlace, type Filling } from './fill.ts';
import { isIn, nameOfCell } from './names.ts';
import { shippedForm } from './shipped/index.ts';

/** A picture of a family that is made from another one, in the tones of a material. */
export interface TonedPicture {
  /** The texture that is made, and the one that it is made from, by their names. */
  texture: string;
  from: string;
  tones: readonly string[];
  greysStay: boolean;
}

/**
 * The pictures that a material of a family has from others in its tones, each once. One that is made
 * from itself, as the first of a row, is none of them; nor is any of a material without tones.
 *
 * @example tonedPictures(mod, 'metals', 'ebbite')[0]
 * // { texture: 'seam/ebbite', from: 'seam/brack', tones: ['#1f4c5c', …], greysStay: true }
 */
export function tonedPictures(mod: Mod, familyName: string, materialName: string): TonedPicture[] {
  const found = new Map<string, TonedPicture>();
  for (const { texture, from, tones, greysStay } of picturesOf(mod, familyName, materialName))
    if (tones && from !== undefined && from !== texture)
      found.set(texture, { texture, from, tones, greysStay });
  return [...found.values()];
}

/**
 * Whether a picture that was made from another one is still what came of it then: nobody has put
 * another one in its place.
 */
export const isAsMade = ({ toned, picture }: Texture): boolean => toned?.gave === picture.sha256;

/** Whether a picture was made from one that shows something else by now. */
export function isBehind(mod: Pick<Mod, 'header' | 'textures'>, texture: Texture): boolean {
  const from = texture.toned && ownName(mod.header.namespace, texture.toned.from);
  const original = from === undefined ? undefined : lookUp(mod.textures, from);
  return (
    original !== undefined && isAsMade(texture) && original.picture.sha256 !== texture.toned?.was
  );
}

/**
 * The pictures of a family, with their materials, that were made from others as those were before
 * they were painted anew. One that was painted over by hand since is none of them.
 */
export function picturesBehind(
  mod: Mod,
  familyName: string,
): { material: string; picture: TonedPicture }[] {
  const materials = mod.families[familyName]?.materials ?? [];
  return materials.flatMap(({ name: material }) =>
    tonedPictures(mod, familyName, material).flatMap((picture) => {
      const texture = lookUp(mod.textures, picture.texture);
      return texture && isBehind(mod, texture) ? [{ material, picture }] : [];
    }),
  );
}

/** A picture that a material shows and that the mod does not have. */
export interface MissingPicture {
  texture: string;
  role: string;
}

/** The pictures that a material of a family shows and that are not there, each once. */
export function missingPictures(
  mod: Mod,
  familyName: string,
  materialName: string,
): MissingPicture[] {
  const found = new Map<string, MissingPicture>();
  for (const { texture, role } of picturesOf(mod, familyName, materialName))
    if (!lookUp(mod.textures, texture) && !found.has(texture))
      found.set(texture, { texture, role });
  return [...found.values()];
}

interface PictureOfRole {
  role: string;
  texture: string;
  from: string | undefined;
  tones: readonly string[] | undefined;
  greysStay: boolean;
}

/** Every picture that a material shows in a form that it has, of the mod itself. */
function picturesOf(mod: Mod, familyName: string, materialName: string): PictureOfRole[] {
  const { namespace } = mod.header;
  const family = heldUnder(mod.families, familyName);
  const material = family.materials.find(({ name }) => name === materialName);
  if (!material) return [];
  return family.forms.flatMap((form) => {
    if (!isIn(family, material.name, form.name)) return [];
    const cell = nameOfCell(family, familyName, material, form);
    const places: Record<string, string> = { namespace, material: material.name, cell };
    const fill: Filling = (place) => {
      const value = lookUp({ ...places, form: form.name, family: familyName }, place);
      if (value === undefined) throw new UnknownPlace(place);
      return value;
    };
    const named = (text: string) => ownName(namespace, fillText(text, fill) ?? '');
    return rolesOfForm(form).flatMap((role): PictureOfRole[] => {
      const picture = pictureOf(family, form, role);
      const isMade = typeof picture !== 'string';
      const texture = named(isMade ? picture.texture : picture);
      if (texture === undefined) return [];
      const from = isMade ? named(picture.from) : undefined;
      const greysStay = isMade && (picture.greysStay ?? false);
      return [{ role, texture, from, tones: material.tones, greysStay }];
    });
  });
}

/** The roles of the pictures that a form has: those that ship, and those it names itself. */
export const rolesOfForm = (form: {
  kind?: string | undefined;
  pictures?: Readonly<Record<string, unknown>> | undefined;
}): string[] => [
  ...new Set([...(shippedForm(form.kind)?.roles ?? []), ...Object.keys(form.pictures ?? {})]),
];
