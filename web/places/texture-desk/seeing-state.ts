import { useMemo, useState } from 'react';
import type { Traits } from '../../../core/mod/index.ts';
import { climateColour, type MissingCone } from '../../../core/textures/facts/index.ts';
import { climateTints, type ClimateTint } from '../../../core/textures/index.ts';
import type { Beside } from './beside.ts';

/** How one looks at the picture and at the block beside it: tried here, and changes nothing. */
export interface Seeing {
  /** The tint that is tried; undefined leaves the block its own. */
  tint: Traits['tint'] | undefined;
  setTint: (tint: Traits['tint'] | undefined) => void;
  /** From 0, cold and wet, to 1, hot and dry. */
  climate: number;
  setClimate: (climate: number) => void;
  /** The kind of cones that one looks without. */
  without: MissingCone | undefined;
  setWithout: (cone: MissingCone | undefined) => void;
}

/** How one looks at what lies on the desk. */
export function useSeeing(): Seeing {
  const [tint, setTint] = useState<Seeing['tint']>();
  const [climate, setClimate] = useState(0.5);
  const [without, setWithout] = useState<MissingCone>();
  return { tint, setTint, climate, setClimate, without, setWithout };
}

/** Whether a tint is one that the climate chooses. */
export const isClimateTint = (tint: Traits['tint'] | undefined): tint is ClimateTint =>
  climateTints.some((one) => one === tint);

/** What stands beside the picture, under the tint and in the climate that are tried. */
export function useTinted(beside: Beside, { tint, climate }: Seeing, isSeen: boolean): Beside {
  const own = tint ?? beside.block.traits.tint;
  const shown = isClimateTint(own) ? climateColour(own, climate) : own;
  return useMemo(() => {
    if (!isSeen || shown === beside.block.traits.tint) return beside;
    const { block } = beside;
    return { ...beside, block: { ...block, traits: { ...block.traits, tint: shown } } };
  }, [beside, shown, isSeen]);
}
