import type { Reaction } from '../mod/index.ts';
import type { ReactingBlock } from './world.ts';

/** What a block can hear of its neighbours. */
type Heard = 'changes' | 'signals';

/** A reaction to something of a neighbour, as far as others are stirred by it in turn. */
interface Ear {
  hears: Heard;
  /** What its neighbours hear when it answers. */
  stirs: ReadonlySet<Heard>;
  /** The block that must stand beside it; none where any may, or where a tag is asked for. */
  beside: string | undefined;
}

const hears = ({ when }: Reaction): Heard | undefined =>
  when === 'neighbour changes'
    ? 'changes'
    : when === 'signal comes' || when === 'signal goes'
      ? 'signals'
      : undefined;

const stirs = ({ then }: Reaction): Set<Heard> =>
  new Set(
    then.flatMap((action): Heard[] => {
      if (action.do === 'signal') return ['signals'];
      if (action.do === 'set' || action.do === 'flip' || action.do === 'step') return ['changes'];
      return action.do === 'become' || action.do === 'vanish' ? ['changes', 'signals'] : [];
    }),
  );

const known = new WeakMap<readonly Reaction[], Ear[]>();

/** The reactions of a block by which it hears its neighbours and stirs them. */
function earsOf({ reactions }: ReactingBlock): Ear[] {
  let ears = known.get(reactions);
  if (!ears)
    known.set(
      reactions,
      (ears = reactions.flatMap((reaction): Ear[] => {
        const what = hears(reaction);
        const stirred = stirs(reaction);
        if (!what || !stirred.size) return [];
        const is = reaction.if?.neighbour?.is;
        const isBlock = is !== undefined && is !== 'nothing' && !is.startsWith('#');
        return [{ hears: what, stirs: stirred, beside: isBlock ? is : undefined }];
      })),
    );
  return ears;
}

/** Whether a block hears its neighbours and stirs them at all. */
export const listens = (block: ReactingBlock): boolean => earsOf(block).length > 0;

/** Whether a reaction of a block asks for one of its sides, or acts on one. */
export const namesSides = ({ reactions }: ReactingBlock): boolean =>
  reactions.some(
    ({ if: asked, then }) =>
      asked?.neighbour?.side !== undefined || then.some((action) => 'side' in action),
  );

/** A block as it may be after a while: what all that it may become hears and stirs. */
export interface Kin {
  ids: ReadonlySet<string>;
  ears: readonly Ear[];
}

/** The kin of a block, from all that it may become. */
export const kinFrom = (kin: ReadonlyMap<string, ReactingBlock | undefined>): Kin => ({
  ids: new Set(kin.keys()),
  ears: [...kin.values()].flatMap((block) => (block ? earsOf(block) : [])),
});

/** A block of a group, and those that touch it there. */
export interface Among {
  kin: Kin;
  beside: readonly Kin[];
}

/**
 * Whether something that one block does by hearing is heard by another one, which does something in
 * turn, where nothing else stands beside either than is said, or what becomes of that.
 */
export function wakes(one: Among, other: Among): boolean {
  const earsAmong = ({ kin, beside }: Among) =>
    kin.ears.filter(
      (ear) => ear.beside === undefined || beside.some(({ ids }) => ids.has(ear.beside ?? '')),
    );
  const heard = earsAmong(other);
  return earsAmong(one).some(({ stirs: what }) => heard.some((ear) => what.has(ear.hears)));
}
