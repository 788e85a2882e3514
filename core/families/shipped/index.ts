import { blockForms } from './blocks.ts';
import { itemForms } from './items.ts';
import type { ShippedForm } from './shipped.ts';

export type { ShippedForm } from './shipped.ts';

/** The forms that Obrank brings along for families: blocks, then items. */
export const shippedForms: readonly ShippedForm[] = [...blockForms, ...itemForms];

const byName = new Map(shippedForms.map((form) => [form.name, form]));

/** The form that ships under a name. */
export const shippedForm = (name: string | undefined): ShippedForm | undefined =>
  name === undefined ? undefined : byName.get(name);
