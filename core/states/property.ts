import { axes, directions, headings } from '../space/index.ts';

/** One choice of a property: false/true, a whole number, or a name. */
export type Value = boolean | number | string;

/**
 * A named finite dimension of a block's states. `byCode` says that the mod's own code changes it
 * while the block stands.
 */
export type Property = { name: string; byCode?: boolean } & (
  | { kind: 'toggle'; default: boolean }
  | { kind: 'number'; min: number; max: number; default: number }
  | {
      kind: 'choice';
      values: readonly string[];
      default: string;
      turned?: Readonly<Record<string, string>>;
      mirrored?: Readonly<Record<string, string>>;
    }
  | { kind: 'heading' | 'direction' | 'axis'; default: string }
);

/** Whether a property of that kind only says how the block is turned. */
export const isOrientation = (kind: Property['kind']): boolean =>
  kind === 'heading' || kind === 'direction' || kind === 'axis';

export const propertyKinds = [
  'toggle',
  'number',
  'choice',
  'heading',
  'direction',
  'axis',
] as const;

/**
 * More values than this in one property are never listed: no kit stores them, and listing them
 * would eat the memory.
 */
export const mostValues = 65_536;

/** How many values a property has, without listing them. A number range upside down has none. */
export function valueCount(property: Property): number {
  switch (property.kind) {
    case 'toggle':
      return 2;
    case 'number':
      return Math.max(0, Math.floor(property.max) - Math.ceil(property.min) + 1);
    case 'choice':
      return property.values.length;
    case 'heading':
      return headings.length;
    case 'direction':
      return directions.length;
    case 'axis':
      return axes.length;
  }
}

/**
 * The values of a property in their fixed order (the order of state codes), at most {@link
 * mostValues} of them.
 *
 * @example valuesOf({ name: 'lit', kind: 'toggle', default: false }) // [false, true]
 */
export function valuesOf(property: Property): readonly Value[] {
  switch (property.kind) {
    case 'toggle':
      return [false, true];
    case 'number':
      return Array.from(
        { length: Math.min(mostValues, valueCount(property)) },
        (_, i) => Math.ceil(property.min) + i,
      );
    case 'choice':
      return property.values;
    case 'heading':
      return headings;
    case 'direction':
      return directions;
    case 'axis':
      return axes;
  }
}

/** True when the value is one of the property's, without listing them. */
export function hasValue(property: Property, value: Value): boolean {
  if (property.kind === 'number')
    return (
      Number.isInteger(value) &&
      (value as number) >= property.min &&
      (value as number) <= property.max
    );
  return valuesOf(property).includes(value);
}
