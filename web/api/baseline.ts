import useSWR from 'swr';
import { endpoints, type BaselineAnswer } from '../../core/api/index.ts';
import { call } from './client.ts';
import { useSession } from './hooks.tsx';

/**
 * What the files are compared with: the mod as it was built last, or brought in. Undefined while it
 * is loaded, or not wanted.
 */
export function useBaseline(wanted = true): BaselineAnswer | undefined {
  const session = useSession();
  const { data } = useSWR(
    wanted ? ['baseline', session.name] : null,
    () => call(endpoints.getBaseline, { mod: session.name }),
    { revalidateOnFocus: false },
  );
  return data;
}
