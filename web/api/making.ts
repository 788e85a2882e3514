import { useMemo } from 'react';
import { acceptingOf, makingOf, viewOf } from '../../core/inspect/view.ts';
import type { Mod } from '../../core/mod/index.ts';
import {
  acceptsIn,
  findObtainable,
  type Accepts,
  type Obtainable,
  type Obtaining,
} from '../../core/recipes/index.ts';
import { useMod } from './hooks.tsx';

/**
 * What ingredients stand for, and what can be had, worked out once for as long as nothing that they
 * rest on changes.
 */
interface ObtainingRests {
  rests: readonly unknown[];
  accepts: Accepts;
  had: () => Map<string, Obtainable>;
}
let last: ObtainingRests | undefined;

function makingIn(mod: Mod): ObtainingRests {
  const view = viewOf(mod);
  const accepting = acceptingOf(view);
  const making: Obtaining = makingOf(view);
  const rests = [...Object.values(accepting), ...Object.values(making)].filter(
    (part) => part !== accepting.blockTags,
  );
  if (
    last &&
    rests.length === last.rests.length &&
    rests.every((part, i) => part === last!.rests[i])
  )
    return last;
  const accepts = acceptsIn(accepting);
  let had: Map<string, Obtainable> | undefined;
  return (last = { rests, accepts, had: () => (had ??= findObtainable(making, accepts)) });
}

/** What an ingredient stands for, in the mod as it is. */
export function useAccepts(): Accepts {
  const mod = useMod();
  return useMemo(() => makingIn(mod).accepts, [mod]);
}

/** What can be had in the mod as it is. */
export function useHad(): Map<string, Obtainable> {
  const mod = useMod();
  return useMemo(() => makingIn(mod).had(), [mod]);
}
