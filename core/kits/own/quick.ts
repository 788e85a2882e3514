import { Output, toValueSync, type Context, type Template } from 'liquidjs';

/** Stands for what has to go the usual way. */
export const usual = Symbol('usual');

/** What an output prints; {@link usual} where the usual way must say it, or why it cannot. */
export type Quick = (context: Context) => unknown;

/** What the engine makes of an output, as far as it is looked at here. */
interface Parsed {
  initial: { postfix: readonly Token[] };
  filters: readonly Filter[];
}
interface Token {
  /** A literal says its value. */
  content?: unknown;
  /** A name with what follows after its dots. */
  props?: readonly Token[];
  variable?: unknown;
  lhs?: unknown;
  operator?: unknown;
}
interface Filter {
  handler: (this: object, ...given: unknown[]) => unknown;
  token: unknown;
  liquid: unknown;
  args: readonly (Token | readonly unknown[])[];
}
/** Where names stand, the nearest first; the engine keeps it to itself. */
interface Scopes {
  findScope: (name: unknown) => object;
}

const known = new WeakMap<Template, Quick | null>();

/**
 * A way to print what an output prints without a generator a name, which is what most outputs of
 * most templates take longest for: a path of names, then filters with literals. Undefined for any
 * other part of a template.
 */
export function quickOf(part: Template): Quick | undefined {
  const before = known.get(part);
  if (before !== undefined) return before ?? undefined;
  const made = part instanceof Output ? quickOutput(part.value as unknown as Parsed) : undefined;
  known.set(part, made ?? null);
  return made;
}

function quickOutput({ initial, filters }: Parsed): Quick | undefined {
  const [token, ...others] = initial.postfix;
  const read = token && others.length === 0 ? readerOf(token) : undefined;
  const steps = filters.map(quickFilter);
  if (!read || steps.includes(undefined)) return undefined;
  return (context) => {
    let value = read(context);
    for (const step of steps) {
      if (value === usual) return usual;
      value = step?.(value, context);
    }
    return value;
  };
}

/** Reads a literal, or a path of plain names; nothing that is not there is read so. */
function readerOf(token: Token): Quick | undefined {
  if (isLiteral(token)) return () => token.content;
  const { props, variable } = token;
  if (!props?.length || variable !== undefined || !props.every(isLiteral)) return undefined;
  const names = props.map(({ content }) => content as string | number);
  return (context) => {
    let value: unknown = (context as unknown as Scopes).findScope(names[0]);
    for (const name of names) {
      value = context.readProperty(value as never, name);
      if (value === undefined) return usual;
    }
    return value;
  };
}

const isLiteral = (token: Token): boolean =>
  'content' in token &&
  typeof token.content !== 'object' &&
  token.props === undefined &&
  token.lhs === undefined &&
  token.operator === undefined;

function quickFilter(filter: Filter): ((value: unknown, context: Context) => unknown) | undefined {
  const { handler, token, liquid } = filter;
  const given: unknown[] = [];
  for (const argument of filter.args) {
    if (Array.isArray(argument) || !isLiteral(argument as Token)) return undefined;
    given.push((argument as Token).content);
  }
  return (value, context) =>
    toValueSync(handler.apply({ context, token, liquid }, [value, ...given]) as never);
}
