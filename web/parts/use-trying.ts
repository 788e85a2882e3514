import { useState } from 'react';
import { messageOf } from '../../core/words/index.ts';

/** Does something that may be refused, and says why where it was. */
export function useTrying(): [
  problem: string | undefined,
  tries: (act: () => Promise<void>) => void,
] {
  const [problem, setProblem] = useState<string>();
  const tries = (act: () => Promise<void>) => {
    setProblem(undefined);
    act().catch((error: unknown) => setProblem(messageOf(error)));
  };
  return [problem, tries];
}
