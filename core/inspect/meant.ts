import { ownName, retiredNamed, type Ledger, type Registered } from '../mod/index.ts';
import { closest, didYouMean } from '../words/index.ts';

/** What is meant by an id that leads nowhere, and the end of the sentence that says so. */
export interface Meant {
  id: string | undefined;
  hint: string;
}

/**
 * What is meant by an id that leads nowhere: of what was taken out of the mod its successor alone, if
 * that is there, since any other would be a guess; else the one that it is a slip of the fingers away from.
 * `candidates` are ids; without `kinds` nothing is known of what was taken away.
 *
 * @example meantBy('saltmarsh:lmap', { ledger, namespace, candidates: ['saltmarsh:lamp'] }).id
 * // 'saltmarsh:lamp'
 */
export function meantBy(
  id: string,
  {
    ledger,
    namespace,
    candidates,
    kinds = [],
  }: {
    ledger: Ledger;
    namespace: string;
    candidates: Iterable<string>;
    kinds?: readonly Registered[];
  },
): Meant {
  const gone = retiredNamed(ledger, ownName(namespace, id) ?? '', kinds);
  if (gone) {
    const { successor } = gone;
    // Whether another mod has it is that mod's to say.
    const isThere =
      successor !== undefined &&
      (ownName(namespace, successor) === undefined || [...candidates].includes(successor));
    return { id: isThere ? successor : undefined, hint: ' It was taken out of the mod.' };
  }
  const near = closest(id, candidates);
  return { id: near, hint: didYouMean(near) };
}
