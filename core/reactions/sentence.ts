import type { Action, Reaction, ReactionEvent, ReactionIf } from '../mod/index.ts';
import { count, listed } from '../words/index.ts';

/** How ids are called in a sentence. */
export type Called = (id: string) => string;
const byName: Called = (id) => id.slice(id.indexOf(':') + 1).replaceAll('_', ' ');

/** When something happens, in words. */
export const eventWords: Readonly<Record<ReactionEvent, string>> = {
  placed: 'it is placed',
  broken: 'it is broken',
  'dug wrongly': 'it is dug by the wrong tool',
  used: 'it is used',
  'stepped on': 'somebody steps on it',
  'landed on': 'somebody lands on it',
  'neighbour changes': 'a neighbour changes',
  'signal comes': 'a signal comes',
  'signal goes': 'the signal goes',
  'at random': 'it happens, by chance',
  'after ticks': 'time has passed',
};

/** When a reaction answers, in words: `20 ticks have passed`. */
export function whenInWords({ when, by, ticks = 1 }: Reaction): string {
  if (when === 'after ticks')
    return `${count(ticks, 'tick')} ${ticks === 1 ? 'has' : 'have'} passed`;
  if (when === 'at random') return `at random, once in ${count(ticks, 'tick')}`;
  const who = by === 'players' ? 'by a player' : by === 'creatures' ? 'by a creature' : '';
  const somebody = by === 'players' ? 'a player' : by === 'creatures' ? 'a creature' : 'somebody';
  return eventWords[when].startsWith('somebody')
    ? eventWords[when].replace('somebody', somebody)
    : [eventWords[when], who].filter(Boolean).join(' ');
}

/** What must hold, in words, part by part; none where nothing must. */
export function ifInWords(asked: ReactionIf | undefined, called: Called = byName): string[] {
  if (!asked) return [];
  const { state, tool, grade, holds, crouching, chance, light, signal, neighbour } = asked;
  const thing = (id: string) =>
    id === 'nothing'
      ? 'nothing'
      : id.startsWith('#')
        ? `any of ${called(id.slice(1))}`
        : called(id);
  return [
    ...Object.entries(state ?? {}).map(
      ([name, wanted]) => `${name} is ${listed([wanted].flat().map(String), 'or')}`,
    ),
    ...(tool === undefined && grade === undefined
      ? []
      : [`the tool is ${tool ? `a ${tool}` : 'one'}${grade ? ` of grade ${grade} or more` : ''}`]),
    ...(holds === undefined ? [] : [`${thing(holds)} is in the hand`]),
    ...(crouching === undefined ? [] : [crouching ? 'they crouch' : 'they do not crouch']),
    ...(light ? [`the light is ${light[0]} to ${light[1]}`] : []),
    ...(signal === undefined ? [] : [signal ? 'a signal is there' : 'no signal is there']),
    ...(neighbour
      ? [
          `${thing(neighbour.is)} is ${neighbour.side === undefined ? 'beside it' : sideWords[neighbour.side]}` +
            Object.entries(neighbour.state ?? {})
              .map(([name, wanted]) => `, its ${name} ${listed([wanted].flat().map(String), 'or')}`)
              .join(''),
        ]
      : []),
    ...(chance === undefined ? [] : [`chance is with it, ${percent(chance)}`]),
  ];
}

const sideWords = {
  north: 'to its north',
  east: 'to its east',
  south: 'to its south',
  west: 'to its west',
  up: 'above it',
  down: 'under it',
} as const;
const percent = (share: number): string => `${Math.round(share * 1000) / 10} %`;

/** One thing that is done, in words: `open becomes true`. */
export function actionInWords(action: Action, called: Called = byName): string {
  switch (action.do) {
    case 'set':
      return `${action.property} becomes ${String(action.to)}`;
    case 'flip':
      return `${action.property} goes to its next value`;
    case 'step':
      return `${action.property} goes ${action.by < 0 ? 'down' : 'up'} by ${Math.abs(action.by)}`;
    case 'become':
      return `it becomes ${called(action.block)}`;
    case 'vanish':
      return 'it is gone';
    case 'drop':
      return `it drops ${some(action.count, called(action.item))}`;
    case 'give':
      return `the player gets ${some(action.count, called(action.item))}`;
    case 'take':
      return `${action.count ?? 1} of what is in the hand is taken`;
    case 'play':
      return `${called(action.sound)} is heard`;
    case 'signal':
      return signalInWords(action);
    case 'pour':
      return `${called(action.fluid)} springs ${sideWords[action.side]}`;
    case 'drain':
      return `the fluid ${sideWords[action.side]} is gone`;
    case 'place':
      return `${called(action.block)} comes ${sideWords[action.side]}`;
    case 'spread':
      return (
        `it spreads to within ${count(action.within, 'block')}` +
        (action.onto === undefined
          ? ''
          : `, onto ${action.onto.startsWith('#') ? `any of ${called(action.onto.slice(1))}` : called(action.onto)}`)
      );
    case 'blast':
      return `a charge of ${action.strength} goes off`;
    case 'call':
      return `${some(action.count, called(action.creature))} comes`;
    case 'run':
      return `${action.function} of the mod’s code is run`;
  }
}

const some = (many: number | undefined, what: string): string =>
  many === undefined || many === 1 ? what : `${many} ${what}`;

const signalInWords = ({ strength, ticks }: Extract<Action, { do: 'signal' }>): string =>
  strength === 0
    ? 'its signal ends'
    : `it gives a signal of ${strength}` +
      (ticks === undefined ? ' from then on' : ` for ${count(ticks, 'tick')}`);

/**
 * A reaction as one sentence.
 *
 * @example reactionInWords(lever.reactions[0])
 * // 'When it is used by a player, if on is false: on becomes true, and it gives a signal of 15 from then on.'
 */
export function reactionInWords(reaction: Reaction, called: Called = byName): string {
  const asked = ifInWords(reaction.if, called);
  const begins =
    reaction.when === 'at random'
      ? 'At random, once in ' + count(reaction.ticks ?? 1, 'tick')
      : `When ${whenInWords(reaction)}`;
  return (
    `${begins}${asked.length ? `, if ${listed(asked)}` : ''}: ` +
    `${listed(reaction.then.map((action) => actionInWords(action, called)))}.`
  );
}
