import { useState } from 'react';
import { endpoints, type FolderAnswer } from '../../core/api/index.ts';
import { call, Refused } from './client.ts';
import { useSession, useView } from './hooks.tsx';

type Side = 'page' | 'folder';

/** What can be done about the folder that the mod lives in, and what came of it last. */
export interface FolderActs {
  folder: FolderAnswer | undefined;
  isBusy: boolean;
  /** Why the last thing could not be done. */
  problem: string | undefined;
  /** The folder whose files differ from the mod: somebody must say which of the two counts. */
  differing: string | undefined;
  link: (folder: string, keep?: Side) => Promise<void>;
  unlink: () => Promise<void>;
  choose: (units: string[], keep: Side) => Promise<void>;
}

/** The folder of the mod, and what can be done about it. */
export function useFolder(): FolderActs {
  const { name: mod } = useSession();
  const { folder } = useView();
  const [isBusy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string>();
  const [differing, setDiffering] = useState<string>();
  const doing = async (work: () => Promise<unknown>, given?: string) => {
    setBusy(true);
    setProblem(undefined);
    setDiffering(undefined);
    try {
      await work();
    } catch (error) {
      setProblem((error as Error).message);
      if (error instanceof Refused && error.more['differing'] !== undefined) setDiffering(given);
    } finally {
      setBusy(false);
    }
  };
  return {
    folder,
    isBusy,
    problem,
    differing,
    link: (given, keep) =>
      doing(() => call(endpoints.linkFolder, { mod }, { body: { folder: given, keep } }), given),
    unlink: () => doing(() => call(endpoints.unlinkFolder, { mod })),
    choose: (units, keep) =>
      doing(() => call(endpoints.chooseSide, { mod }, { body: { units, keep } })),
  };
}
