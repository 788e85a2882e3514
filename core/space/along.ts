import { axes, directionStep, headings, type Axis, type Direction } from './direction.ts';
import { compose, isOrientation, usualTop, type Orientation } from './orientation.ts';

/** A quarter turn clockwise, seen from above: what faced south faces west. */
const quarter: Orientation = { front: 'west', top: 'up' };

/**
 * An orientation for a value of a heading, direction or axis, as one means it when a look is spread
 * along it. A heading: the model goes round until its front faces there, its top staying as it is.
 * A direction: the front faces there. An axis: the top lies along it.
 *
 * @example orientationAlong('east', { front: 'south', top: 'up' }) // { front: 'east', top: 'up' }
 */
export function orientationAlong(value: Direction | Axis, base: Orientation): Orientation {
  if ((axes as readonly string[]).includes(value))
    return value === 'y'
      ? { front: 'south', top: 'up' }
      : value === 'x'
        ? { front: 'south', top: 'east' }
        : { front: 'down', top: 'south' };
  const front = value as Direction;
  if (!(headings as readonly string[]).includes(front)) return { front, top: usualTop(front) };
  // A model whose front looks up or down goes round by its top.
  const goesBy = (orientation: Orientation) =>
    directionStep(orientation.front)[1] === 0 ? orientation.front : orientation.top;
  let turned = isOrientation(base) ? base : { front: 'south' as const, top: 'up' as const };
  for (let i = 0; i < 4 && goesBy(turned) !== front; i += 1) turned = compose(quarter, turned);
  return turned;
}
