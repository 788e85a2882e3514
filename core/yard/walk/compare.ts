import type { WalkCheck } from './walk.ts';

/** A try that came out otherwise than the last time. */
export interface WalkDifference {
  block: string;
  part: string;
  /** Undefined where it was not tried, or is not any more. */
  before: string | undefined;
  now: string | undefined;
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
    if (old && said(old) === said(check)) return [];
    return [{ ...check, before: old && said(old), now: said(check) }];
  });
  const gone = [...then.values()].map((old) => ({ ...old, before: said(old), now: undefined }));
  return [...found, ...gone].map(({ block, part, before: was, now: is }) => ({
    block,
    part,
    before: was,
    now: is,
  }));
}
