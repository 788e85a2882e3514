import {
  AssignTag,
  Drop,
  ForTag,
  IfTag,
  isFalsy,
  isTruthy,
  Output,
  RenderTag,
  toValue,
  toValueSync,
  UnlessTag,
  type Context,
  type Emitter,
  type Liquid,
  type Template,
} from 'liquidjs';
import { quickToken, quickValue, usual, type Parsed, type Quick, type Token } from './values.ts';

/** Carries out templates, one after the other. */
export type CarryOut = (parts: Template[], context: Context, emitter: Emitter) => void;

/** Carries out a part of a template; false where it has to go the usual way, and nothing was done. */
export type Way = (context: Context, emitter: Emitter) => boolean;

/** The parts of a template as the engine keeps them, as far as they are looked at here. */
interface Branch {
  value: Parsed;
  test?: typeof isTruthy;
  templates: Template[];
}
interface Choosing {
  branches: readonly Branch[];
  elseTemplates?: Template[];
}
interface Assigning {
  key: string;
  value: Parsed;
}
interface Looping {
  variable: string;
  collection: Token;
  hash: { hash: object };
  templates: Template[];
  elseTemplates?: Template[];
}
interface Rendering {
  file: unknown;
  currentFile: string | undefined;
  with?: unknown;
  forBinding?: unknown;
  hash: { hash: Readonly<Record<string, Token | undefined>> };
  liquid: Liquid;
}
interface Parsing {
  _parsePartialFile: (file: string, sync: boolean, from: string | undefined) => unknown;
}

/**
 * The ways to carry out parts of templates without a generator a part and a name. What they do is
 * what the engine does; what they do not know is left to it.
 */
export class Ways {
  private readonly known = new WeakMap<Template, Way | null>();

  constructor(private readonly carryOut: CarryOut) {}

  /** The way of a part; undefined where it goes the usual one. */
  of(part: Template): Way | undefined {
    const before = this.known.get(part);
    if (before !== undefined) return before ?? undefined;
    const made = this.made(part);
    this.known.set(part, made ?? null);
    return made;
  }

  private made(part: Template): Way | undefined {
    const { str } = part as { str?: unknown };
    if (typeof str === 'string')
      return (_, emitter) => {
        emitter.write(str);
        return true;
      };
    if (part instanceof Output) return output(part.value as unknown as Parsed);
    if (part instanceof IfTag || part instanceof UnlessTag)
      return this.choosing(part as unknown as Choosing);
    if (part instanceof AssignTag) return assigning(part as unknown as Assigning);
    if (part instanceof ForTag) return this.looping(part as unknown as Looping);
    if (part instanceof RenderTag) return this.rendering(part as unknown as Rendering);
    return undefined;
  }

  private choosing({ branches, elseTemplates = [] }: Choosing): Way | undefined {
    const ways = branches.map(({ value, test = isTruthy, templates }) => ({
      read: quickValue(value),
      // What is false of nothing asks no settings of the engine.
      holds: test === isFalsy ? (said: unknown) => !isTrue(said) : isTrue,
      templates,
    }));
    if (ways.some(({ read }) => !read)) return undefined;
    return (context, emitter) => {
      for (const { read, holds, templates } of ways) {
        const said = read?.(context);
        if (said === usual) return false;
        if (!holds(said)) continue;
        this.carryOut(templates, context, emitter);
        return true;
      }
      this.carryOut(elseTemplates, context, emitter);
      return true;
    };
  }

  private looping({
    variable,
    collection,
    hash,
    templates,
    elseTemplates = [],
  }: Looping): Way | undefined {
    const read = quickToken(collection);
    if (!read || Object.keys(hash.hash).length) return undefined;
    const name = `${variable}-${(collection as unknown as { getText: () => string }).getText()}`;
    return (context, emitter) => {
      const list = read(context);
      if (!Array.isArray(list)) return false;
      if (!list.length) {
        this.carryOut(elseTemplates, context, emitter);
        return true;
      }
      context.setRegister(`continue-${name}`, list.length);
      const forloop = new Loop(list.length, name);
      const scope = Object.assign(Object.create(null) as Record<string, unknown>, { forloop });
      context.push(scope);
      for (const item of list as unknown[]) {
        scope[variable] = item;
        context.continueCalled = context.breakCalled = false;
        this.carryOut(templates, context, emitter);
        if (isBroken(context)) break;
        forloop.next();
      }
      context.continueCalled = context.breakCalled = false;
      context.pop();
      return true;
    };
  }

  private rendering(part: Rendering): Way | undefined {
    const { file, currentFile, hash, liquid } = part;
    if (typeof file !== 'string' || part.with || part.forBinding) return undefined;
    const given = Object.entries(hash.hash).map(([name, token]): [string, Quick | undefined] => [
      name,
      token ? quickToken(token) : () => true,
    ]);
    if (given.some(([, read]) => !read)) return undefined;
    return (context, emitter) => {
      const inner = context.spawn();
      const scope = inner.bottom() as Record<string, unknown>;
      for (const [name, read] of given) {
        const said = read?.(context);
        if (said === usual) return false;
        scope[name] = said;
      }
      const parsing = (liquid as unknown as Parsing)._parsePartialFile(file, true, currentFile);
      this.carryOut(toValueSync(parsing as never), inner, emitter);
      return true;
    };
  }
}

/** Whether what was carried out last ended the loop around it. */
const isBroken = ({ breakCalled }: Context): boolean => breakCalled;

/** What counts as true: all but what is false or nothing. */
const isTrue = (said: unknown): boolean => {
  const value: unknown = said instanceof Drop ? said.valueOf() : said;
  return value !== false && value !== undefined && value !== null;
};

function output(value: Parsed): Way | undefined {
  const read = quickValue(value);
  return (
    read &&
    ((context, emitter) => {
      const said = read(context);
      if (said === usual) return false;
      emitter.write(toValue(said));
      return true;
    })
  );
}

function assigning({ key, value }: Assigning): Way | undefined {
  const read = quickValue(value);
  return (
    read &&
    ((context) => {
      const said = read(context);
      if (said === usual) return false;
      (context.bottom() as Record<string, unknown>)[key] = said;
      return true;
    })
  );
}

/** What a loop says of itself. */
class Loop extends Drop {
  private at = 0;

  constructor(
    readonly length: number,
    readonly name: string,
  ) {
    super();
  }

  next(): void {
    this.at += 1;
  }
  index0(): number {
    return this.at;
  }
  index(): number {
    return this.at + 1;
  }
  first(): boolean {
    return this.at === 0;
  }
  last(): boolean {
    return this.at === this.length - 1;
  }
  rindex(): number {
    return this.length - this.at;
  }
  rindex0(): number {
    return this.length - this.at - 1;
  }
}
