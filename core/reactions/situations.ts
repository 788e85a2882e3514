import type { Reaction, ReactionEvent } from '../mod/index.ts';
import { directions, type Direction } from '../space/index.ts';
import type { State } from '../states/index.ts';
import type { Beside, IsMeant, Occurrence } from './occurrence.ts';

/** So many situations are told apart at most; of more it is not known what always holds. */
export const mostSituations = 4096;

/** What is in no list and has no tag: an item, or a block. */
const another = 'obrank:another';

/** Ids under which a tag is tried: something that is in this tag and in no other one that is named. */
const inTag = (tag: string): string => `obrank:in ${tag}`;
/** Tags as they are tried: a member that stands for all of them. */
export const triedBy =
  (isMeant: IsMeant): IsMeant =>
  (meant, id) =>
    meant === id || (meant.startsWith('#') && id === inTag(meant)) || isMeant(meant, id);
const asId = (meant: string): string => (meant.startsWith('#') ? inTag(meant) : meant);

const unique = <T>(list: readonly T[]): T[] => [...new Set(list)];

/**
 * Every situation that the conditions of some reactions to an event can tell apart, but for the
 * state and for chance. Undefined where there are more than {@link mostSituations}.
 */
export function situationsFor(
  reactions: readonly Reaction[],
  event: ReactionEvent,
): Occurrence[] | undefined {
  const own = reactions.filter(({ when }) => when === event);
  const asked = own.flatMap((reaction) => reaction.if ?? []);
  const parts: ((occurrence: Occurrence) => Occurrence[])[] = [
    over('by', own.some(({ by }) => by) ? ['players', 'creatures', undefined] : [undefined]),
    over('tool', toolsIn(asked)),
    over('holds', [
      undefined,
      ...(asked.some(({ holds }) => holds !== undefined)
        ? [
            another,
            ...unique(
              asked.flatMap(({ holds }) => (holds && holds !== 'nothing' ? asId(holds) : [])),
            ),
          ]
        : []),
    ]),
    over('crouching', askedFor(asked, 'crouching') ? [false, true] : [false]),
    over('light', lightsIn(asked)),
    over('signal', signalsFor(event, askedFor(asked, 'signal'))),
    ...besidesIn(asked),
  ];
  let found: Occurrence[] = [{ event }];
  for (const part of parts) {
    found = found.flatMap(part);
    if (found.length > mostSituations) return undefined;
  }
  return found;
}

type Asked = NonNullable<Reaction['if']>;

const over =
  <Part extends keyof Occurrence>(part: Part, values: readonly Occurrence[Part][]) =>
  (occurrence: Occurrence): Occurrence[] =>
    values.map((value) => (value === undefined ? occurrence : { ...occurrence, [part]: value }));

const askedFor = (asked: readonly Asked[], part: keyof Asked): boolean =>
  asked.some((one) => one[part] !== undefined);

/** Who hears that a signal comes has one then; who hears that it goes has none. */
const signalsFor = (event: ReactionEvent, isAsked: boolean): boolean[] =>
  event === 'signal comes'
    ? [true]
    : event === 'signal goes'
      ? [false]
      : isAsked
        ? [false, true]
        : [false];

function toolsIn(asked: readonly Asked[]): Occurrence['tool'][] {
  if (!askedFor(asked, 'tool') && !askedFor(asked, 'grade')) return [undefined];
  const kinds = unique(asked.flatMap(({ tool }) => tool ?? []));
  const grades = unique([0, ...asked.flatMap(({ grade }) => grade ?? [])]);
  // A kind that nobody names stands for all of them.
  const other = (['pick', 'axe', 'spade', 'sickle', 'shears', 'hammer'] as const).find(
    (kind) => !kinds.includes(kind),
  );
  return [
    undefined,
    ...[...kinds, ...(other ? [other] : [])].flatMap((kind) =>
      grades.map((grade) => ({ kind, grade })),
    ),
  ];
}

function lightsIn(asked: readonly Asked[]): number[] {
  const ends = asked.flatMap(({ light }) =>
    light ? [light[0], light[0] - 1, light[1], light[1] + 1] : [],
  );
  return unique([15, ...ends.filter((level) => level >= 0 && level <= 15)]);
}

/** What stands beside, side by side: on each side that is asked about, and on one of the others. */
function besidesIn(asked: readonly Asked[]): ((occurrence: Occurrence) => Occurrence[])[] {
  const neighbours = asked.flatMap(({ neighbour }) => neighbour ?? []);
  if (!neighbours.length) return [];
  const named = unique(neighbours.flatMap(({ side }) => side ?? []));
  const free = directions.find((side) => !named.includes(side));
  const isAny = neighbours.some(({ side }) => side === undefined);
  const sides: Direction[] = [...named, ...(isAny && free ? [free] : [])];
  return sides.map(
    (side) => (occurrence) =>
      standingFor(neighbours.filter((one) => one.side === undefined || one.side === side)).map(
        (stands) =>
          stands ? { ...occurrence, beside: { ...occurrence.beside, [side]: stands } } : occurrence,
      ),
  );
}

function standingFor(
  neighbours: readonly NonNullable<Asked['neighbour']>[],
): (Beside | undefined)[] {
  const things = neighbours.flatMap(({ is, state }): Beside[] =>
    is === 'nothing'
      ? []
      : [{ id: asId(is) }, ...(state ? [{ id: asId(is), state: oneOf(state) }] : [])],
  );
  return [undefined, { id: another }, ...things];
}

/** A state that has the first value of everything that is asked for. */
const oneOf = (state: NonNullable<NonNullable<Asked['neighbour']>['state']>): State =>
  Object.fromEntries(Object.entries(state).map(([name, wanted]) => [name, [wanted].flat()[0]!]));
