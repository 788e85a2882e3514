import type { Mod } from '../../../core/mod/index.ts';
import { bornAs, firstVisit, type FirstStep, type FirstVisit } from './steps.ts';

/** Where this browser remembers the first visit. */
const key = 'obrank.first-visit';

const listeners = new Set<() => void>();
let known: FirstVisit | undefined;

function readVisit(): FirstVisit {
  try {
    const kept = window.localStorage.getItem(key);
    return kept === null ? firstVisit : { ...firstVisit, ...(JSON.parse(kept) as FirstVisit) };
  } catch {
    return firstVisit;
  }
}

/** How far the first visit is, as this browser remembers it. */
export const visitNow = (): FirstVisit => (known ??= readVisit());

/** Hears whenever the first visit goes on. */
export const onVisit = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

function put(visit: FirstVisit): void {
  known = visit;
  try {
    window.localStorage.setItem(key, JSON.stringify(visit));
  } catch {
    // A browser that remembers nothing shows the line again the next time.
  }
  for (const listener of listeners) listener();
}

/** Notes the block of one's own, the first that is declared. */
export function noteFirstBlock(mod: Mod, name: string): void {
  const born = bornAs(mod, name);
  const visit = visitNow();
  if (visit.isOver || visit.block || !born) return;
  put({ ...visit, block: { mod: mod.header.namespace, name, born } });
}

/** Notes a step as passed over, or as done where the mod itself does not tell of it. */
export function passStep(step: FirstStep): void {
  const visit = visitNow();
  if (!visit.isOver && !visit.passed.includes(step))
    put({ ...visit, passed: [...visit.passed, step] });
}

/** The line is wanted no more, for good. */
export const endVisit = (): void => put({ ...visitNow(), isOver: true });
