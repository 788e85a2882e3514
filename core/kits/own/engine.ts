import { Context, Liquid, LiquidError, toValueSync, type Emitter, type Template } from 'liquidjs';
import { closest, didYouMean } from '../../words/index.ts';
import type { Place } from '../../json/index.ts';
import { lentFilters, ownFilters, type FilterSettings } from './filters/index.ts';
import type { KitProblem } from './problem.ts';
import { Ways } from './quick/parts.ts';
import { Making, Run, Written, type Span } from './run.ts';

/** The tags of the template language that a kit can use. What changes or reads anything else is out. */
export const lentTags = [
  '#',
  'assign',
  'break',
  'capture',
  'case',
  'comment',
  'continue',
  'cycle',
  'echo',
  'for',
  'if',
  'liquid',
  'raw',
  'render',
  'unless',
] as const;

/** What a template wrote, or why it could not. */
export type Rendered = { text: string; spans: readonly Span[] } | { problem: KitProblem };

/** What the rendering of a template is given: names for it alone, and names for partials too. */
export interface Scope {
  own: Readonly<Record<string, unknown>>;
  everywhere: Readonly<Record<string, unknown>>;
}

/** Carries out parts of templates one by one, counted, and says which of them writes. */
class CountedRender {
  private readonly ways = new Ways((parts, context, emitter) =>
    this.carryOut(parts, context, emitter),
  );

  /** What the engine asks for; it is done at once, with nothing to wait for. */
  *renderTemplates(
    templates: Template[],
    context: Context,
    given?: Emitter,
  ): IterableIterator<unknown> {
    const emitter = given ?? new Written();
    this.carryOut(templates, context, emitter);
    return (emitter as { buffer: unknown }).buffer;
  }

  carryOut(templates: Template[], context: Context, emitter: Emitter): void {
    const run = context.renderLimit as unknown as Run;
    run.enter();
    for (const part of templates) {
      try {
        run.step();
        if (emitter instanceof Written) emitter.comesFrom(part);
        if (!this.ways.of(part)?.(context, emitter)) {
          const text: unknown = toValueSync(part.render(context, emitter) as never);
          if (text !== undefined && text !== null && text !== '') emitter.write(text);
        }
        if (context.breakCalled || context.continueCalled) break;
      } catch (error) {
        const isPlaced = error instanceof Misplaced || LiquidError.is(error);
        throw isPlaced ? error : new Misplaced(error, part.token);
      }
    }
    run.leave();
  }
}

type At = Template['token'];

/** A mistake and the part of a template in which it was made. */
class Misplaced extends Error {
  constructor(
    readonly why: unknown,
    readonly token: At,
  ) {
    super(messageIn(why));
  }
}

const messageIn = (error: unknown): string =>
  error instanceof Error ? error.message : String(error);

/**
 * The templates of a kit: parsed once, carried out over a scope within bounds. They see nothing but
 * that scope and one another.
 */
export class Templates {
  private readonly liquid: Liquid;
  private readonly parsed = new Map<string, { text: string; parsed: Template[] | KitProblem }>();

  constructor(
    private readonly files: ReadonlyMap<string, string>,
    settings: FilterSettings,
  ) {
    this.liquid = new Liquid({
      templates: Object.fromEntries(files),
      relativeReference: false,
      strictFilters: true,
      strictVariables: true,
      ownPropertyOnly: true,
      extname: '',
      cache: true,
    });
    Object.assign(this.liquid, { renderer: new CountedRender() });
    keepOnly(this.liquid.tags, lentTags);
    keepOnly(this.liquid.filters, lentFilters);
    for (const [name, filter] of Object.entries(ownFilters(settings)))
      this.liquid.registerFilter(name, filter);
  }

  /** Whether the kit has a template of that name. */
  has(file: string): boolean {
    return this.files.has(file);
  }

  /** The line and column of an offset in a template. */
  placeIn(file: string, offset: number): Place {
    const before = (this.files.get(file) ?? '').slice(0, offset);
    return {
      line: before.split('\n').length,
      column: before.length - before.lastIndexOf('\n'),
    };
  }

  /** What is wrong with a template before anything is written; undefined where it can be read. */
  problemIn(file: string): KitProblem | undefined {
    const parsed = this.parse(file, this.files.get(file) ?? '');
    return Array.isArray(parsed) ? undefined : parsed;
  }

  /** What a template of the kit writes over a scope. */
  render(file: string, scope: Scope, isTraced = false): Rendered {
    const text = this.files.get(file);
    if (text === undefined) return { problem: { file, message: 'There is no such template.' } };
    return this.run(file, text, scope, isTraced);
  }

  /** What a line of a template writes over a scope: `file` names it in problems. */
  renderLine(file: string, line: string, scope: Scope): Rendered {
    return this.run(file, line, scope, false);
  }

