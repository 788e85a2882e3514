import { itemAt } from '../lists/index.ts';
import { sameData } from '../json/index.ts';
import {
  areStatesKnown,
  asBlock,
  defaultTraits,
  resolveBlock,
  type Block,
  type Candidate,
  type Looks,
  type Mod,
  type NewLook,
  type ResolvedBlock,
  type Shape,
} from '../mod/index.ts';
import { shapeByState } from '../models/index.ts';
import { usualTop } from '../space/index.ts';
import {
  coverage,
  expandRows,
  fewestRows,
  fromRows,
  toRows,
  type ByState,
  type Rows,
  type StateSpace,
} from '../states/index.ts';

/** Blocks of more states keep their rows as they were written. */
const mostTidied = 4096;

/**
 * The mod written as a person would who knows what is usual: rows as few as can be found, traits
 * and orientations that every block has left out, shapes that follow the model said so. It means
 * the same.
 *
 * @example tidyMod(mod).blocks['brine'].traits // { hardness: 0.5 }
 */
export function tidyMod(mod: Mod): Mod {
  const blocks = Object.entries(mod.blocks).map(([name, block]) => [
    name,
    tidyBlock(mod, resolveBlock(mod, name, block)),
  ]);
  const newLooks = Object.entries(mod.newLooks).map(([name, look]): [string, NewLook] => [
    name,
    { ...look, looks: tidyLooks(mod, resolveBlock(mod, name, asBlock(name, look))) },
  ]);
  return {
    ...mod,
    blocks: Object.fromEntries(blocks) as Mod['blocks'],
    newLooks: Object.fromEntries(newLooks),
  };
}

function tidyLooks(mod: Mod, { name, space, looks }: ResolvedBlock): Looks {
  const use = looks.rows.map(({ when, value }) => ({ when, value: value.map(withoutUsual) }));
  // Where the states of another mod's block are not known, no row can be spared.
  const rows = looks.mode === 'one-of' && areStatesKnown(mod, name) ? fewest(use, space) : use;
  return {
    mode: looks.mode,
    rows: rows.map(({ when, value }) => (when ? { when, use: value } : { use: value })),
  };
}

function tidyBlock(mod: Mod, block: ResolvedBlock): Block {
  const { declared, space } = block;
  const { shapes: _, ...others } = declared;
  const shapes = tidyShapes(mod, block);
  return {
    ...others,
    traits: tidyTraits(declared.traits, space),
    looks: tidyLooks(mod, block),
    ...(Object.keys(shapes).length && { shapes }),
  };
}

/** Rows that mean the same, as few as can be found; what no state reaches is left as it is. */
function fewest<T>(rows: Rows<T>, space: StateSpace): Rows<T> {
  if (rows.every(({ when }) => !when) || space.tooLarge || space.size > mostTidied) return rows;
  const { dead, uncovered } = coverage(rows, space);
  // A row that can never match is a mistake that inspection tells of, and not ours to hide.
  if (dead.length) return rows;
  const [only, ...others] = rows;
  if (only && !others.length) return uncovered.isEmpty ? [{ value: only.value }] : rows;
  const { rows: fewer } = fewestRows(expandRows(rows, space), space, rows);
  return fewer.length < rows.length ? fewer : rows;
}

function tidyTraits(traits: Block['traits'], space: StateSpace): Block['traits'] {
  const usual = defaultTraits as Record<string, unknown>;
  return Object.fromEntries(
    Object.entries<unknown>(traits)
      .map(([name, value]) => [name, isRowsOf(value) ? fromRows(fewest(value, space)) : value])
      .filter(([name, value]) => !sameData(value, usual[name as string])),
  ) as Block['traits'];
}

const isRowsOf = (value: unknown): value is Rows<unknown> => Array.isArray(value);

function withoutUsual({ front, top, upright, share, ...candidate }: Candidate): Candidate {
  const isUsual = (front ?? 'south') === 'south';
  return {
    ...candidate,
    ...(!isUsual && { front }),
    ...(top !== undefined && top !== usualTop(front ?? 'south') && { top }),
    ...(upright && { upright }),
    ...(share !== undefined && share !== 1 && { share }),
  };
}

/** The shapes that do not follow the model by themselves. */
function tidyShapes(mod: Mod, block: ResolvedBlock): NonNullable<Block['shapes']> {
  const { shapes = {} } = block.declared;
  const followed = block.space.tooLarge ? [] : shapeByState(mod, block, [{ value: 'model' }]);
  const tidy = (['collision', 'outline'] as const).flatMap((kind) => {
    const given = shapes[kind];
    if (given === undefined) return [];
    const rows = toRows(given);
    if (!block.space.tooLarge && sameInAll(shapeByState(mod, block, rows), followed, block.space))
      return [];
    return [[kind, inWords(fewest(rows, block.space), mod.header.texels)] as const];
  });
  return Object.fromEntries(tidy);
}

const sameInAll = (a: Rows<unknown>, b: Rows<unknown>, space: StateSpace): boolean => {
  if (sameData(a, b)) return true;
  const others = expandRows(b, space);
  return expandRows(a, space).every((value, state) => sameData(value, others[state]));
};

/** Boxes that have a word: none at all, and the whole cell. */
function inWords(rows: Rows<Shape>, texels: number): ByState<Shape> {
  const cell = [{ at: [0, 0, 0], size: [texels, texels, texels] }];
  const worded = rows.map((row): { when?: (typeof row)['when']; value: Shape } => ({
    ...row,
    value: sameData(row.value, []) ? 'none' : sameData(row.value, cell) ? 'whole' : row.value,
  }));
  return worded.length === 1 && !itemAt(worded, 0).when ? itemAt(worded, 0).value : worded;
}
