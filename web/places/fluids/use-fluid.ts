import { useMemo } from 'react';
import { removeFluid, type Fluid } from '../../../core/mod/index.ts';
import { useSession } from '../../api/hooks.tsx';

/** The ways to change one fluid. */
export interface FluidEdits {
  name: string;
  /** Puts a part otherwise; undefined takes away what it says. */
  put: <Part extends keyof Fluid>(
    label: string,
    part: Part,
    value: Fluid[Part] | undefined,
  ) => void;
  remove: () => void;
}

/** The ways to change a fluid; the same for as long as it is called so. */
export function useFluidEdits(name: string): FluidEdits {
  const session = useSession();
  return useMemo(
    () => ({
      name,
      put: (label, part, value) => session.set(label, ['fluids', name, part], value),
      remove: () => session.edit(`Remove the fluid ${name}`, removeFluid(session.view.mod, name)),
    }),
    [session, name],
  );
}