  private run(file: string, text: string, { own, everywhere }: Scope, isTraced: boolean): Rendered {
    const parsed = this.parse(file, text);
    if (!Array.isArray(parsed)) return { problem: parsed };
    const spans: Span[] = [];
    const written = new Written(isTraced ? spans : undefined);
    const bounds = { renderLimit: new Run(), memoryLimit: new Making(), liquid: this.liquid };
    const context = new Context(
      Object.assign(Object.create(null) as object, own),
      this.liquid.options,
      { sync: true, globals: { ...everywhere } },
      bounds as never,
    );
    try {
      const rendering = this.liquid.renderer.renderTemplates(parsed, context, written);
      toValueSync(rendering as never);
      return { text: written.buffer, spans };
    } catch (error) {
      const { token } = error as { token?: At };
      // What is read within a partial says no file, but still holds its text.
      const home = [...this.files].find(([, one]) => one === token?.input)?.[0];
      return { problem: problemOf(error, home ?? file, { own, everywhere }) };
    }
  }

  private parse(file: string, text: string): Template[] | KitProblem {
    const before = this.parsed.get(file);
    if (before?.text === text) return before.parsed;
    let parsed: Template[] | KitProblem;
    try {
      parsed = this.liquid.parse(text, file);
    } catch (error) {
      parsed = problemOf(error, file);
    }
    this.parsed.set(file, { text, parsed });
    return parsed;
  }
}

/** Takes out of a table all but the entries that are named. */
function keepOnly(table: object, names: readonly string[]): void {
  for (const name of Object.keys(table))
    if (!names.includes(name)) delete (table as Record<string, unknown>)[name];
}

/** What wrong names mean, in words. */
const said: readonly [RegExp, (name: string, scope?: Scope) => string][] = [
  [
    /^undefined variable: (.+)$/,
    (name, scope) => `There is no "${name}" here.${scope ? nearName(name, scope) : ''}`,
  ],
  [/^undefined filter: (.+)$/, (name) => `There is no filter "${name}".${nearFilter(name)}`],
  [/^tag "(.+)" not found$/, (name) => `There is no tag "${name}".${nearTag(name)}`],
  [/^tag "?(.+?)"? not closed$/, (tag) => `${shortened(tag)} is never closed.`],
  [/^output "?(.+?)"? not closed$/, (tag) => `${shortened(tag)} is never closed.`],
  [/Failed to lookup "+(.+?)"+ in .*$/s, (name) => `The kit has no template "${name}" to render.`],
];

const shortened = (text: string): string => (text.length > 60 ? `${text.slice(0, 60)} …` : text);

/** A guess at what a name was meant to be, out of what stands where it was looked for. */
function nearName(path: string, { own, everywhere }: Scope): string {
  const steps = path.split('.');
  let there: unknown = { ...everywhere, ...own };
  for (const step of steps.slice(0, -1)) {
    if (typeof there !== 'object' || there === null || !Object.hasOwn(there, step)) return '';
    there = (there as Record<string, unknown>)[step];
  }
  if (typeof there !== 'object' || there === null || Array.isArray(there)) return '';
  const near = closest(steps.at(-1) ?? '', Object.keys(there));
  return near === undefined ? '' : didYouMean([...steps.slice(0, -1), near].join('.'));
}

const nearFilter = (name: string): string => {
  const near = closest(name, [...lentFilters, ...Object.keys(ownFilters({}))]);
  return near === undefined ? '' : didYouMean(near);
};
const nearTag = (name: string): string => {
  const near = closest(name, [...lentTags]);
  return near === undefined ? '' : didYouMean(near);
};

/** A mistake of a template as a problem at its line and column. */
function problemOf(error: unknown, file: string, scope?: Scope): KitProblem {
  const { token, originalError } = error as { token?: At; originalError?: unknown };
  const plain = error instanceof Misplaced ? error.message : messageIn(originalError ?? error);
  const bare = plain.replace(/,(?: file:.*?,)? line:\d+, col:\d+$/, '');
  const isDeep = error instanceof RangeError || originalError instanceof RangeError;
  const place = token && placeOf(token);
  return {
    file: token?.file ?? file,
    ...(place && { place }),
    message: isDeep ? 'It goes too deep to be carried out.' : inWords(bare, scope),
  };
}

function inWords(message: string, scope: Scope | undefined): string {
  for (const [pattern, words] of said) {
    const [, name] = pattern.exec(message) ?? [];
    if (name !== undefined) return words(name, scope);
  }
  const first = message.charAt(0).toUpperCase() + message.slice(1);
  return /[.?!]$/.test(first) ? first : `${first}.`;
}

function placeOf(token: At): Place {
  const [line, column] = token.getPosition() as [number, number];
  return { line, column };
}
