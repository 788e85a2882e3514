import { useEffect, useMemo, useSyncExternalStore } from 'react';
import {
  reachOf,
  type FluidPhysics,
  type FluidScene,
  type Reach,
} from '../../../../core/fluids/index.ts';
import { Pour } from './pour.ts';

/**
 * Pours a fluid in a scene, and works out how far it comes by itself and when. A fluid that moves
 * otherwise, and another scene, begin anew and run at once, so that a changed number is seen in
 * what it does; one that only looks otherwise goes on.
 */
export function useSection(
  { reach: level, pace, rises, renews, leaves, meets }: FluidPhysics,
  scene: FluidScene,
  tickRate: number,
): { pour: Pour; reach: Reach } {
  const physics = useMemo(
    (): FluidPhysics => ({
      reach: level,
      pace,
      ...(rises && { rises }),
      ...(renews && { renews }),
      ...(leaves !== undefined && { leaves }),
      ...(meets && { meets }),
    }),
    [level, pace, rises, renews, leaves, meets],
  );
  const reach = useMemo(() => reachOf(physics, scene, tickRate), [physics, scene, tickRate]);
  const pour = useMemo(() => new Pour(physics, scene, tickRate), [physics, scene, tickRate]);
  useEffect(() => {
    pour.play();
    return () => pour.stop();
  }, [pour]);
  useSyncExternalStore(pour.listen, () => pour.version);
  return { pour, reach };
}
