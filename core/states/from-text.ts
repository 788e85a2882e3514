import { valuesOf, type Value } from './property.ts';
import type { StateSpace } from './space.ts';

/**
 * The number of the state that a text names: `lit=true,heading=north`; properties that it does not
 * name have their default. Throws a RangeError with a sentence where it names a property or a value
 * that the block does not have.
 *
 * @example stateFromText(space, 'lit=true')
 */
export function stateFromText(space: StateSpace, text: string): number {
  const state: Record<string, Value> = {};
  for (const part of text.split(',').map((one) => one.trim())) {
    if (!part) continue;
    const [name = '', value = ''] = part.split('=').map((one) => one.trim());
    const property = space.properties.find((one) => one.name === name);
    if (!property)
      throw new RangeError(
        space.properties.length
          ? `There is no property ${name}. The block has ` +
              `${space.properties.map((one) => one.name).join(', ')}.`
          : `There is no property ${name}. The block has none.`,
      );
    const found = valuesOf(property).find((one) => String(one) === value);
    if (found === undefined)
      throw new RangeError(
        `${name} is never ${value || 'nothing'}. It is ${valuesOf(property).slice(0, 20).join(', ')}.`,
      );
    state[name] = found;
  }
  return space.encode(state);
}
