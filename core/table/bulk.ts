import { pointer } from '../json/index.ts';
import {
  isTraitRows,
  lookUp,
  resolveBlock,
  sameData,
  stockNamed,
  traitFacts,
  type Change,
  type Mod,
  type TraitName,
  type Traits,
} from '../mod/index.ts';
import { traitOf } from './columns.ts';

/** What is done to one trait of many blocks at once. */
export type BulkAct =
  | { do: 'multiply' | 'add'; by: number }
  | { do: 'set'; value: Traits[TraitName] }
  | { do: 'stock' };

/** What a bulk change would do, block by block, and what it leaves as it is and why. */
export interface BulkPlan {
  changed: { block: string; before: Traits[TraitName]; after: Traits[TraitName] }[];
  left: { block: string; why: string }[];
  changes: Change[];
}

/** To a thousandth, so that 0.1 × 3 is 0.3; levels and grades stay whole and between their ends. */
function tidy(trait: TraitName, value: number): number {
  const { whole, range = [-Infinity, Infinity] } = traitFacts(trait);
  if (!whole) return Math.round(value * 1000) / 1000;
  return Math.max(range[0], Math.min(range[1], Math.round(value)));
}

/**
 * Plans a change of one trait of several blocks. Values by state change row by row; what is not a
 * number is left as it is, and said.
 *
 * @example bulkChange(mod, ['salt_crust'], 'hardness', { do: 'multiply', by: 1.5 }).changed
 * // [{ block: 'salt_crust', before: 1.2, after: 1.8 }]
 */
export function bulkChange(
  mod: Mod,
  blocks: readonly string[],
  trait: TraitName,
  act: BulkAct,
): BulkPlan {
  const plan: BulkPlan = { changed: [], left: [], changes: [] };
  for (const name of blocks) {
    const declared = lookUp(mod.blocks, name);
    if (!declared) continue;
    const before = traitOf(resolveBlock(mod, name, declared), trait);
    const leave = (why: string) => plan.left.push({ block: name, why });
    let after: Traits[TraitName];
    let own: Traits[TraitName] | undefined;
    if (act.do === 'stock') {
      const stock = stockNamed(declared.identity.stock);
      if (!stock) {
        leave('it starts from no stock');
        continue;
      }
      after = stock.traits[trait];
      own = undefined;
    } else {
      const change = (value: number) =>
        tidy(
          trait,
          act.do === 'multiply' ? value * act.by : act.do === 'add' ? value + act.by : value,
        );
      if (act.do === 'set') after = act.value;
      else if (isTraitRows(before))
        after = before.map((row) => ({ ...row, value: change(row.value) }));
      else if (typeof before === 'number') after = change(before);
      else {
        leave(`its ${traitFacts(trait).words} is ${String(before)}`);
        continue;
      }
      own = after;
    }
    if (act.do === 'stock' ? declared.traits[trait] === undefined : sameData(after, before)) {
      leave('it is so already');
      continue;
    }
    plan.changed.push({ block: name, before, after });
    plan.changes.push({
      path: pointer(['blocks', name, 'traits', trait]),
      before: declared.traits[trait],
      after: own,
    });
  }
  return plan;
}
