import { useMemo } from 'react';
import { acceptingOf, makingOf, viewOf } from '../../core/inspect/view.ts';
import type { Mod } from '../../core/mod/index.ts';
import {
  acceptsIn,
  whatCanBeHad,
  type Accepts,
  type Had,
  type Makings,
} from '../../core/recipes/index.ts';
import { useMod } from './hooks.tsx';

/** What ingredients stand for, and what can be had, worked out once for as long as nothing that they rest on changes. */
interface Making {
  rests: readonly unknown[];
  accepts: Accepts;
  had(): Map<string, Had>;
}
let last: Making | undefined;

function makingIn(mod: Mod): Making {
  const view = viewOf(mod);
  const accepting = acceptingOf(view);
  const making: Makings = makingOf(view);
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
  let had: Map<string, Had> | undefined;
  return (last = { rests, accepts, had: () => (had ??= whatCanBeHad(making, accepts)) });
}

/** What an ingredient stands for, in the mod as it is. */
export function useAccepts(): Accepts {
  const mod = useMod();
  return useMemo(() => makingIn(mod).accepts, [mod]);
}

/** What can be had in the mod as it is. */
export function useHad(): Map<string, Had> {
  const mod = useMod();
  return useMemo(() => makingIn(mod).had(), [mod]);
}
