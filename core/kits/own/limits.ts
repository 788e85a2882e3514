import type { OwnKit } from '../../mod/index.ts';
import { orientations, type Orientation } from '../../space/index.ts';
import type { KitLimits } from '../kit.ts';
import { sayable } from './filters/angles.ts';

/** What counts where a kit says nothing: as much as Obrank itself can hold. */
const boundless: KitLimits = {
  states: 65_536,
  stateCodeBits: 32,
  wholeShares: false,
  pattern: [32, 32],
  boxes: 4096,
  reach: 4096,
  spinStep: 0,
  textureSide: 4096,
};

/** The limits of a kit that somebody wrote. */
export function limitsOf({ limits }: Pick<OwnKit, 'limits'>): KitLimits {
  const { orientations: ways, ...others } = limits ?? {};
  const held = waysHeld(ways);
  return { ...boundless, ...others, ...(held && { orientations: held }) };
}

type Ways = NonNullable<OwnKit['limits']>['orientations'];

/** In which orientations models can stand; undefined where in all. */
function waysHeld(ways: Ways): readonly Orientation[] | undefined {
  if (ways === undefined || ways === 24) return undefined;
  if (ways === 4) return orientations.filter(({ top }) => top === 'up');
  return sayable(ways.about);
}
