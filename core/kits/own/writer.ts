import { unsafePath, type Files } from '../../bytes/index.ts';
import { type KitFileRule, type Mod, type OwnKit } from '../../mod/index.ts';
import type { BlobOf } from '../kit.ts';
import { bounds } from './bounds.ts';
import { Templates, type Scope } from './engine.ts';
import { modelFor } from './model/mod.ts';
import type { ModModel } from './model/schema.ts';
import { KitError, type KitProblem } from './problem.ts';
import type { Span } from './run.ts';
import { subjectsOf, subjectsOfBlock, type Subject } from './subjects.ts';
import { mistakeIn, syntaxOf } from './syntax.ts';

/** A text that a kit wrote, or why it could not. */
export interface WrittenText {
  path: string;
  /** The number of its rule in kit.json. */
  rule: number;
  /** What it was written for, in words. */
  called: string;
  text: string;
  spans: readonly Span[];
  /** What is wrong with it, told at the template where it can be. */
  problem?: KitProblem;
}

const encoder = new TextEncoder();

/** Writes mods with a kit that somebody made: its rules, one after the other, and their templates. */
export class KitWriter {
  readonly templates: Templates;

  constructor(
    readonly name: string,
    readonly own: OwnKit,
    texts: ReadonlyMap<string, string>,
  ) {
    this.templates = new Templates(texts, own);
  }

  /** What is wrong with the kit before anything is written with it. */
  problems(): KitProblem[] {
    const asked = this.own.files.flatMap((rule, index) => {
      const problem = rule.template === undefined ? undefined : this.missing(rule.template, index);
      return problem ? [problem] : [];
    });
    const broken = [...new Set(this.own.files.flatMap(({ template }) => template ?? []))].flatMap(
      (file) => (this.templates.has(file) ? (this.templates.problemIn(file) ?? []) : []),
    );
    return [...asked, ...broken];
  }

  private missing(template: string, rule: number): KitProblem | undefined {
    if (this.templates.has(template)) return undefined;
    return {
      file: 'kit.json',
      pointer: `/files/${rule}/template`,
      message: `The kit has no file "${template}".`,
    };
  }

  /** All files of a build. Throws a {@link KitError} at the first that cannot be written. */
  write(mod: Mod, blobOf: BlobOf, onProgress?: (done: number, total: number) => void): Files {
    const refuse = (problem: KitProblem): never => {
      throw new KitError(this.own.title, problem);
    };
    return this.writeAll(mod, blobOf, refuse, onProgress);
  }

  /** The same, telling all that cannot be written and leaving it out. */
  writeAll(
    mod: Mod,
    blobOf: BlobOf,
    onProblem: (problem: KitProblem) => void,
    onProgress?: (done: number, total: number) => void,
  ): Files {
    const model = modelFor(mod);
    const made = new Made(onProblem);
    const jobs = this.own.files.map((rule) => subjectsOf(rule.for, model));
    const total = jobs.reduce((sum, list) => sum + list.length, 0);
    const picture = mod.header.picture?.sha256;
    let done = 0;
    for (const [index, rule] of this.own.files.entries())
      for (const subject of jobs[index] ?? []) {
        if (done % 16 === 0) onProgress?.(done, total);
        done += 1;
        const sha256 = rule.for === 'mod' ? picture : subject.sha256;
        if (rule.copy && sha256 === undefined) continue;
        const written = rule.copy
          ? this.copied(index, rule, subject, model)
          : this.text(index, rule, subject, model);
        if (written?.problem) onProblem(written.problem);
        else if (written)
          made.put(
            written,
            sha256 !== undefined && rule.copy ? blobOf(sha256) : encoder.encode(written.text),
          );
      }
    return new Map([...made.files].sort(([a], [b]) => (a < b ? -1 : 1)));
  }

  /** The texts that follow from one block alone, with what is wrong with each. */
  textsOfBlock(mod: Mod, block: string): WrittenText[] {
    const model = modelFor(mod);
    return this.own.files.flatMap((rule, index) =>
      rule.copy
        ? []
        : subjectsOfBlock(rule.for, model, block).flatMap(
            (subject) => this.text(index, rule, subject, model) ?? [],
          ),
    );
  }

  /** What one rule writes for one thing, traced, or the path to which it copies. */
  preview(
    index: number,
    rule: KitFileRule,
    subject: Subject,
    model: ModModel,
  ): WrittenText | undefined {
    return rule.copy
      ? this.copied(index, rule, subject, model)
      : this.text(index, rule, subject, model, true);
  }

  /** What one rule writes for one thing; undefined where it writes nothing. */
  text(
    index: number,
    rule: KitFileRule,
    subject: Subject,
    model: ModModel,
    isTraced = false,
  ): WrittenText | undefined {
    const scope = this.scope(subject, model);
    const none = { rule: index, called: subject.called, text: '', spans: [] };
    const path = this.path(index, rule, scope);
    if (path === '') return undefined;
    if (typeof path !== 'string') return { ...none, path: rule.template ?? '', problem: path };
    const template = rule.template ?? '';
    const lacking = this.missing(template, index);
    if (lacking) return { ...none, path, problem: lacking };
    const rendered = this.templates.render(template, scope, isTraced);
    if ('problem' in rendered)
      return {
        ...none,
        path,
        problem: { ...rendered.problem, ...said(rendered.problem, subject) },
      };
    if (!/\S/.test(rendered.text)) return undefined;
    const problem = this.mistake(rule, path, rendered.text, { template, scope, subject });
    return {
      ...none,
      path,
      text: rendered.text,
      spans: rendered.spans,
      ...(problem && { problem }),
    };
  }

