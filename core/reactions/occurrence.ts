import type { ReactionEvent, ReactionIf, Reaction, ToolKind } from '../mod/index.ts';
import { directions, type Direction } from '../space/index.ts';
import { fits } from './fits.ts';
import type { State, StateSpace } from '../states/index.ts';

/** What stands beside a block: a block with its state, a fluid, or nothing. */
export interface Beside {
  id: string;
  state?: State;
}

/** Something that happens to a block, with everything that a reaction may ask about it. */
export interface Occurrence {
  event: ReactionEvent;
  by?: 'players' | 'creatures';
  /** Of what comes after ticks, and at random: which reaction it is the time of. */
  reaction?: number;
  tool?: { kind: ToolKind; grade: number };
  /** The item in the hand. */
  holds?: string;
  crouching?: boolean;
  /** The light above the block. */
  light?: number;
  /** Whether a signal comes from a neighbour now. */
  signal?: boolean;
  beside?: Readonly<Partial<Record<Direction, Beside>>>;
  /** Whether chance is with it: asked once for each reaction that has a chance. */
  luck?: (chance: number) => boolean;
}

/** Tells whether an id is meant by an id or by a tag after a `#`. */
export type IsMeant = (meant: string, id: string) => boolean;

/** Ids alone: no tags are known. */
export const byIdAlone: IsMeant = (meant, id) => meant === id;

/**
 * Whether what a reaction asks for holds. What the occurrence does not say counts as nothing: no
 * tool, nothing in the hand, no crouching, full light, no signal, nothing beside.
 *
 * @example holds({ holds: 'nothing' }, space, 0, { event: 'used' }, byIdAlone) // true
 */
export function holds(
  asked: ReactionIf | undefined,
  space: StateSpace,
  state: number,
  occurrence: Occurrence,
  isMeant: IsMeant,
): boolean {
  if (!asked) return true;
  const { tool, holds: item, crouching = false, light = 15 } = occurrence;
  if (asked.state && !fits(asked.state, space.decode(state))) return false;
  if (asked.tool !== undefined && tool?.kind !== asked.tool) return false;
  if (asked.grade !== undefined && (tool === undefined || tool.grade < asked.grade)) return false;
  if (asked.holds !== undefined && !isThis(asked.holds, item, isMeant)) return false;
  if (asked.crouching !== undefined && asked.crouching !== crouching) return false;
  if (asked.light && (light < asked.light[0] || light > asked.light[1])) return false;
  if (asked.signal !== undefined && asked.signal !== (occurrence.signal ?? false)) return false;
  if (asked.neighbour && !standsBeside(asked.neighbour, occurrence.beside ?? {}, isMeant))
    return false;
  // Chance is asked last, so that it is drawn only where everything else holds.
  return asked.chance === undefined || (occurrence.luck ?? always)(asked.chance);
}

const always = (chance: number): boolean => chance > 0;

const isThis = (meant: string, id: string | undefined, isMeant: IsMeant): boolean =>
  meant === 'nothing' ? id === undefined : id !== undefined && isMeant(meant, id);

const standsBeside = (
  { side, is, state }: NonNullable<ReactionIf['neighbour']>,
  beside: NonNullable<Occurrence['beside']>,
  isMeant: IsMeant,
): boolean =>
  (side ? [side] : directions).some((one) => {
    const there = beside[one];
    return (
      isThis(is, there?.id, isMeant) &&
      (!state || (there?.state !== undefined && fits(state, there.state)))
    );
  });

/** Whether a reaction answers to what happens, whatever it asks for besides. */
export const answers = ({ when, by }: Reaction, at: number, occurrence: Occurrence): boolean =>
  when === occurrence.event &&
  (by === undefined || by === occurrence.by) &&
  (occurrence.reaction === undefined || occurrence.reaction === at);

/**
 * The reaction that answers to what happens to a block in a state: the first whose conditions
 * hold, by its place in the list; −1 where none does.
 *
 * @example reactionTo(lever, space, 0, { event: 'used', by: 'players' }, byIdAlone) // 0
 */
export const reactionTo = (
  reactions: readonly Reaction[],
  space: StateSpace,
  state: number,
  occurrence: Occurrence,
  isMeant: IsMeant,
): number =>
  reactions.findIndex(
    (reaction, at) =>
      answers(reaction, at, occurrence) && holds(reaction.if, space, state, occurrence, isMeant),
  );
