import type { z } from 'zod';
import { pointer } from '../json/index.ts';
import { closest } from '../words/index.ts';
import { keysAt } from './schema-keys.ts';

/** One way in which data does not fit its schema: where, and what to write instead. */
export interface SchemaProblem {
  path: (string | number)[];
  message: string;
  /** What was most likely meant: the key that stands there otherwise, or another value. */
  meant?: { key: string } | { value: string | number };
}

type Issue = z.core.$ZodIssue;

/** More problems than this help nobody: the rest is counted. */
const maxProblems = 100;

/**
 * What a schema found, as full sentences for people: the first hundred, and a last one that says
 * how many more there are. With the schema, a key that is written a little wrong is one problem,
 * and not also one that is missing.
 */
export function schemaProblems(error: z.ZodError, schema?: z.ZodType): SchemaProblem[] {
  const found: Explained[] = [];
  let more = 0;
  for (const issue of error.issues) {
    if (found.length >= maxProblems)
      more += issue.code === 'unrecognized_keys' ? issue.keys.length : 1;
    else {
      const room = maxProblems - found.length;
      const isLong = issue.code === 'unrecognized_keys' && issue.keys.length > room;
      if (isLong) more += issue.keys.length - room;
      found.push(...explain(isLong ? { ...issue, keys: issue.keys.slice(0, room) } : issue, []));
    }
  }
  const told = (schema ? withMeantKeys(found, schema) : found).map(
    ({ path, message, meant }): SchemaProblem => ({ path, message, ...(meant && { meant }) }),
  );
  return more
    ? [
        ...told,
        { path: [], message: `There are ${more.toLocaleString('en')} more problems like these.` },
      ]
    : told;
}

/** A problem with what is needed to say what was meant. */
interface Explained extends SchemaProblem {
  /** Of a key that is not known: those that stand beside it. */
  beside?: string[];
  isMissing?: boolean;
  /** Of what is missing: what belongs there. */
  belongs?: string;
}

/** Names the key that was meant by one that is not known, and that was then not missing. */
function withMeantKeys(found: readonly Explained[], schema: z.ZodType): Explained[] {
  const meant = new Set<string>();
  const named = found.map((problem) => {
    if (!problem.beside) return problem;
    const within = problem.path.slice(0, -1);
    const free = keysAt(schema, within).filter((key) => !problem.beside!.includes(key));
    const key = closest(String(problem.path.at(-1)), free);
    if (key === undefined) return problem;
    meant.add(pointer([...within, key]));
    return { ...problem, message: `${problem.message} Did you mean "${key}"?`, meant: { key } };
  });
  return named.filter(({ path, isMissing }) => !(isMissing && meant.has(pointer(path))));
}

function explain(issue: Issue, base: (string | number)[]): Explained[] {
  const path = [
    ...base,
    ...issue.path.map((step) => (typeof step === 'symbol' ? String(step) : step)),
  ];
  const one = (message: string, more: Partial<Explained> = {}): Explained[] => [
    { path, message, ...more },
  ];
  switch (issue.code) {
    case 'unrecognized_keys':
      return issue.keys.map((key) => ({
        path: [...path, key],
        message: `There is no key "${key}" here.`,
        beside: Object.entries((issue.input ?? {}) as object).flatMap(([key, value]) =>
          value === undefined ? [] : [key],
        ),
      }));
    case 'invalid_type': {
      if (issue.input === undefined && path.length) return missing(path, article(issue.expected));
      return one(`This must be ${article(issue.expected)}.`);
    }
    case 'invalid_value': {
      if (issue.input === undefined && path.length)
        return missing(path, listed(issue.values.map((value) => JSON.stringify(value))));
      const near = nearest(issue.input, issue.values);
      return one(
        'This must be ' +
          `${listed(issue.values.map((value) => JSON.stringify(value)))}.${meant(near)}`,
        near === undefined ? {} : { meant: { value: near } },
      );
    }
    case 'invalid_union': {
      if (!issue.errors.length) return ofKinds(issue, path);
      // The branch that got furthest is the one that was meant.
      const branches = issue.errors.map((issues) =>
        issues.flatMap((inner) => explain(inner, path)),
      );
      const depth = (problems: SchemaProblem[]) =>
        Math.max(0, ...problems.map((problem) => problem.path.length));
      const best = [...branches].sort((a, b) => depth(b) - depth(a))[0];
      const lacking = branches.flat().filter((problem) => problem.path.length === path.length);
      if (path.length && lacking.length && lacking.every(({ isMissing }) => isMissing))
        return missing(path, listed([...new Set(lacking.flatMap(({ belongs }) => belongs ?? []))]));
      if (!best || depth(best) <= path.length) {
        const messages = [
          ...new Set(
            branches.flat().map((problem) => problem.message.replace(/^This must be |\.$/g, '')),
          ),
        ];
        return one(
          messages.length
            ? `This must be ${listed(messages)}.`
            : 'This value does not belong here.',
        );
      }
      return best;
    }
    case 'invalid_key': {
      const [inner] = issue.issues;
      const why = inner ? (boundInWords(inner) ?? inner.message) : 'choose another name';
      return one(sentence(`The key "${String(path.at(-1))}" is not allowed: ${why}`));
    }
    case 'invalid_format':
      return one(sentence(`${shownInput(issue.input)} is not allowed here: ${issue.message}`));
    case 'too_big':
    case 'too_small': {
      const bound = Number(issue.code === 'too_big' ? issue.maximum : issue.minimum);
      const isNumber = typeof issue.input === 'number' && issue.inclusive !== false;
      return one(sentence(boundInWords(issue)!, true), isNumber ? { meant: { value: bound } } : {});
    }
    default:
      return one(sentence(issue.message));
  }
}

