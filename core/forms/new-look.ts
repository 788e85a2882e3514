import { pointer } from '../json/index.ts';
import {
  isOverStock,
  newLookName,
  splitId,
  stockNamed,
  type Change,
  type Mod,
} from '../mod/index.ts';
import { idPattern } from '../mod/names.ts';
import { valueIn, StateSpace } from '../states/index.ts';
import type { Form } from './form.ts';
import { madeOf, type RolePictures } from './made.ts';

/**
 * Why a mod cannot give a block a new look, in a sentence; undefined when it can. The id is that of
 * a block of another mod, or of a stock material.
 *
 * @example newLookProblem(mod, 'driftwood:plank') // undefined
 */
export function newLookProblem(mod: Mod, id: string): string | undefined {
  if (!idPattern.test(id) || splitId(id).name.includes('/'))
    return 'Say whose block it is, as in driftwood:plank.';
  const { namespace, name } = splitId(id);
  if (namespace === mod.header.namespace)
    return 'That is a block of this mod: its look belongs with the block.';
  if (isOverStock(newLookName(id)) && !stockNamed(name))
    return `There is no stock material called ${name}.`;
  return Object.hasOwn(mod.newLooks, newLookName(id)) ? `${id} has a new look already.` : undefined;
}

/**
 * The changes that give a block of another mod, or a stock material, a new look: a form with
 * pictures to begin with, the same in every state. The mod says that it needs the other one. Throws
 * a RangeError with the reason when it cannot.
 *
 * @example newLook(mod, 'driftwood:plank', { form, pictures })
 */
export function newLook(
  mod: Mod,
  id: string,
  { form, pictures }: { form: Form; pictures: RolePictures },
): Change[] {
  const problem = newLookProblem(mod, id);
  if (problem) throw new RangeError(problem);
  const name = newLookName(id);
  const { changes, parts } = madeOf(mod, name, form, pictures);
  const { mode, rows } = parts.looks;
  const space = new StateSpace(parts.states.properties);
  const drawn = rows.map(({ when, use }) => ({ when, value: use }));
  const usual = valueIn(drawn, space, space.defaultState) ?? rows[0]?.use ?? [];
  const { needs = [] } = mod.header;
  const { namespace } = splitId(id);
  const isKnown = isOverStock(name) || needs.some((one) => one.namespace === namespace);
  return [
    ...changes,
    { path: pointer(['newLooks', name]), after: { looks: { mode, rows: [{ use: usual }] } } },
    ...(isKnown
      ? []
      : [{ path: '/header/needs', before: mod.header.needs, after: [...needs, { namespace }] }]),
  ];
}
