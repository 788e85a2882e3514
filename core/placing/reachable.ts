import { itemAt } from '../lists/index.ts';
import type { Placing } from '../mod/index.ts';
import { directions, opposite, type Direction } from '../space/index.ts';
import { BitSet, type StateSpace } from '../states/index.ts';
import { placedState } from './place.ts';
import {
  choicesOf,
  neighbourKinds,
  usualSituation,
  type Neighbour,
  type Situation,
} from './situation.ts';

/** What placing can bring about. */
export interface Reach {
  /** The states that some situation gives. */
  states: BitSet;
  /** The first situation that was found for each of them. */
  how: ReadonlyMap<number, Situation>;
}

type Part = keyof typeof choicesOf;

/**
 * The parts of a situation that a rule looks at: among them the sides on which it asks for a solid
 * neighbour, and for one to join.
 */
function asked({ to, side, when = {} }: Placing): {
  parts: Part[];
  solid: readonly Direction[];
  joined: readonly Direction[];
} {
  const parts = new Set<Part>();
  if (to === 'toward the player' || to === 'away from the player') parts.add('looks').add('pitch');
  if (
    to === 'clicked side' ||
    to === 'along the clicked side' ||
    to === 'away from a solid neighbour' ||
    when.clicked
  )
    parts.add('clicked');
  if (to === 'half of the clicked side' || when.half) parts.add('half').add('clicked');
  if (to === 'crouching' || when.crouching !== undefined) parts.add('crouching');
  if (to === 'signal' || when.signal !== undefined) parts.add('signal');
  if (to === 'corner') parts.add('beside').add('looks');
  return {
    parts: [...parts],
    solid: to === 'away from a solid neighbour' ? directions : (when.solid ?? []),
    joined: to === 'joined' && side ? [side] : [],
  };
}

/**
 * Which states placing can produce, and for each a situation that does, by trying every situation
 * that the rules can tell apart: at most 6 sides × 2 halves × 4 × 3 ways to look × crouching ×
 * signal × 3⁶ neighbours. A block is set against the one that was clicked, so that neighbour is
 * there unless the rules ask about it.
 *
 * @example reachable([{ set: 'axis', to: 'along the clicked side' }], space).states.count // 3
 */
export function reachable(rules: readonly Placing[], space: StateSpace): Reach {
  const states = new BitSet(space.size);
  const how = new Map<number, Situation>();
  if (space.tooLarge) return { states, how };
  const known = rules.filter((rule) => space.indexOf(rule.set) >= 0);
  const questions = known.map(asked);
  const parts = [...new Set(questions.flatMap((question) => question.parts))];
  // Where one rule asks for a solid neighbour and another for one to join, a block of the same kind
  // is a third case.
  const sides = directions.flatMap((side): { side: Direction; kinds: readonly Neighbour[] }[] => {
    const [solid, joined] = [
      questions.some((question) => question.solid.includes(side)),
      questions.some((question) => question.joined.includes(side)),
    ];
    return solid || joined
      ? [{ side, kinds: solid && joined ? neighbourKinds : ['open', 'solid'] }]
      : [];
  });
  const each = (situation: Situation, depth: number): void => {
    const part = parts[depth];
    if (part)
      for (const choice of choicesOf[part]) each({ ...situation, [part]: choice }, depth + 1);
    else
      around(
        {
          ...situation,
          neighbours: { ...situation.neighbours, [opposite(situation.clicked)]: 'solid' },
        },
        0,
      );
  };
  const around = (situation: Situation, depth: number): void => {
    const next = sides[depth];
    if (next)
      for (const kind of next.kinds)
        around(
          { ...situation, neighbours: { ...situation.neighbours, [next.side]: kind } },
          depth + 1,
        );
    else {
      const state = placedState(known, space, situation);
      if (!how.has(state)) how.set(state, situation);
      states.add(state);
    }
  };
  const fromItem = [
    ...new Set(known.filter((rule) => rule.to === 'from the item').map((rule) => rule.set)),
  ];
  each(
    {
      ...usualSituation,
      neighbours: {
        north: 'open',
        east: 'open',
        south: 'open',
        west: 'open',
        up: 'open',
        down: 'open',
      },
    },
    0,
  );
  // An item may carry any value that the block can have: every state that placing gives then comes
  // with every one of them.
  for (const name of fromItem) {
    const at = space.indexOf(name);
    for (const [state, situation] of [...how])
      for (const [digit, value] of itemAt(space.values, at).entries()) {
        const other = space.withDigit(state, at, digit);
        if (how.has(other)) continue;
        const carrying = { ...situation, carried: { ...situation.carried, [name]: value } };
        how.set(other, carrying);
        states.add(other);
      }
  }
  return { states, how };
}

/** A situation in words, as far as the rules look at it: `clicked side up, looking north`. */
export function describeSituation(situation: Situation, rules: readonly Placing[]): string {
  const parts = new Set(rules.flatMap((rule) => asked(rule).parts));
  const solid = directions.filter(
    (side) =>
      situation.neighbours[side] !== 'open' &&
      rules.some((rule) => [...asked(rule).solid, ...asked(rule).joined].includes(side)),
  );
  const words = [
    parts.has('clicked') && `clicking a side that faces ${situation.clicked}`,
    parts.has('half') &&
      !['up', 'down'].includes(situation.clicked) &&
      `in its ${situation.half} half`,
    parts.has('looks') &&
      `looking ${situation.looks}${situation.pitch === 'level' ? '' : ` and ${situation.pitch}`}`,
    parts.has('crouching') && (situation.crouching ? 'crouching' : 'standing'),
    parts.has('signal') && (situation.signal ? 'with a signal' : 'without a signal'),
    situation.carried &&
      `with an item that carries ${Object.entries(situation.carried)
        .map(([name, value]) => `${name} = ${String(value)}`)
        .join(', ')}`,
    solid.length > 0 && `with a neighbour ${solid.join(', ')}`,
    parts.has('beside') &&
      situation.beside &&
      Object.entries(situation.beside)
        .map(([side, state]) => `beside one ${side} of it that faces ${String(state['heading'])}`)
        .join(' and '),
  ].filter((word) => word !== false && word !== undefined);
  return words.join(', ') || 'whatever the player does';
}
