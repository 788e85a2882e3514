import { useLocalStorage } from '@mantine/hooks';
import { useEffect, useRef, useSyncExternalStore } from 'react';
import { endpoints } from '../../core/api/index.ts';
import { tally } from '../../core/inspect/index.ts';
import { messageOf } from '../../core/words/index.ts';
import { useFindings, useSession, useView } from './hooks.tsx';
import { runJob } from './jobs.ts';

/** How building as one goes stands at a target. */
export type GoesOn =
  | { state: 'building' }
  | { state: 'built'; at: Date; revision: number }
  | { state: 'waits'; why: string };

/** The kit that is built at each target as one goes. */
type Targets = Readonly<Record<string, string>>;

const known = new Map<string, GoesOn>();
const listeners = new Set<() => void>();
const keyOf = (mod: string, target: string): string => `${mod}\n${target}`;

function tell(mod: string, target: string, going: GoesOn): void {
  known.set(keyOf(mod, target), going);
  for (const listener of listeners) listener();
}

const listen = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

const useTargets = (mod: string) =>
  useLocalStorage<Targets>({
    key: `obrank.going.${mod}`,
    defaultValue: {},
    getInitialValueInEffect: false,
  });

/** Whether a target is built as one goes, how that stands, and the way to begin or end it. */
export function useGoesOn(
  mod: string,
  target: string,
  kit: string,
): { isOn: boolean; goesOn: GoesOn | undefined; turn: (isOn: boolean) => void } {
  const [targets, setTargets] = useTargets(mod);
  const goesOn = useSyncExternalStore(listen, () => known.get(keyOf(mod, target)));
  return {
    isOn: Object.hasOwn(targets, target),
    goesOn,
    turn: (isOn) => {
      const { [target]: _, ...others } = targets;
      setTargets(isOn ? { ...others, [target]: kit } : others);
    },
  };
}

/** A moment after the last change, in milliseconds, it is built. */
const restMs = 500;

/**
 * Builds the mod at its targets a moment after every change that was saved, wherever one is in the
 * page. It waits while the mod has errors; what would overwrite something is left for a person.
 */
export function useBuildingAsYouGo(): void {
  const { name } = useSession();
  const { revision, saving, isPast = false } = useView();
  const findings = useFindings();
  const [targets] = useTargets(name);
  const last = useRef(Promise.resolve());
  const errors = findings && tally(findings).error;
  useEffect(() => {
    if (saving !== 'saved' || isPast || errors === undefined) return;
    const timer = setTimeout(() => {
      for (const [target, kit] of Object.entries(targets))
        last.current = last.current.then(() => buildAt(name, target, kit, revision, errors));
    }, restMs);
    return () => clearTimeout(timer);
  }, [name, revision, saving, isPast, errors, targets]);
}

async function buildAt(
  mod: string,
  target: string,
  kit: string,
  revision: number,
  errors: number,
): Promise<void> {
  const before = known.get(keyOf(mod, target));
  if (before?.state === 'built' && before.revision >= revision) return;
  if (errors > 0) {
    tell(mod, target, {
      state: 'waits',
      why: 'The mod has errors: it waits until they are mended.',
    });
    return;
  }
  tell(mod, target, { state: 'building' });
  const quiet = { signal: new AbortController().signal, onProgress: () => undefined };
  try {
    await runJob(endpoints.startBuild, { mod }, { target, kit }, quiet);
    tell(mod, target, { state: 'built', at: new Date(), revision });
  } catch (error) {
    tell(mod, target, { state: 'waits', why: messageOf(error) });
  }
}
