import { itemAt } from '../../../../lists/index.ts';
import type { Mod, ReactionEvent } from '../../../../mod/index.ts';
import { ReactionWorld, type ReactingBlock } from '../../../../reactions/index.ts';
import { inWords, nodeInWords, type Check } from '../check.ts';
import { stateWords, triedBlocks, type TriedBlock } from '../tried.ts';

/** What is let happen: what needs nobody else, and comes out the same every time. */
const tried: readonly ReactionEvent[] = ['used', 'signal comes', 'signal goes'];

/** So many states of one block are tried. */
const mostStates = 24;

/**
 * Each block that answers to being used or to a signal, alone on the ground, in its states: in which
 * state it is afterwards, and which signal it gives.
 */
export function reactionChecks(mod: Mod): Check[] {
  const all = triedBlocks(mod);
  const blocks = new Map(
    all.map(({ block }): [string, ReactingBlock] => [
      block.id,
      { id: block.id, space: block.space, reactions: block.declared.reactions ?? [] },
    ]),
  );
  return all.flatMap((one) => {
    const reactions = one.block.declared.reactions ?? [];
    const events = tried.filter((event) => reactions.some(({ when }) => when === event));
    const isChancy = reactions.some(({ if: asked }) => asked?.chance !== undefined);
    if (isChancy) return [];
    return events.flatMap((event) =>
      [...one.codes.keys()]
        .slice(0, mostStates)
        .map((state) => checkOf(mod, one, state, event, blocks)),
    );
  });
}

function checkOf(
  mod: Mod,
  one: TriedBlock,
  state: number,
  event: ReactionEvent,
  blocks: ReadonlyMap<string, ReactingBlock>,
): Check {
  const { node, byte } = itemAt(one.codes, state);
  const ours = afterwards(one, state, event, blocks);
  return {
    about: `${stateWords(one, state)}: ${event}`,
    of: { kind: 'block', name: one.block.name },
    facet: 'states',
    ask: {
      kind: 'reaction',
      mod: mod.header.namespace,
      node: itemAt(one.names, node),
      byte,
      event,
    },
    judge: (answer) =>
      JSON.stringify(answer) === JSON.stringify(ours)
        ? undefined
        : { ours: sayOf(ours), engine: sayOf(answer) },
  };
}

/** The node, byte and signal after something happened, as the world of reactions tells it. */
function afterwards(
  { block, codes, names }: TriedBlock,
  state: number,
  event: ReactionEvent,
  blocks: ReadonlyMap<string, ReactingBlock>,
): readonly [string, number, number] {
  const world = new ReactionWorld({ blocks });
  world.put([0, -1, 0], { block: 'obrank:wall', state: 0 });
  world.tick();
  world.put([0, 0, 0], { block: block.id, state });
  world.tick();
  world.happen([0, 0, 0], { event, ...(event === 'used' && { by: 'players' as const }) });
  world.tick();
  const stands = world.at([0, 0, 0]);
  if (!stands || !('block' in stands) || stands.block !== block.id) return ['air', 0, 0];
  const { node, byte } = itemAt(codes, stands.state);
  return [itemAt(names, node), byte, world.strengthAt([0, 0, 0])];
}

const sayOf = (answer: unknown): string =>
  Array.isArray(answer) && answer.length === 3
    ? `${nodeInWords(answer.slice(0, 2))}, a signal of ${inWords(answer[2])}`
    : inWords(answer);
