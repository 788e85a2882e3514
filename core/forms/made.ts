import { pointer } from '../json/index.ts';
import { freeName, heldUnder } from '../lists/index.ts';
import { idOf, type Block, type Change, type Mod, type Picture } from '../mod/index.ts';
import type { PlainBox, Vec3 } from '../space/index.ts';
import { rolesOf, type Form, type PictureRole } from './form.ts';

/** A picture that is new, or the id of a texture that the mod has. */
export type RolePicture = Picture | string;
export type RolePictures = Readonly<Partial<Record<PictureRole, RolePicture>>>;

/**
 * What a form gives to a block of that name, and the textures and models that this takes, under
 * names that nobody has.
 */
export function madeOf(
  mod: Mod,
  block: string,
  form: Form,
  pictures: RolePictures,
): { changes: Change[]; parts: Pick<Block, 'states' | 'looks' | 'shapes'> } {
  const id = (name: string) => idOf(mod.header.namespace, name);
  const free = (kind: 'models' | 'textures', part: string, isMain: boolean) =>
    freeName(isMain ? block : `${block}_${part}`, Object.keys(mod[kind]));
  const added: Change[] = [];
  const textures = new Map(
    rolesOf(form).map((role, i) => {
      const picture = heldUnder(pictures as Record<string, RolePicture>, role);
      if (typeof picture === 'string') return [role, picture];
      const name = free('textures', role, i === 0);
      added.push({ path: pointer(['textures', name]), after: { picture } });
      return [role, id(name)];
    }),
  );
  const models = new Map(
    Object.keys(form.models).map((part) => [part, free('models', part, part === 'main')]),
  );
  const slotsOf = (slots: Readonly<Record<string, PictureRole>>) =>
    Object.fromEntries(Object.entries(slots).map(([slot, role]) => [slot, textures.get(role)]));
  const rows = form.looks.rows.map(({ use, ...row }) => ({
    ...row,
    use: use.map((candidate) => ({ ...candidate, model: id(models.get(candidate.model) ?? '') })),
  }));
  return {
    changes: [
      ...added,
      ...[...models].map(([part, name]) => {
        const { template, slots } = heldUnder(form.models, part);
        return { path: pointer(['models', name]), after: { template, slots: slotsOf(slots) } };
      }),
    ],
    parts: {
      states: {
        properties: [...form.properties],
        ...(form.placing.length && { placing: [...form.placing] }),
      },
      looks: { ...form.looks, rows },
      ...(form.shapes && { shapes: scaledShapes(form.shapes, mod.header.texels / 16) }),
    },
  };
}

/** Shapes whose boxes are measured in sixteenths, in the texels of the mod. */
export function scaledShapes(
  shapes: NonNullable<Form['shapes']>,
  by: number,
): NonNullable<Block['shapes']> {
  const grow = ([x, y, z]: Vec3): [number, number, number] => [x * by, y * by, z * by];
  const scale = (shape: 'none' | readonly PlainBox[]) =>
    shape === 'none' ? shape : shape.map(({ at, size }) => ({ at: grow(at), size: grow(size) }));
  return {
    ...(shapes.collision && { collision: scale(shapes.collision) }),
    ...(shapes.outline && { outline: scale(shapes.outline) }),
  };
}
