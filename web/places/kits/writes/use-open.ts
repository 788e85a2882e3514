import { useSearchParams } from 'react-router';
import { expectedFolder } from '../../../../core/kits/index.ts';
import type { KitEdits } from '../use-kit.ts';

/** What of a kit is open: a rule, a text, and the thing that it is shown for. */
export interface Open {
  rule: number;
  /** The text in the left column; undefined for a rule that copies. */
  file: string | undefined;
  /** Whether it is what is shown, and not another station of the kit. */
  isShown: boolean;
  called: string;
  openRule: (rule: number) => void;
  openFile: (file: string) => void;
  showFor: (called: string) => void;
}

/** What of a kit is open, kept in the address. */
export function useOpen({ own, texts }: Pick<KitEdits, 'own' | 'texts'>): Open {
  const [search, setSearch] = useSearchParams();
  const given = Number(search.get('rule') ?? 0);
  const rule = Number.isInteger(given) && own.files[given] ? given : 0;
  const wanted = search.get('file');
  const file = wanted !== null && texts.has(wanted) ? wanted : own.files[rule]?.template;
  const put = (values: Record<string, string | undefined>) =>
    setSearch(
      (old) => {
        const next = new URLSearchParams(old);
        for (const [key, value] of Object.entries(values))
          if (value === undefined) next.delete(key);
          else next.set(key, value);
        return next;
      },
      { replace: true },
    );
  return {
    rule,
    file,
    isShown: ['writes', null].includes(search.get('station')),
    called: search.get('for') ?? '',
    openRule: (index) => put({ rule: String(index), file: undefined, station: undefined }),
    openFile: (path) => put({ file: path, station: undefined }),
    showFor: (called) => put({ for: called }),
  };
}

/** The texts of a kit that no rule names itself: what templates render, and words about it. */
export const besides = ({ own, texts }: Pick<KitEdits, 'own' | 'texts'>): string[] =>
  [...texts.keys()]
    .filter(
      (path) =>
        !path.startsWith(expectedFolder) && !own.files.some(({ template }) => template === path),
    )
    .sort();
