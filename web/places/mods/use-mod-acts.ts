import { useState } from 'react';
import { endpoints } from '../../../core/api/index.ts';
import { call } from '../../api/client.ts';
import { useMods } from '../../api/mods.ts';

/** What can be done with a mod as a whole, and why the last of it could not be. */
export interface ModActs {
  remove: (mod: string) => Promise<void>;
  restore: (mod: string) => Promise<void>;
  problem: string | undefined;
}

/** Putting mods into the bin and bringing them back. */
export function useModActs(): ModActs {
  const { mutate } = useMods();
  const [problem, setProblem] = useState<string>();
  const doing = async (work: () => Promise<unknown>) => {
    setProblem(undefined);
    try {
      await work();
    } catch (error) {
      setProblem((error as Error).message);
    }
    await mutate();
  };
  return {
    problem,
    remove: (mod) => doing(() => call(endpoints.removeMod, { mod })),
    restore: (mod) => doing(() => call(endpoints.restoreMod, { mod })),
  };
}
