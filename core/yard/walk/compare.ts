import type { WalkCheck } from './walk.ts';

/** A try that came out otherwise than the last time. */
export interface WalkDifference {
  block: string;
  part: string;
  /** Undefined where it was not tried, or is not any more. */
  before: string | undefined;
  now: string | undefined;
  /** Whether it looks otherwise, whatever came of it in words. */
  looksOther: boolean;
}

type Check = Omit<WalkCheck, 'part'> & { part: string };

const keyOf = ({ block, part }: Pick<Check, 'block' | 'part'>): string => `${block}\n${part}`;
const said = ({ found, amiss }: Pick<WalkCheck, 'found' | 'amiss'>): string =>
  amiss === undefined ? found : `${found}. ${amiss}`;

/**
 * What comes out otherwise than on an earlier walk.
 *
 * @example walkDifferences(before, testWalk(world))
 */
export function walkDifferences(before: readonly Check[], now: readonly Check[]): WalkDifference[] {
  const then = new Map(before.map((check) => [keyOf(check), check]));
  const found = now.flatMap((check): WalkDifference[] => {
    const old = then.get(keyOf(check));
    then.delete(keyOf(check));
    const { block, part, looks } = check;
    const looksOther = old?.looks !== undefined && looks !== undefined && old.looks !== looks;
    if (old && said(old) === said(check) && !looksOther) return [];
    return [{ block, part, before: old && said(old), now: said(check), looksOther }];
  });
  const gone = [...then.values()].map(({ block, part, ...old }) => ({
    block,
    part,
    before: said(old),
    now: undefined,
    looksOther: false,
  }));
  return [...found, ...gone];
}

/** What a try was the last time, in words. */
export const wasInWords = ({ before, now, looksOther }: WalkDifference): string =>
  before === now && looksOther
    ? 'looks otherwise than the last time'
    : `was: ${before ?? 'not tried'}${looksOther ? ', and looked otherwise' : ''}`;
