import type { State, When } from '../states/index.ts';

/** Whether a state has everything that a condition names. */
export const fits = (when: When, state: State): boolean =>
  Object.entries(when).every(([name, wanted]) => {
    const value = state[name];
    return value !== undefined && [wanted].flat().includes(value);
  });
