import type { z } from 'zod';
import { closest } from '../words/index.ts';

/** One way in which data does not fit its schema: where, and what to write instead. */
export interface SchemaProblem {
  path: (string | number)[];
  message: string;
}

type Issue = z.core.$ZodIssue;

/** More problems than this help nobody: the rest is counted. */
const maxProblems = 100;

/**
 * What a schema found, as full sentences for people: the first hundred, and a last one that says
 * how many more there are.
 */
export function schemaProblems(error: z.ZodError): SchemaProblem[] {
  const found: SchemaProblem[] = [];
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
  return more
    ? [
        ...found,
        { path: [], message: `There are ${more.toLocaleString('en')} more problems like these.` },
      ]
    : found;
}

function explain(issue: Issue, base: (string | number)[]): SchemaProblem[] {
  const path = [
    ...base,
    ...issue.path.map((step) => (typeof step === 'symbol' ? String(step) : step)),
  ];
  const one = (message: string): SchemaProblem[] => [{ path, message }];
  switch (issue.code) {
    case 'unrecognized_keys':
      return issue.keys.map((key) => ({
        path: [...path, key],
        message: `There is no key "${key}" here.`,
      }));
    case 'invalid_type': {
      if (issue.input === undefined && path.length)
        return one(`"${String(path.at(-1))}" is missing: ${article(issue.expected)} belongs here.`);
      return one(`This must be ${article(issue.expected)}.`);
    }
    case 'invalid_value':
      return one(
        'This must be ' +
          `${listed(issue.values.map((value) => JSON.stringify(value)))}.${meant(issue.input, issue.values)}`,
      );
    case 'invalid_union': {
      if (!issue.errors.length)
        return one(`This ${String(path.at(-1))} is not one that is known here.`);
      // The branch that got furthest is the one that was meant.
      const branches = issue.errors.map((issues) =>
        issues.flatMap((inner) => explain(inner, path)),
      );
      const depth = (problems: SchemaProblem[]) =>
        Math.max(0, ...problems.map((problem) => problem.path.length));
      const best = [...branches].sort((a, b) => depth(b) - depth(a))[0];
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
    case 'invalid_key':
      return one(
        `The key "${String(path.at(-1))}" is not allowed: ` +
          `${issue.issues[0]?.message ?? 'choose another name'}.`,
      );
    case 'invalid_format':
      return one(`This is not allowed here: ${issue.message}.`);
    case 'too_big':
      return one(
        'This is too ' +
          `${issue.origin === 'string' || issue.origin === 'array' ? 'long' : 'large'}: at most ` +
          `${String(issue.maximum)}.`,
      );
    case 'too_small':
      return one(
        'This is too ' +
          `${issue.origin === 'string' || issue.origin === 'array' ? 'short' : 'small'}: at ` +
          `least ${String(issue.minimum)}.`,
      );
    default:
      return one(`${issue.message}.`);
  }
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

function meant(input: unknown, values: readonly unknown[]): string {
  const near =
    typeof input === 'string'
      ? closest(
          input,
          values.filter((value) => typeof value === 'string'),
        )
      : undefined;
  return near === undefined ? '' : ` Did you mean "${near}"?`;
}