/** Says of a key that it is not there, and what belongs there. */
const missing = (path: (string | number)[], belongs: string): Explained[] => [
  {
    path,
    message: `"${String(path.at(-1))}" is missing: ${belongs} belongs here.`,
    isMissing: true,
    belongs,
  },
];

/** What a kind may be that is none of those that are known. */
function ofKinds(issue: Issue, path: (string | number)[]): Explained[] {
  const { options = [] } = issue as { options?: readonly unknown[] };
  const key = String(path.at(-1));
  const given = (issue.input as Record<string, unknown> | undefined)?.[key];
  const kinds = listed(options.map((option) => JSON.stringify(option)));
  if (given === undefined)
    return [
      {
        path,
        message: `"${key}" is missing: it says which kind this is, ${kinds}.`,
        isMissing: true,
      },
    ];
  const near = nearest(given, options);
  return [
    {
      path,
      message: `This ${key} must be ${kinds}.${meant(near)}`,
      ...(near === undefined ? {} : { meant: { value: near } }),
    },
  ];
}

/** A sentence ends with one full stop, and begins with a capital where it should. */
const sentence = (words: string, begins = false): string => {
  const first = begins ? words.charAt(0).toUpperCase() : words.charAt(0);
  return `${first}${words.slice(1).replace(/\.$/, '')}.`;
};

/** What a value was, short enough for a sentence. */
const shownInput = (input: unknown): string =>
  typeof input === 'string' ? JSON.stringify(input.slice(0, 60)) : 'This';

/** `this is too long: at most 200 characters`; undefined for anything but a bound. */
function boundInWords(issue: Issue): string | undefined {
  if (issue.code !== 'too_big' && issue.code !== 'too_small') return undefined;
  const isBig = issue.code === 'too_big';
  const bound = String(isBig ? issue.maximum : issue.minimum);
  const unit = bound === '1' ? '' : 's';
  const units: Record<string, [big: string, small: string, of: string]> = {
    string: ['long', 'short', ` character${unit}`],
    array: ['long', 'short', bound === '1' ? ' entry' : ' entries'],
  };
  const [big, small, of] = units[issue.origin] ?? ['large', 'small', ''];
  return `this is too ${isBig ? `${big}: at most` : `${small}: at least`} ${bound}${of}`;
}

const article = (kind: string): string =>
  ({
    int: 'a whole number',
    number: 'a number',
    string: 'a text in quotation marks',
    boolean: 'true or false',
    array: 'a list in [ ]',
    tuple: 'a list in [ ]',
    object: 'an object in { }',
    record: 'an object in { }',
  })[kind] ?? `a ${kind}`;

const listed = (words: string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} or ${words.at(-1)}`;

/** The value that was most likely meant by a text. */
const nearest = (input: unknown, values: readonly unknown[]): string | undefined =>
  typeof input === 'string'
    ? closest(
        input,
        values.filter((value) => typeof value === 'string'),
      )
    : undefined;

const meant = (near: string | undefined): string =>
  near === undefined ? '' : ` Did you mean "${near}"?`;
