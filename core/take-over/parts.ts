import { pointer } from '../json/index.ts';
import type { Declared } from '../kits/index.ts';
import type { Mod } from '../mod/index.ts';
import type { Arrival } from './arrivals.ts';
import { naturalIn, withNatural } from './natural.ts';
import { TakeOverProblem } from './problem.ts';
import { tidyMod } from './tidy.ts';

/** What files declare as a mod of which blocks can be taken: tidied, with what the world gives. */
export function partsOf({ mod, unread }: Declared): Mod {
  const tidy = tidyMod(mod);
  // Only a mod's own documents say what the world has by itself.
  return unread.has('/natural') ? withNatural(tidy, naturalIn(mod)) : tidy;
}

/**
 * Throws a {@link TakeOverProblem} when something that would come could not be read. What does not
 * come may be as broken as it is.
 */
export function refuseUnread({ unread }: Declared, arrivals: readonly Arrival[]): void {
  for (const { kind, from } of arrivals) {
    const at = pointer([kind, from]);
    const isUnread = [...unread].some((part) => part === at || part.startsWith(`${at}/`));
    if (isUnread)
      throw new TakeOverProblem(
        `Not all of ${from} could be read, and it would come along. Mend its files first.`,
      );
  }
}
