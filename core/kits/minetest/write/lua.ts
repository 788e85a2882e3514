/** What can be printed as a Lua table; what is undefined is left out. */
export type LuaValue =
  | string
  | number
  | boolean
  | undefined
  | LuaCode
  | readonly LuaValue[]
  | { readonly [key: string]: LuaValue };

/** An expression that is printed as it stands, such as a call of the translator. */
export class LuaCode {
  readonly code: string;
  constructor(code: string) {
    this.code = code;
  }
}

const reserved = new Set(
  (
    'and break do else elseif end false for function goto if in local nil not or repeat return ' +
    'then true until while'
  ).split(' '),
);

/**
 * A string as Lua reads it back byte for byte (Lua 5.1 Reference Manual, 2.1).
 *
 * @example luaString('a "b"\n') // '"a \\"b\\"\\n"'
 */
export const luaString = (text: string): string =>
  `"${text.replaceAll(/["\\\n\r\0]/g, (sign) =>
    sign === '\n' ? '\\n' : sign === '\r' ? '\\r' : sign === '\0' ? '\\0' : `\\${sign}`,
  )}"`;

const luaNumber = (value: number): string => String(Math.round(value * 1e6) / 1e6 + 0);

const keyOf = (key: string): string =>
  /^[A-Za-z_]\w*$/.test(key) && !reserved.has(key) ? key : `[${luaString(key)}]`;

const widest = 96;

/**
 * A value as a Lua expression, tables over several lines where they do not fit on one. The same
 * value gives the same text.
 *
 * @example lua({ name = 'salt', groups: { dig: 1 } }) // '{ name = "salt", groups = { dig = 1 } }'
 */
export function lua(value: LuaValue, indent = ''): string {
  if (value instanceof LuaCode) return value.code;
  if (typeof value === 'string') return luaString(value);
  if (typeof value === 'number') return luaNumber(value);
  if (typeof value !== 'object') return String(value ?? 'nil');
  const inner = `${indent}\t`;
  const parts = Array.isArray(value)
    ? (value as readonly LuaValue[]).map((one) => lua(one, inner))
    : Object.entries(value as Record<string, LuaValue>).flatMap(([key, one]) =>
        one === undefined ? [] : [`${keyOf(key)} = ${lua(one, inner)}`],
      );
  if (!parts.length) return '{}';
  const short = `{ ${parts.join(', ')} }`;
  if (short.length + indent.length <= widest && !short.includes('\n')) return short;
  return `{\n${rowsOf(parts, inner)}\n${indent}}`;
}

/** Parts on lines: short ones together, as numbers are. */
function rowsOf(parts: readonly string[], indent: string): string {
  const isPacked = parts.length > 8 && parts.every((part) => part.length < 12);
  if (!isPacked) return parts.map((part) => `${indent}${part},`).join('\n');
  const rows: string[] = [];
  let row = indent;
  for (const part of parts) {
    if (row.length + part.length > widest) {
      rows.push(row.trimEnd());
      row = indent;
    }
    row += `${part}, `;
  }
  return [...rows, row.trimEnd()].join('\n');
}
