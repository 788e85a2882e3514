import { useEffect, useState } from 'react';
import { endpoints, type ComparedFile, type Plan } from '../../../core/api/index.ts';
import type { Kit } from '../../../core/kits/index.ts';
import { messageOf } from '../../../core/words/index.ts';
import { runJob } from '../../api/jobs.ts';
import { useSession, useView } from '../../api/hooks.tsx';
import type { Fate } from './file-tree.tsx';

/** Work that is going on: how far it is, in parts of a whole that is 0 while it is not known. */
export interface Going {
  done: number;
  total: number;
}

/** Where a pack is built, and for which kit. */
export interface Where {
  target: string;
  kit: string;
}

/** A moment after the last change, in milliseconds, the plan is made anew. */
const restMs = 300;

/**
 * The plan for a target, made anew whenever the target, the mod, what is kept or `turn` changes; what is out of
 * date is cancelled on the server.
 */
export function usePlan(
  { target, kit }: Where,
  decided: Decided,
  turn: unknown,
): { plan: Plan | undefined; problem: string | undefined; going: Going | undefined } {
  const session = useSession();
  const { revision, saving } = useView();
  const [state, setState] = useState<{ plan?: Plan; problem?: string; going?: Going }>({});
  useEffect(() => {
    const stop = new AbortController();
    const put = (next: typeof state) => {
      if (!stop.signal.aborted) setState(next);
    };
    const timer = setTimeout(() => {
      const onProgress = (done: number, total: number) =>
        !stop.signal.aborted && setState((old) => ({ ...old, going: { done, total } }));
      const made = session
        .flush()
        .then(() =>
          runJob(
            endpoints.startPlan,
            { mod: session.name },
            { target, kit, ...asSent(decided) },
            { signal: stop.signal, onProgress },
          ),
        );
      made.then(
        (plan) => put({ plan }),
        (error: unknown) => put({ problem: messageOf(error) }),
      );
    }, restMs);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [target, kit, decided, revision, saving, session, turn]);
  return { plan: state.plan, problem: state.problem, going: state.going };
}

/** Whose words stand at each clash of a file, by its path. */
export type Settled = Readonly<Record<string, readonly ('mine' | 'built' | null)[]>>;

/** What people decided about what they changed by hand; what they keep is unknown until they say it. */
export interface Decided {
  keep: readonly string[] | undefined;
  settled: Settled;
  /** Files that become as they are built. */
  fresh: readonly string[];
  /** Whether it comes into somebody else's pack, and which blocks do; unknown until it is said. */
  joins: boolean | undefined;
  blocks: readonly string[] | undefined;
}

/** The same as it goes to the server. */
export const asSent = ({ keep, settled, fresh, joins, blocks }: Decided) => ({
  keep: keep && [...keep],
  joins,
  blocks: blocks && [...blocks],
  settled: Object.entries(settled).map(([path, takes]) => ({ path, takes: [...takes] })),
  fresh: [...fresh],
});

/** What of it bears on a single file. */
function clashesSent(decided: Decided) {
  const { keep: _, ...others } = asSent(decided);
  return others;
}

/** Both texts of the chosen file of a plan. */
export function useTexts(
  { target, kit }: Where,
  decided: Decided,
  plan: Plan | undefined,
  chosen: string | undefined,
): ComparedFile | undefined {
  const session = useSession();
  const [texts, setTexts] = useState<ComparedFile>();
  const wanted = plan && chosen;
  useEffect(() => {
    if (wanted === undefined) return;
    const stop = new AbortController();
    const put = (found: ComparedFile | undefined) => !stop.signal.aborted && setTexts(found);
    runJob(
      endpoints.startCompare,
      { mod: session.name },
      { target, kit, path: wanted, ...clashesSent(decided) },
      { signal: stop.signal },
    ).then(put, () => put(undefined));
    return () => stop.abort();
  }, [wanted, plan, decided, target, kit, session]);
  return wanted === undefined ? undefined : texts;
}

/** The file that is shown first: the first text that will change. */
export const firstToShow = ({ files }: Plan, kit: Kit): string | undefined =>
  files.find(
    ({ fate, path }) =>
      fate !== 'same' && fate !== 'kept' && kit.isText(path) && path !== kit.marker,
  )?.path;

/** Whether somebody else than Obrank has made a file what it is, and nobody has said which stays. */
export const isDisputed = ({ fate }: { fate: Fate }): boolean =>
  fate === 'edited' || fate === 'foreign' || fate === 'clash';

/** A number that is another one each time that somebody comes back to the page. */
export function useReturns(): number {
  const [returns, setReturns] = useState(0);
  useEffect(() => {
    const count = () => setReturns((before) => before + 1);
    window.addEventListener('focus', count);
    return () => window.removeEventListener('focus', count);
  }, []);
  return returns;
}

/** How many files of a plan have one of these fates. */
export const countFates = (plan: Plan | undefined, ...fates: Fate[]): number =>
  plan?.files.filter((file) => fates.includes(file.fate)).length ?? 0;

/** What the plan will do, in numbers. `12 new · 3 changed` */
export function planInWords(plan: Plan): string {
  const sums: [number, string][] = [
    [countFates(plan, 'new'), 'new'],
    [countFates(plan, 'changed', 'edited', 'foreign'), 'changed'],
    [countFates(plan, 'same'), 'the same'],
    [countFates(plan, 'gone'), 'gone'],
    [countFates(plan, 'merged'), plan.joins ? 'put together' : 'kept by hand'],
    [countFates(plan, 'clash'), 'changed by both'],
    [countFates(plan, 'mine'), 'yours'],
    [countFates(plan, 'kept'), 'not Obrank’s, left alone'],
  ];
  return sums
    .filter(([count]) => count)
    .map(([count, what]) => `${count} ${what}`)
    .join(' · ');
}