  /** Where a picture or sound is copied to; undefined where it is not. */
  private copied(
    index: number,
    rule: KitFileRule,
    subject: Subject,
    model: ModModel,
  ): WrittenText | undefined {
    const path = this.path(index, rule, this.scope(subject, model));
    if (path === '') return undefined;
    const none = { rule: index, called: subject.called, text: '', spans: [] };
    return typeof path === 'string'
      ? { ...none, path }
      : { ...none, path: rule.path, problem: path };
  }

  private scope(subject: Subject, mod: ModModel): Scope {
    const kit = { name: this.name, title: this.own.title };
    return { own: subject.own, everywhere: { mod, kit, ...subject.own } };
  }

  /** Where a rule writes: nothing where it writes nothing, a problem where that is no path. */
  private path(index: number, rule: KitFileRule, scope: Scope): string | KitProblem {
    const pointer = `/files/${index}/path`;
    const rendered = this.templates.renderLine(`kit.json#${pointer}`, rule.path, scope);
    if ('problem' in rendered)
      return { file: 'kit.json', pointer, message: rendered.problem.message };
    const path = rendered.text.trim();
    const why = path === '' ? undefined : oddPath(path);
    return why === undefined ? path : { file: 'kit.json', pointer, message: why };
  }

  /** What is wrong with a text that was written, told at the part of a template that wrote it. */
  private mistake(
    rule: KitFileRule,
    path: string,
    text: string,
    { template, scope, subject }: { template: string; scope: Scope; subject: Subject },
  ): KitProblem | undefined {
    const syntax = rule.is ?? syntaxOf(path);
    if (syntax === 'json' && isJson(text)) return undefined;
    const mistake = mistakeIn(text, syntax);
    if (!mistake) return undefined;
    const traced = this.templates.render(template, scope, true);
    const spans = 'problem' in traced ? [] : traced.spans;
    const source = sourceOf(spans, offsetOf(text, mistake.place));
    const { line, column } = mistake.place;
    return {
      file: source?.file ?? template,
      ...(source && { place: this.templates.placeIn(source.file, source.offset) }),
      message:
        `What it writes for ${subject.called} cannot be read as ${syntax.toUpperCase()}: ` +
        `${path}, line ${line}, column ${column}: ${mistake.message}`,
    };
  }
}

/** Whether a text is JSON; that a key stands twice is looked at only where it is not. */
function isJson(text: string): boolean {
  try {
    JSON.parse(text);
    return true;
  } catch {
    return false;
  }
}

/** A problem of a template with what it was written for. */
const said = ({ message }: KitProblem, { called }: Subject): Pick<KitProblem, 'message'> => ({
  message: `${message} (For ${called}.)`,
});

/** Why a text is no path of a build, in a sentence. */
function oddPath(path: string): string | undefined {
  if (path.length > bounds.path) return `The path is longer than ${bounds.path} letters.`;
  const why = unsafePath(path);
  if (why !== undefined) return `"${path}" is ${why}.`;
  if (path.split('/').some((part) => part.startsWith('.')))
    return `"${path}" is hidden: a part of it begins with a dot.`;
  return undefined;
}

/** The offset of a place in a text; places count from 1. */
export function offsetOf(text: string, { line, column }: { line: number; column: number }): number {
  let from = 0;
  for (let at = 1; at < line; at += 1) {
    const end = text.indexOf('\n', from);
    if (end < 0) return text.length;
    from = end + 1;
  }
  return Math.min(text.length, from + column - 1);
}

/** The part of a template that wrote a letter: its file, and where in it. */
export function sourceOf(
  spans: readonly Span[],
  offset: number,
): { file: string; offset: number } | undefined {
  const span = spans.find(({ to }) => offset < to) ?? spans.at(-1);
  if (!span) return undefined;
  const within = span.isPlain ? Math.max(0, Math.min(offset, span.to) - span.from) : 0;
  return { file: span.file, offset: span.begin + within };
}

/** The files of a build as they come together; no two may want one place. */
class Made {
  readonly files: Files = new Map();
  private readonly owners = new Map<string, string>();
  private letters = 0;

  constructor(private readonly onProblem: (problem: KitProblem) => void) {}

  put({ path, rule, called }: WrittenText, bytes: Uint8Array): void {
    const pointer = `/files/${rule}/path`;
    const refuse = (message: string) => this.onProblem({ file: 'kit.json', pointer, message });
    const before = this.owners.get(path.toLowerCase());
    this.letters += bytes.length;
    if (before !== undefined) refuse(`Both ${before} and ${called} want the file ${path}.`);
    else if (this.files.size >= bounds.files || this.letters > bounds.allLetters)
      refuse('The build grows beyond what one build may be.');
    else {
      this.owners.set(path.toLowerCase(), called);
      this.files.set(path, bytes);
    }
  }
}
