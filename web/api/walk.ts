import { endpoints, type Walked } from '../../core/api/index.ts';
import { walkDifferences, type WalkDifference } from '../../core/yard/index.ts';
import { asking } from './asked.ts';
import { callForBytes } from './client.ts';
import { runJob } from './jobs.ts';

/** What came of a walk, and what came out otherwise than on the one before, where there was one. */
export interface WalkTold extends Walked {
  differences: WalkDifference[] | undefined;
  /** The pack that was walked through; undefined where it could not be fetched afterwards. */
  pack: Uint8Array | undefined;
}

/** A longer walk is not kept for the next: the browser keeps no more than some megabytes. */
const mostKept = 1_000_000;

/** Walking through the pack of a mod, as the server holds it, in the Yard. */
export const { ask: walkThrough, useAsked: useWalk } = asking<WalkTold>(async (mod, options) => {
  const walked = await runJob(endpoints.startWalk, { mod }, undefined, options);
  const before = lastWalk(mod);
  keep(mod, walked.checks);
  const pack = await callForBytes(endpoints.downloadYard, { mod }).catch(() => undefined);
  return { ...walked, differences: before && walkDifferences(before, walked.checks), pack };
});

const keyOf = (mod: string): string => `obrank.walk.${mod}`;

function lastWalk(mod: string): Walked['checks'] | undefined {
  try {
    const kept = localStorage.getItem(keyOf(mod));
    return kept === null ? undefined : (JSON.parse(kept) as Walked['checks']);
  } catch {
    return undefined;
  }
}

function keep(mod: string, checks: Walked['checks']): void {
  const text = JSON.stringify(checks);
  if (text.length > mostKept) localStorage.removeItem(keyOf(mod));
  else localStorage.setItem(keyOf(mod), text);
}
