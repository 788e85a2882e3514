import { useEffect, useState } from 'react';
import { messageOf } from '../../../../core/words/index.ts';
import { openPack } from '../../../api/open-pack.ts';
import type { PackAsks } from '../../../workers/pack-protocol.ts';

/** What is answered to a question about the open pack: the answer, or why there is none. */
export interface Answered<T> {
  answer?: T;
  problem?: string;
  /** Whether the answer is to what is asked now, and not to what was asked before. */
  isOfNow: boolean;
}

/**
 * Asks the open pack and keeps the answer; asks again when `key` is another. What was answered
 * before stands until then, so that nothing flickers.
 */
export function useAsked<Name extends keyof PackAsks>(
  name: Name,
  asked: PackAsks[Name]['asked'],
  key: string,
): Answered<PackAsks[Name]['answer']> {
  const [held, setHeld] = useState<{
    key: string;
    answer?: PackAsks[Name]['answer'];
    problem?: string;
  }>();
  useEffect(() => {
    let wanted = true;
    void openPack.ask(name, asked).then(
      (answer) => wanted && setHeld({ key, answer }),
      (error: unknown) => wanted && setHeld({ key, problem: messageOf(error) }),
    );
    return () => {
      wanted = false;
    };
    // What is asked follows from the key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [name, key]);
  return { answer: held?.answer, problem: held?.problem, isOfNow: held?.key === key };
}
