import { heldUnder, itemAt } from '../lists/index.ts';
import { lookUp, pointer } from '../json/index.ts';
import { valuesOf, type Value } from '../states/index.ts';
import { applyChanges, type Change } from './edit.ts';
import { nextNumber } from './ledger.ts';
import type { Mod } from './mod.schema.ts';
import { changeProperty } from './properties.ts';

/**
 * The changes that move a property out of a block: it keeps the state of the property's default,
 * and each other value becomes a block of its own with that value built in, registered at the next
 * free number. For targets that store few states a block. Throws a RangeError when a name that is
 * needed is taken.
 *
 * @example splitBlock(mod, 'tide_lantern', 'lit') // tide_lantern (unlit) and tide_lantern_lit
 */
export function splitBlock(mod: Mod, name: string, property: string): Change[] {
  const at = heldUnder(mod.blocks, name).states.properties.findIndex(
    (one) => one.name === property,
  );
  const moved = itemAt(heldUnder(mod.blocks, name).states.properties, at);
  const changes: Change[] = [];
  let now = mod;
  const apply = (more: Change[]) => {
    now = applyChanges(now, more);
    changes.push(...more);
  };
  const withDefault = (value: Value) => ({
    ...heldUnder(mod.blocks, name),
    states: {
      ...heldUnder(mod.blocks, name).states,
      properties: heldUnder(mod.blocks, name).states.properties.map((one) =>
        one === moved ? ({ ...one, default: value } as typeof one) : one,
      ),
    },
  });
  for (const value of valuesOf(moved)) {
    if (value === moved.default) continue;
    const other = `${name}_${partFor(property, value)}`;
    if (lookUp(mod.blocks, other))
      throw new RangeError(`There is already a block called ${other}.`);
    apply([{ path: pointer(['blocks', other]), after: withDefault(value) }]);
    apply(changeProperty(now, other, at, undefined));
    apply([
      {
        path: '/ledger/entries',
        before: now.ledger.entries,
        after: [
          ...now.ledger.entries,
          { number: nextNumber(now.ledger), kind: 'block', name: other },
        ],
      },
    ]);
    const names = Object.fromEntries(
      Object.entries(heldUnder(mod.blocks, name).names).map(([language, title]) => [
        language,
        `${title} (${property}: ${String(value)})`,
      ]),
    );
    apply([
      {
        path: pointer(['blocks', other, 'names']),
        before: heldUnder(now.blocks, other).names,
        after: names,
      },
    ]);
  }
  apply(changeProperty(now, name, at, undefined));
  return changes;
}

/** What the block for one value of a property adds to its name: `lit`, `not_lit`, `level_3`, `oak`. */
function partFor(property: string, value: Value): string {
  if (typeof value === 'boolean') return value ? property : `not_${property}`;
  if (typeof value === 'number') return `${property}_${String(value).replace('-', 'minus_')}`;
  return value;
}
