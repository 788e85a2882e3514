import { directionStep } from '../../core/space/index.ts';
import {
  becauseInWords,
  dug,
  expectedDrops,
  itemIn,
  nameIn,
  statesIn,
  type Region,
  type Run,
  type YardBlock,
} from '../../core/yard/index.ts';
import type { Here, MarkedRegion } from './yard-protocol.ts';

/** What somebody in a run looks at, in words and numbers. */
export function hereOf(run: Run): Here | undefined {
  const aim = run.aim();
  if (!aim) return undefined;
  const { now, pack } = run;
  const stands = now.standingAt(aim.place);
  if (!stands || !('block' in stands)) return undefined;
  const at = now.blockAt(aim.place);
  const [x, y, z] = aim.place;
  const [dx, dy, dz] = directionStep(aim.side);
  const lit = [x + dx, y + dy, z + dz] as const;
  const index = now.cells.isInside(lit) ? now.cells.indexOf(lit) : -1;
  return {
    place: aim.place,
    side: aim.side,
    id: stands.block,
    title: at ? nameIn(pack, at.block.id) : 'Not in this pack',
    ...(at && { block: blockOf(run, aim.place, at) }),
    isSignalled: now.isSignalled(aim.place),
    light: {
      block: index < 0 ? 0 : (now.lighting.block[index] ?? 0),
      day: Math.max(0, (index < 0 ? 15 : (now.lighting.sky[index] ?? 0)) - now.dark),
    },
    outline: now.factsAt(aim.place).outline,
  };
}

/** What is marked, with its states in words. */
export function regionOf(run: Run, region: Region): MarkedRegion {
  const states = statesIn(run.now, region).map(({ block, state, cells, turned, mirrored }) => {
    const words = (one: number): string =>
      Object.entries(block.space.decode(one))
        .map(([name, value]) => `${name}=${String(value)}`)
        .join(', ');
    return {
      title: nameIn(run.pack, block.id),
      cells,
      is: words(state),
      turned: words(turned),
      mirrored: words(mirrored),
    };
  });
  return { ...region, states };
}

function blockOf(
  run: Run,
  place: Here['place'],
  { block, state }: { block: YardBlock; state: number },
): NonNullable<Here['block']> {
  const { pack } = run;
  const values = block.space.decode(state);
  const set = run.after.because.get(place.join(' '));
  const because = set?.block === block.id ? set.because : undefined;
  const item = itemIn(pack, run.held?.item);
  const counted = run.counts.of(run.wayOf(block.id, state));
  const how = { state: values, tool: item?.tool, careful: run.player.crouches };
  const takes = dug(block, item?.tool, pack);
  const expected = takes?.yields ? expectedDrops(block.draws, how, pack.tables) : new Map();
  const items = new Set<string>([...counted.dropped.keys(), ...(expected?.keys() ?? [])]);
  return {
    code: pack.codeOf(block.id, state),
    properties: block.space.properties.map(({ name }) => {
      const found = because?.find((one) => one.property === name);
      const isAsPlaced = found && found.value === values[name];
      return {
        name,
        value: String(values[name]),
        why: !found
          ? 'as the world has it'
          : isAsPlaced
            ? becauseInWords(block.placement, found)
            : 'changed since it was placed',
      };
    }),
    digs: takes,
    broken: counted.broken,
    drops: [...items].map((id) => ({
      item: id,
      title: nameIn(pack, id, pack.blocks.has(id) ? 'block' : 'item'),
      dropped: counted.dropped.get(id) ?? 0,
      expected: expected ? ((expected.get(id) as number | undefined) ?? 0) : undefined,
    })),
    isBurning: run.after.fire.isBurning(place),
  };
}
