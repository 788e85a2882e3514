/**
 * Data deeper than this is no declaration; readers that go down by recursion stay far from the end
 * of their stack.
 */
export const maxDepth = 100;

/**
 * Why a value cannot be kept as JSON and come back the same, in words that follow a place;
 * undefined when it can. Looks no deeper than {@link maxDepth}, so that it ends on whatever it is
 * given.
 *
 * @example whyNotPlain({ label: '\ud800' }) // 'holds half a character (a lone surrogate)'
 */
export function whyNotPlain(value: unknown, depth = 0): string | undefined {
  if (typeof value === 'string')
    return value.isWellFormed() ? undefined : 'holds half a character (a lone surrogate)';
  if (typeof value === 'number')
    return Number.isFinite(value) ? undefined : 'is a number that JSON does not know';
  if (typeof value !== 'object' || value === null) return undefined;
  if (depth >= maxDepth) return `is nested deeper than ${maxDepth} levels`;
  for (const [key, member] of Object.entries(value)) {
    if (key === '__proto__') return 'holds the key __proto__, which is no name';
    const why =
      (Array.isArray(value) ? undefined : whyNotPlain(key)) ?? whyNotPlain(member, depth + 1);
    if (why) return why;
  }
  return undefined;
}

/**
 * A member of a record by its own name. Names such as `constructor`, which every object inherits,
 * give undefined unless they are there.
 */
export const lookUp = <T>(
  record: Readonly<Record<string, T>> | undefined,
  name: string,
): T | undefined =>
  record !== undefined && Object.hasOwn(record, name) ? record[name] : undefined;

/** The value without the name of its JSON Schema, which a text editor reads and nobody else. */
export function withoutSchema(value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  const { $schema: _, ...rest } = value as Record<string, unknown>;
  return rest;
}

/** An object without the keys that hold nothing, as it would be written. */
export const withoutUndefined = <T extends object>(entry: T): T =>
  Object.fromEntries(
    Object.entries(entry).filter(([, value]: [string, unknown]) => value !== undefined),
  ) as T;

/**
 * True when two plain values hold the same data, whatever the order of keys. 0 and -0 are the same:
 * JSON knows one zero.
 */
export function sameData(a: unknown, b: unknown): boolean {
  if (a === b || Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(left).filter((key) => left[key] !== undefined);
  const others = Object.keys(right).filter((key) => right[key] !== undefined);
  return (
    keys.length === others.length &&
    keys.every((key) => Object.hasOwn(right, key) && sameData(left[key], right[key]))
  );
}
