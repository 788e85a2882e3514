/** Lines no longer than this keep a small object or array on one line. */
const width = 100;

/**
 * A value as JSON text that people read and compare: two spaces a level, small objects and arrays
 * on one line, keys in the order in which they were set, a line break at the end. The same value
 * gives the same bytes everywhere.
 *
 * @example printJson({ at: [1, 2] }) // '{ "at": [1, 2] }\n'
 */
export const printJson = (value: unknown): string => `${print(value, '', 0)}\n`;

function print(value: unknown, indent: string, taken: number): string {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value ?? null);
  const flat = flatten(value, width - indent.length - taken);
  if (flat !== undefined) return flat;
  const inner = `${indent}  `;
  const lines: string[] = [];
  if (Array.isArray(value)) {
    for (const item of value) lines.push(inner + print(item, inner, 1));
    return lines.length ? `[\n${lines.join(',\n')}\n${indent}]` : '[]';
  }
  for (const [key, item] of Object.entries(value)) {
    if (item === undefined) continue;
    const head = `${JSON.stringify(key)}: `;
    lines.push(inner + head + print(item, inner, head.length + 1));
  }
  return lines.length ? `{\n${lines.join(',\n')}\n${indent}}` : '{}';
}

/**
 * The value on one line; undefined as soon as it is seen not to fit into the room, so that a large
 * value costs no more than a line.
 */
function flatten(value: unknown, room: number): string | undefined {
  if (typeof value !== 'object' || value === null) {
    const text = JSON.stringify(value ?? null);
    return text.length <= room ? text : undefined;
  }
  const isList = Array.isArray(value);
  let text = '';
  for (const [key, item] of isList
    ? value.map((one) => ['', one] as const)
    : Object.entries(value)) {
    if (item === undefined && !isList) continue;
    if (text) text += ', ';
    if (!isList) text += `${JSON.stringify(key)}: `;
    const part = flatten(item, room - text.length);
    if (part === undefined) return undefined;
    text += part;
  }
  const whole = isList ? `[${text}]` : text ? `{ ${text} }` : '{}';
  return whole.length <= room ? whole : undefined;
}
