import { lookUp, pointer } from '../json/index.ts';
import { freeName, heldUnder } from '../lists/index.ts';
import {
  defaultTraits,
  idOf,
  nextNumber,
  stockNamed,
  type Block,
  type Change,
  type Mod,
  type Picture,
} from '../mod/index.ts';
import type { PlainBox, Vec3 } from '../space/index.ts';
import { rolesOf, type Form, type PictureRole } from './form.ts';

/** What a new block starts from: a form made of a stock material, or another block of the mod. */
export type BlockStart =
  | { form: Form; stock: string; pictures: Readonly<Partial<Record<PictureRole, Picture>>> }
  | { copyOf: string };

/**
 * The changes that declare a new block: complete from the start, so that nothing is found wrong
 * with it. From a form it has that form's properties, placing, looks and models, with textures of
 * its own; from another block it is that block under a new name. Either way it is registered.
 * Throws a RangeError when the name is taken, the block to copy does not exist, or a picture of the
 * form was not given.
 *
 * @example newBlock(mod, 'kelp_crate', 'Kelp crate', { form, stock: 'timber', pictures })
 */
export function newBlock(mod: Mod, name: string, title: string, start: BlockStart): Change[] {
  if (lookUp(mod.blocks, name)) throw new RangeError(`There is already a block called ${name}.`);
  const names = { [mod.header.languages[0] ?? 'en']: title };
  const register: Change = {
    path: '/ledger/entries',
    before: mod.ledger.entries,
    after: [...mod.ledger.entries, { number: nextNumber(mod.ledger), kind: 'block', name }],
  };
  const declare = (block: Block): Change => ({ path: pointer(['blocks', name]), after: block });
  if ('copyOf' in start) {
    const original = lookUp(mod.blocks, start.copyOf);
    if (!original) throw new RangeError(`There is no block called ${start.copyOf}.`);
    return [declare({ ...original, names }), register];
  }
  const { form, stock, pictures } = start;
  const made = madeOf(mod, name, form, pictures);
  return [
    ...made.changes,
    declare({ ...ofMaterial(mod, stock, form), ...made.parts, names }),
    register,
  ];
}

/** What of a block follows from its material, and from how its form is held. */
function ofMaterial(
  { header }: Mod,
  stock: string,
  form: Form,
): Pick<Block, 'identity' | 'traits' | 'loot' | 'tags'> {
  const traits = stockNamed(stock)?.traits ?? defaultTraits;
  const tag = traits.toolKind === 'none' ? undefined : header.tools.kinds[traits.toolKind]?.tag;
  return {
    identity: { group: header.groups[0]?.name, stock, item: form.item ?? 'block', natural: true },
    // The pictures to begin with have no transparency, whatever the material is like.
    traits: {
      ...(traits.alphaMode === 'opaque' ? {} : { alphaMode: 'opaque', hidesNeighbours: 'whole' }),
      ...form.traits,
    },
    loot: 'itself',
    tags: tag === undefined ? [] : [tag],
  };
}

/**
 * What a form gives to a block of that name, and the textures and models that this takes, under
 * names that nobody has.
 */
function madeOf(
  mod: Mod,
  block: string,
  form: Form,
  pictures: Readonly<Partial<Record<PictureRole, Picture>>>,
): { changes: Change[]; parts: Pick<Block, 'states' | 'looks' | 'shapes'> } {
  const id = (name: string) => idOf(mod.header.namespace, name);
  const free = (kind: 'models' | 'textures', part: string, isMain: boolean) =>
    freeName(isMain ? block : `${block}_${part}`, Object.keys(mod[kind]));
  const textures = new Map(rolesOf(form).map((role, i) => [role, free('textures', role, i === 0)]));
  const models = new Map(
    Object.keys(form.models).map((part) => [part, free('models', part, part === 'main')]),
  );
  const textureOf = (role: PictureRole) => id(textures.get(role) ?? '');
  const slotsOf = (slots: Readonly<Record<string, PictureRole>>) =>
    Object.fromEntries(Object.entries(slots).map(([slot, role]) => [slot, textureOf(role)]));
  const rows = form.looks.rows.map(({ use, ...row }) => ({
    ...row,
    use: use.map((candidate) => ({ ...candidate, model: id(models.get(candidate.model) ?? '') })),
  }));
  return {
    changes: [
      ...[...textures].map(([role, name]) => ({
        path: pointer(['textures', name]),
        after: { picture: heldUnder(pictures as Record<string, Picture>, role) },
      })),
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
      ...(form.shapes && { shapes: scaled(form.shapes, mod.header.texels / 16) }),
    },
  };
}

/** Shapes whose boxes are measured in sixteenths, in the texels of the mod. */
function scaled(shapes: NonNullable<Form['shapes']>, by: number): NonNullable<Block['shapes']> {
  const grow = ([x, y, z]: Vec3): [number, number, number] => [x * by, y * by, z * by];
  const scale = (shape: 'none' | readonly PlainBox[]) =>
    shape === 'none' ? shape : shape.map(({ at, size }) => ({ at: grow(at), size: grow(size) }));
  return {
    ...(shapes.collision && { collision: scale(shapes.collision) }),
    ...(shapes.outline && { outline: scale(shapes.outline) }),
  };
}
