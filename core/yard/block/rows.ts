import type { State, Value, When } from '../../states/index.ts';
import type { Rows } from '../pack-world.ts';

/**
 * Whether all that a condition names holds of a state.
 *
 * @example matches({ lit: true, heading: ['north', 'south'] }, { lit: true, heading: 'north' }) // true
 */
export const matches = (when: When | undefined, state: State): boolean =>
  Object.entries(when ?? {}).every(([name, wanted]) => {
    const value = state[name];
    return value !== undefined && (Array.isArray(wanted) ? wanted : [wanted]).includes(value);
  });

/** The value of the first row that matches a state; undefined where none does. */
export const valueIn = <T>(rows: Rows<T>, state: State): T | undefined =>
  rows.find(({ when }) => matches(when, state))?.value;

/** Whether a value is one of those that a property can have. */
export const hasValue = (values: readonly Value[], value: Value | undefined): value is Value =>
  value !== undefined && values.includes(value);
