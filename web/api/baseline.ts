import useSWR from 'swr';
import { applyChanges, invertChanges, type Mod } from '../../core/mod/index.ts';
import { getJson } from './client.ts';
import { useSession } from './hooks.tsx';
import type { ToldEdit } from './session.ts';

/** The mod as it was when it was built last, or brought in. */
export interface Baseline {
  mod: Mod;
  built: boolean;
}

/**
 * What the files are compared with: the mod as of its last build, found by taking back every edit
 * since. Undefined while it is loaded, or not wanted.
 */
export function useBaseline(wanted = true): Baseline | undefined {
  const session = useSession();
  const { data } = useSWR(
    wanted ? ['baseline', session.name] : null,
    async (): Promise<Baseline> => {
      await session.flush();
      const { revision, mod, built } = await getJson<{
        revision: number;
        mod: Mod;
        built: number | null;
      }>(`/api/mods/${session.name}`);
      const edits: ToldEdit[] = [];
      for (let after = built ?? 0; after < revision;) {
        const some = await getJson<ToldEdit[]>(`/api/mods/${session.name}/edits?after=${after}`);
        if (!some.length) break;
        edits.push(...some.filter((edit) => edit.revision <= revision));
        after = some.at(-1)!.revision;
      }
      return {
        mod: edits
          .reverse()
          .reduce((at, edit) => applyChanges(at, invertChanges(edit.changes)), mod),
        built: built !== null,
      };
    },
    { revalidateOnFocus: false },
  );
  return data;
}
