import type { z } from 'zod';

/** What of a schema's definition is looked at here. */
interface Shape {
  shape?: Record<string, Typed>;
  element?: Typed;
  innerType?: Typed;
  valueType?: Typed;
  options?: Typed[];
  items?: Typed[];
  in?: Typed;
  getter?: () => Typed;
}
type Typed = z.ZodType & { def: Shape };

/**
 * The keys that a schema knows of the object at a path; of a union those of all its members. Empty
 * where there is no object, or one whose keys are free.
 *
 * @example keysAt(z.object({ rows: z.array(z.object({ use: z.string() })) }), ['rows', 0]) // ['use']
 */
export function keysAt(schema: z.ZodType, path: readonly (string | number)[]): string[] {
  let at = plain(schema);
  for (const step of path) at = at.flatMap((one) => within(one, step)).flatMap(plain);
  return [...new Set(at.flatMap(({ def }) => Object.keys(def.shape ?? {})))];
}

/** A schema without what only wraps it; a union as its members. */
function plain(schema: Typed): Typed[] {
  const { innerType, options, in: input, getter } = schema.def;
  const inner = innerType ?? input ?? getter?.();
  if (inner) return plain(inner);
  return options ? options.flatMap(plain) : [schema];
}

function within({ def }: Typed, step: string | number): Typed[] {
  const { shape, element, valueType, items } = def;
  const found =
    shape && Object.hasOwn(shape, step)
      ? shape[step]
      : (items?.[Number(step)] ?? element ?? valueType);
  return found ? [found] : [];
}
