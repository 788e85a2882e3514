import { defaultOperators, toValueSync, type Context } from 'liquidjs';

/** Stands for what has to go the usual way. */
export const usual = Symbol('usual');

/** What something says; {@link usual} where the usual way must say it, or why it cannot. */
export type Quick = (context: Context) => unknown;

/** A value as the engine parses it, as far as it is looked at here. */
export interface Parsed {
  initial: { postfix: readonly Token[] };
  filters: readonly Filter[];
}
/** A part of a value: a literal, a name, or what stands between two of them. */
export interface Token {
  /** A literal says its value. */
  content?: unknown;
  /** A name with what follows after its dots. */
  props?: readonly Token[];
  variable?: unknown;
  lhs?: unknown;
  operator?: string;
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

/**
 * A way to say a value without a generator a name, which is what most templates take longest for:
 * names and literals, what stands between them, then filters with names and literals. Undefined for
 * any other.
 */
export function quickValue({ initial, filters }: Parsed): Quick | undefined {
  const read = quickExpression(initial.postfix);
  const steps = filters.map(quickFilter);
  if (!read || steps.includes(undefined)) return undefined;
  if (steps.length === 0) return read;
  return (context) => {
    let value = read(context);
    for (const step of steps) {
      if (value === usual) return usual;
      value = step?.(value, context);
    }
    return value;
  };
}

/** Names and literals with operators behind them. */
function quickExpression(postfix: readonly Token[]): Quick | undefined {
  const [first, second, third, ...more] = postfix;
  if (!first || more.length) return undefined;
  const left = quickToken(first);
  if (!second) return left;
  const right = quickToken(second);
  const compare = third && comparing(third);
  if (!left || !right || !compare) return undefined;
  return (context) => {
    const [one, other] = [left(context), right(context)];
    return one === usual || other === usual ? usual : compare(one, other);
  };
}

/** What two values say to each other; those that are plain without the engine. */
function comparing({ operator }: Token): ((a: unknown, b: unknown) => unknown) | undefined {
  if (operator !== '==' && operator !== '!=' && operator !== '>' && operator !== '<')
    return undefined;
  const asked = defaultOperators[operator]!;
  const isEqual = operator === '==';
  return (a, b) => {
    if (operator.endsWith('=') && isPlain(a) && isPlain(b)) return (a === b) === isEqual;
    if (typeof a === 'number' && typeof b === 'number') return operator === '>' ? a > b : a < b;
    return toValueSync(asked(a, b, undefined as never) as never);
  };
}

const isPlain = (value: unknown): boolean =>
  typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean';

/** Reads a literal, or a path of plain names; nothing that is not there is read so. */
export function quickToken(token: Token): Quick | undefined {
  if (isLiteral(token)) return () => token.content;
  const { props, variable } = token;
  if (
    !props?.length ||
    variable !== undefined ||
    !props.every((prop) => isLiteral(prop) && typeof prop.content !== 'object')
  )
    return undefined;
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

/** Also what stands for nothing and for what is empty, which the engine knows as things. */
const isLiteral = (token: Token): boolean =>
  'content' in token &&
  token.props === undefined &&
  token.lhs === undefined &&
  token.operator === undefined;

function quickFilter(filter: Filter): ((value: unknown, context: Context) => unknown) | undefined {
  const { handler, token, liquid } = filter;
  const given: Quick[] = [];
  for (const argument of filter.args) {
    const read = Array.isArray(argument) ? undefined : quickToken(argument as Token);
    if (!read) return undefined;
    given.push(read);
  }
  return (value, context) => {
    const said = given.map((read) => read(context));
    if (said.includes(usual)) return usual;
    return toValueSync(handler.apply({ context, token, liquid }, [value, ...said]) as never);
  };
}
