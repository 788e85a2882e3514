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

const keys = new Map<string, string>();

/** A key with its quotes and colon; the same few keys come again and again. */
function headOf(key: string): string {
  const known = keys.get(key);
  if (known !== undefined) return known;
  const head = `${JSON.stringify(key)}: `;
  if (keys.size < mostKeys) keys.set(key, head);
  return head;
}
/** So many keys are remembered; names of blocks are keys too, and need not be. */
const mostKeys = 2000;

function print(value: unknown, indent: string, taken: number): string {
  if (typeof value !== 'object' || value === null) return single(value);
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
    const head = headOf(key);
    lines.push(inner + head + print(item, inner, head.length + 1));
  }
  return lines.length ? `{\n${lines.join(',\n')}\n${indent}}` : '{}';
}

/** A value that is neither an object nor a list. */
function single(value: unknown): string {
  if (typeof value === 'boolean' || (typeof value === 'number' && Number.isFinite(value)))
    return String(value);
  if (typeof value === 'string' && plain.test(value)) return `"${value}"`;
  return JSON.stringify(value ?? null);
}

/** A short text in which nothing is written otherwise: asked in a fraction of the time. */
const plain = /^[ !#-[\]-~]{0,64}$/;

/**
 * The value on one line; undefined as soon as it is seen not to fit into the room, so that a large
 * value costs no more than a line.
 */
function flatten(value: unknown, room: number): string | undefined {
  if (typeof value !== 'object' || value === null) {
    const text = single(value);
    return text.length <= room ? text : undefined;
  }
  const whole = Array.isArray(value) ? flatList(value, room) : flatObject(value, room);
  return whole !== undefined && whole.length <= room ? whole : undefined;
}

function flatList(list: readonly unknown[], room: number): string | undefined {
  let text = '';
  for (const item of list) {
    if (text) text += ', ';
    const part = flatten(item, room - text.length);
    if (part === undefined) return undefined;
    text += part;
  }
  return `[${text}]`;
}

function flatObject(value: object, room: number): string | undefined {
  let text = '';
  for (const key of Object.keys(value)) {
    const item: unknown = (value as Record<string, unknown>)[key];
    if (item === undefined) continue;
    text += text ? `, ${headOf(key)}` : headOf(key);
    const part = flatten(item, room - text.length);
    if (part === undefined) return undefined;
    text += part;
  }
  return text ? `{ ${text} }` : '{}';
}
