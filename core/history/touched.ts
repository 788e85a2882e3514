import { expansionOf, type MadeCell } from '../families/index.ts';
import { lookUp, pointer, pointerSteps } from '../json/index.ts';
import { entryOf, type Change, type Mod } from '../mod/index.ts';

/** So many blocks are named of one step. */
const namedAtMost = 50;

/**
 * The blocks that changes touch, by name, each once: their own entries and, of what the mod's
 * families make now, those whose material, form or cell was changed.
 *
 * @example touchedBlocks(mod, [{ path: '/blocks/brine/traits/hardness', before: 1, after: 2 }])
 * // ['brine']
 */
export function touchedBlocks(mod: Mod, changes: readonly Change[]): string[] {
  const names = changes.flatMap(({ path }) => {
    const { kind, name } = entryOf(path);
    if (kind === 'families') return madeBlocks(mod, path);
    return kind === 'blocks' && name !== '' ? [name] : [];
  });
  return [...new Set(names)].slice(0, namedAtMost);
}

/** The blocks of a family that a change at a path of it reaches. */
function madeBlocks(mod: Mod, path: string): string[] {
  const [, name = '', part, first, second] = pointerSteps(path);
  const family = lookUp(mod.families, name);
  if (!family) return [];
  const material = part === 'materials' ? family.materials[Number(first)]?.name : undefined;
  const form = part === 'forms' ? family.forms[Number(first)]?.name : undefined;
  const isReached = ({ place }: MadeCell): boolean => {
    if (place.family !== name) return false;
    if (part === 'cells')
      return (
        (first === undefined || place.material === first) &&
        (second === undefined || place.form === second)
      );
    return (
      (material === undefined || place.material === material) &&
      (form === undefined || place.form === form)
    );
  };
  return [...expansionOf(mod).cells.values()]
    .filter((cell) => isReached(cell) && cell.entries.some(({ kind }) => kind === 'blocks'))
    .map((cell) => cell.name);
}

/**
 * The beginnings of the paths at which a block is changed, each in the quotes of its JSON text where
 * it is a whole path: its own entry and, where a family makes it, its cell, its material, its form,
 * and what holds them.
 *
 * @example pathsOfBlock(mod, 'brine') // ['"/blocks/brine/', '"/blocks/brine"']
 */
export function pathsOfBlock(mod: Mod, block: string): string[] {
  const beginning = (steps: (string | number)[]) => [`"${pointer(steps)}/`, `"${pointer(steps)}"`];
  const own = beginning(['blocks', block]);
  const place = expansionOf(mod).owners.blocks.get(block)?.place;
  const family = place && lookUp(mod.families, place.family);
  if (!place || !family) return own;
  const index = (parts: readonly { name: string }[], name: string) =>
    parts.findIndex((one) => one.name === name);
  const at = (...steps: (string | number)[]) => ['families', place.family, ...steps];
  const whole = (steps: (string | number)[]) => `"${pointer(steps)}"`;
  return [
    ...own,
    ...beginning(at('cells', place.material, place.form)),
    ...beginning(at('materials', index(family.materials, place.material))),
    ...beginning(at('forms', index(family.forms, place.form))),
    whole(at()),
    whole(at('cells')),
    whole(at('cells', place.material)),
    whole(at('materials')),
    whole(at('forms')),
  ];
}
