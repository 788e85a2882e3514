import { proveCodes, type CodeLayout } from './codes.ts';
import type { StateSpace } from './space.ts';

/**
 * What keeps a layout of state codes from storing every state, as the rest of a sentence about the
 * block; undefined when nothing does.
 */
export function codeFlaw(layout: CodeLayout, space: StateSpace): string | undefined {
  const { without, collision, lost } = proveCodes(layout, space);
  if (collision)
    return (
      `the states ${space.describe(collision.first)} and ` +
      `${space.describe(collision.second)} share the code ${collision.code}`
    );
  if (without !== undefined) return `the state ${space.describe(without)} has no code`;
  return (
    lost &&
    `the state ${space.describe(lost.state)} comes back from its code as ` +
      (lost.back === undefined ? 'no state' : space.describe(lost.back))
  );
}
