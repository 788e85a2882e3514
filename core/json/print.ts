/** Lines no longer than this keep a small object or array on one line. */
const width = 100;

/**
 * A value as JSON text that people read and compare: two spaces a level, small objects and arrays on one line,
 * keys in the order in which they were set, a line break at the end. The same value gives the same bytes everywhere.
 *
 * @example printJson({ at: [1, 2] }) // '{ "at": [1, 2] }\n'
 */
export const printJson = (value: unknown): string => `${print(value, '', 0)}\n`;

function print(value: unknown, indent: string, taken: number): string {
  const flat = flatten(value);
  if (flat.length + indent.length + taken <= width || typeof value !== 'object' || value === null) return flat;
  const inner = `${indent}  `;
  if (Array.isArray(value)) return `[\n${value.map((item) => inner + print(item, inner, 1)).join(',\n')}\n${indent}]`;
  const lines = entries(value).map(([key, item]) => {
    const head = `${JSON.stringify(key)}: `;
    return inner + head + print(item, inner, head.length + 1);
  });
  return `{\n${lines.join(',\n')}\n${indent}}`;
}

const entries = (value: object): [string, unknown][] => Object.entries(value).filter(([, item]) => item !== undefined);

function flatten(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(flatten).join(', ')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value ?? null);
  const inside = entries(value).map(([key, item]) => `${JSON.stringify(key)}: ${flatten(item)}`).join(', ');
  return inside ? `{ ${inside} }` : '{}';
}
