import { itemAt } from '../../../../lists/index.ts';
import type { Mod } from '../../../../mod/index.ts';
import {
  clickedOn,
  describeSituation,
  placedState,
  usualSituation,
  type Situation,
} from '../../../../placing/index.ts';
import { directions, headings, opposite, type Direction } from '../../../../space/index.ts';
import { engineName } from '../../write/names.ts';
import { mustBeNode, type Check } from '../check.ts';
import { triedBlocks, type TriedBlock } from '../tried.ts';

/** What stands beside the place, as nodes: a wall, or the block itself. */
const wall = 'obrank_probe:wall';
const signal = 'obrank_probe:signal';

/** Six sides from four headings; on upright sides both halves. */
const sidesAndHeadings: readonly Situation[] = directions.flatMap((clicked) =>
  headings.flatMap((looks) =>
    (clicked === 'up' || clicked === 'down'
      ? (['lower'] as const)
      : (['lower', 'upper'] as const)
    ).map((half): Situation => ({ ...clickedOn(usualSituation, clicked), looks, half })),
  ),
);

/** One of the same kind behind, before or beside it, by each way that it can face, for two headings. */
const corners: readonly Situation[] = (['north', 'east'] as const).flatMap((looks) =>
  headings.flatMap((side) =>
    headings.map((heading): Situation => ({
      ...usualSituation,
      looks,
      neighbours: { ...usualSituation.neighbours, [side]: 'own kind' },
      beside: { [side]: { heading } },
    })),
  ),
);

/** Situations in which a block is placed: more where its rules ask for more. */
function situationsFor({ block }: TriedBlock): Situation[] {
  const rules = block.declared.states.placing ?? [];
  if (!rules.length) return [usualSituation];
  const asks = (what: string) => rules.some((rule) => JSON.stringify(rule).includes(what));
  const base = [...sidesAndHeadings];
  const more: Situation[] = [];
  if (block.declared.states.properties.some(({ kind }) => kind === 'direction'))
    for (const pitch of ['up', 'down'] as const)
      for (const looks of headings)
        more.push({ ...clickedOn(usualSituation, 'south'), looks, pitch });
  if (asks('crouching')) more.push(...base.map((one) => ({ ...one, crouching: true })));
  if (asks('signal')) more.push(...base.map((one) => ({ ...one, signal: true })));
  if (asks('joined') || asks('solid'))
    for (const side of headings)
      for (const what of ['solid', 'own kind'] as const)
        more.push({
          ...usualSituation,
          neighbours: { ...usualSituation.neighbours, [side]: what },
        });
  if (asks('"corner"')) more.push(...corners);
  if (asks('from the item'))
    for (const { name } of block.space.properties)
      for (const value of itemAt(block.space.values, block.space.indexOf(name)))
        more.push({ ...usualSituation, carried: { [name]: value } });
  return [...base, ...more];
}

/** Placing on six sides from four headings, and whatever else its rules ask for. */
export function placingChecks(mod: Mod): Check[] {
  return triedBlocks(mod).flatMap((tried) => {
    const { block } = tried;
    const rules = block.declared.states.placing ?? [];
    return situationsFor(tried).map((situation): Check => {
      const state = placedState(rules, block.space, situation);
      const { node, byte } = itemAt(tried.codes, state);
      return {
        about: `${tried.title}, placed: ${describeSituation(situation, rules)}`,
        of: { kind: 'block', name: block.name },
        facet: 'states',
        ask: {
          kind: 'placed',
          item: engineName(block.id),
          clicked: situation.clicked,
          looks: situation.looks,
          half: situation.half,
          pitch: situation.pitch,
          crouching: situation.crouching,
          neighbours: neighboursOf(tried, situation),
          beside: besideOf(tried, situation),
          carried: Object.fromEntries(
            Object.entries(situation.carried ?? {}).map(([name, value]) => [name, String(value)]),
          ),
        },
        judge: mustBeNode([itemAt(tried.names, node), byte]),
      };
    });
  });
}

/** Blocks of the same kind beside it, in their states, as nodes with their bytes. */
function besideOf(
  { block, names, codes }: TriedBlock,
  { beside = {} }: Situation,
): Record<string, { node: string; byte: number }> {
  return Object.fromEntries(
    Object.entries(beside).map(([side, state]) => {
      const { node, byte } = itemAt(codes, block.space.encode(state));
      return [side, { node: itemAt(names, node), byte }];
    }),
  );
}

/** The nodes around, but for the one that is clicked; a signal comes from a node in the open. */
function neighboursOf(
  { block, names }: TriedBlock,
  { clicked, neighbours, signal: isSignalled }: Situation,
): Record<string, string> {
  const around: Record<string, string> = {};
  for (const direction of directions) {
    if (direction === opposite(clicked)) continue;
    const what = neighbours[direction];
    if (what === 'solid') around[direction] = wall;
    if (what === 'own kind')
      around[direction] = names.find((name) => name === engineName(block.id)) ?? itemAt(names, 0);
  }
  if (isSignalled) {
    const free = directions.find(
      (direction: Direction) => direction !== opposite(clicked) && neighbours[direction] === 'open',
    );
    if (free) around[free] = signal;
  }
  return around;
}
