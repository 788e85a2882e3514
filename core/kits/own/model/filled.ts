import { z } from 'zod';

type Schema = z.ZodType;

/** What a schema says once it is unwrapped: whether a value may be left out is of no interest. */
function bare(schema: Schema): Schema {
  if (
    schema instanceof z.ZodOptional ||
    schema instanceof z.ZodNullable ||
    schema instanceof z.ZodDefault ||
    schema instanceof z.ZodReadonly ||
    schema instanceof z.ZodLazy
  )
    return bare(schema.unwrap() as Schema);
  return schema;
}

/**
 * A declared value in which every key that its schema knows is there: what is not said is null, so
 * that a template can ask for it.
 *
 * @example filled({ give: 'saltmarsh:salt' }, LotSchema) // { give: 'saltmarsh:salt', share: null, … }
 */
export function filled(value: unknown, given: Schema): unknown {
  const schema = bare(given);
  if (value === undefined || value === null) return null;
  if (schema instanceof z.ZodUnion) return filledByChoice(value, schema.options as Schema[]);
  if (Array.isArray(value)) return filledList(value, schema);
  if (typeof value !== 'object') return value;
  if (schema instanceof z.ZodObject)
    return filledGroup(value as Record<string, unknown>, schema.shape);
  if (schema instanceof z.ZodRecord)
    return Object.fromEntries(
      Object.entries(value).map(([key, item]) => [key, filled(item, schema.valueType as Schema)]),
    );
  return value;
}

/** The first of several schemas that a value fits says what it is; one that fits none stays. */
function filledByChoice(value: unknown, options: readonly Schema[]): unknown {
  const fits = options.find((option) => option.safeParse(value).success);
  return fits ? filled(value, fits) : value;
}

function filledList(value: readonly unknown[], schema: Schema): unknown {
  if (schema instanceof z.ZodArray)
    return value.map((item) => filled(item, schema.element as Schema));
  return [...value];
}

function filledGroup(
  value: Readonly<Record<string, unknown>>,
  shape: Readonly<Record<string, Schema>>,
): unknown {
  const keys = new Set([...Object.keys(shape), ...Object.keys(value)]);
  const entries = [...keys].map((key) => {
    const schema = Object.hasOwn(shape, key) ? shape[key] : undefined;
    const item = Object.hasOwn(value, key) ? value[key] : undefined;
    return [key, schema ? filled(item, schema) : item];
  });
  return Object.fromEntries(entries) as unknown;
}

const known = new WeakMap<object, unknown>();

/** The same for something that is kept in a mod, worked out once for as long as it stays. */
export function filledEntry(value: object, schema: Schema): Record<string, unknown> {
  const before = known.get(value);
  if (before !== undefined) return before as Record<string, unknown>;
  const made = filled(value, schema);
  known.set(value, made);
  return made as Record<string, unknown>;
}
