import useSWR from 'swr';
import { endpoints, type HistoryAnswer } from '../../core/api/index.ts';
import { call } from './client.ts';
import { useSession, useView } from './hooks.tsx';

/**
 * So many pages of the history, newest first, and whether there is more; undefined until it is
 * known. It is asked for again when the mod moves on.
 */
export function useHistory(
  block: string | undefined,
  pages: number,
): { history: (HistoryAnswer & { hasMore: boolean }) | undefined; again: () => void } {
  const { name } = useSession();
  const { revision } = useView();
  const { data, mutate } = useSWR(
    ['history', name, revision, block, pages],
    () => fetchPages(name, block, pages),
    { keepPreviousData: true, revalidateOnFocus: false },
  );
  return { history: data, again: () => void mutate() };
}

async function fetchPages(
  mod: string,
  block: string | undefined,
  pages: number,
): Promise<HistoryAnswer & { hasMore: boolean }> {
  const lines: HistoryAnswer['lines'] = [];
  for (let page = 1; ; page += 1) {
    const query = { block, before: lines.at(-1)?.revision };
    const answer = await call(endpoints.listHistory, { mod }, { query });
    lines.push(...answer.lines);
    const hasMore = answer.lines.length > 0 && (answer.lines.at(-1)?.revision ?? 0) > 1;
    if (page === pages || !hasMore) return { ...answer, lines, hasMore: hasMore && page === pages };
  }
}

/** Names a revision, or takes its name away. Throws `Refused` when that cannot be. */
export async function namePoint(mod: string, revision: number, name: string | null): Promise<void> {
  await call(endpoints.namePoint, { mod }, { body: { revision, name } });
}
