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

const bares = new WeakMap<Schema, Schema>();
function bareKnown(schema: Schema): Schema {
  const known = bares.get(schema) ?? bare(schema);
  bares.set(schema, known);
  return known;
}

/**
 * A declared value in which every key that its schema knows is there: what is not said is null, so
 * that a template can ask for it.
 *
 * @example filled({ give: 'saltmarsh:salt' }, LotSchema) // { give: 'saltmarsh:salt', share: null, … }
 */
export function filled(value: unknown, given: Schema): unknown {
  if (value === undefined || value === null) return null;
  if (typeof value !== 'object') return value;
  const schema = bareKnown(given);
  if (schema instanceof z.ZodUnion) return filledByChoice(value, schema.options as Schema[]);
  if (Array.isArray(value)) return filledList(value, schema);
  if (schema instanceof z.ZodObject)
    return filledGroup(value as Record<string, unknown>, schema.shape);
  if (schema instanceof z.ZodRecord)
    return Object.fromEntries(
      Object.entries(value).map(([key, item]) => [key, filled(item, schema.valueType as Schema)]),
    );
  return value;
}

/** Whether a value that a schema takes is a list or a group, where that can be told from outside. */
function isOfLists(schema: Schema): boolean | undefined {
  if (schema instanceof z.ZodArray || schema instanceof z.ZodTuple) return true;
  return schema instanceof z.ZodObject || schema instanceof z.ZodRecord ? false : undefined;
}

/**
 * The first of several schemas that a list or a group fits says what it is; one that fits none stays.
 */
function filledByChoice(value: object, options: readonly Schema[]): unknown {
  const isList = Array.isArray(value);
  const alike = options.filter((option) => {
    const schema = bareKnown(option);
    return schema instanceof z.ZodUnion || isOfLists(schema) === isList;
  });
  const fits =
    alike.length === 1 ? alike[0] : alike.find((option) => option.safeParse(value).success);
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
