import { formNamed, lootOfForm, rolesOf, scaledShapes, type Form } from '../../forms/index.ts';
import { heldUnder } from '../../lists/index.ts';
import type { CellTemplate } from '../../mod/index.ts';
import type { ShippedForm } from './shipped.ts';

/** What a form of families adds to a form of blocks. */
interface Added extends Pick<ShippedForm, 'called' | 'names' | 'stock'> {
  /** A title of its own, where the form of blocks is called otherwise. */
  title?: string;
  note?: string;
  recipes?: CellTemplate['recipes'];
  /** Parts of the block beside those that the form brings. */
  block?: Record<string, unknown>;
}

const nameOfModel = (part: string): string => (part === 'main' ? '{cell}' : `{cell}_${part}`);

/** The block that a form makes, with open places for what the material brings. */
function blockOf(form: Form, texels: number): Record<string, unknown> {
  const rows = form.looks.rows.map(({ use, ...row }) => ({
    ...row,
    use: use.map((one) => ({ ...one, model: `{namespace}:${nameOfModel(one.model)}` })),
  }));
  return {
    identity: { group: '{group?}', stock: '{stock?}', item: form.item ?? 'block' },
    traits: form.traits,
    states: {
      properties: form.properties,
      ...(form.placing.length && { placing: form.placing }),
    },
    looks: { ...form.looks, rows },
    ...(form.shapes && { shapes: scaledShapes(form.shapes, texels / 16) }),
    loot: lootOfForm(form, '{id}'),
    ...(form.reactions && { reactions: form.reactions('{id}') }),
    tags: ['{dug?}'],
  };
}

/** The models that a form needs, with open places for the pictures. */
const modelsOf = (form: Form): CellTemplate['models'] =>
  Object.fromEntries(
    Object.entries(form.models).map(([part, { template, slots }]) => [
      nameOfModel(part),
      {
        template,
        slots: Object.fromEntries(
          Object.entries(slots).map(([slot, role]) => [slot, `{picture:${role}}`]),
        ),
      },
    ]),
  );

/**
 * A form of families out of a form of blocks.
 *
 * @example fromForm('slab', 'slab', { called: '{material}_slab', names: { en: '{material} slab' } })
 */
export function fromForm(name: string, formName: string, added: Added): ShippedForm {
  const form = formNamed(formName);
  if (!form) throw new RangeError(`There is no form called ${formName}.`);
  const { recipes, block, ...told } = added;
  return {
    name,
    title: told.title ?? form.title,
    note: told.note ?? form.note,
    makes: 'block',
    drawn: formName,
    called: told.called,
    names: told.names,
    roles: rolesOf(form),
    ...(told.stock !== undefined && { stock: told.stock }),
    template: (texels) => {
      const made = blockOf(form, texels);
      return {
        block: {
          ...made,
          ...block,
          traits: { ...(heldUnder(made, 'traits') as object), ...(block?.['traits'] as object) },
        },
        models: modelsOf(form),
        ...(recipes && { recipes }),
      };
    },
  };
}
