import { itemAt } from '../lists/index.ts';
import type { Candidate, Looks } from './block.schema.ts';
import { orientationAlong, usualTop, type Axis, type Direction } from '../space/index.ts';
import { expandRows, fewestRows, type Rows, type StateSpace } from '../states/index.ts';

/**
 * A candidate turned for a value of a heading, direction or axis; what says nothing new is left
 * out.
 */
export function turnedCandidate(candidate: Candidate, value: Direction | Axis): Candidate {
  const { front = 'south', top = usualTop(front), ...rest } = candidate;
  return withOrientation(rest, orientationAlong(value, { front, top }));
}

/** A candidate with an orientation; a front to the south and the usual top are not written. */
export function withOrientation(
  candidate: Candidate,
  { front, top }: { front: Direction; top: Direction },
): Candidate {
  const { front: _front, top: _top, ...rest } = candidate;
  return {
    ...rest,
    ...(front === 'south' ? {} : { front }),
    ...(top === usualTop(front) ? {} : { top }),
  };
}

/**
 * Rows in which the look follows the property at that place; undefined when a state has no look to
 * spread.
 */
export function spreadRows(
  rows: Rows<Candidate[]>,
  space: StateSpace,
  index: number,
): Looks['rows'] | undefined {
  const values = itemAt(space.values, index) as readonly (Direction | Axis)[];
  const shown = expandRows(rows, space);
  if (shown.includes(undefined)) return undefined;
  const spread = shown.map((_, state) =>
    shown[space.withDigit(state, index, 0)]!.map((candidate) =>
      turnedCandidate(candidate, itemAt(values, space.digit(state, index))),
    ),
  );
  return fewestRows(spread, space).rows.map(({ when, value }) =>
    when ? { when, use: value } : { use: value },
  );
}
