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
      if (!issue.errors.length) return one(ofKinds(issue, String(path.at(-1))));
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
    case 'invalid_key': {
      const [inner] = issue.issues;
      const why = inner ? (boundInWords(inner) ?? inner.message) : 'choose another name';
      return one(sentence(`The key "${String(path.at(-1))}" is not allowed: ${why}`));
    }
    case 'invalid_format':
      return one(sentence(`${shownInput(issue.input)} is not allowed here: ${issue.message}`));
    case 'too_big':
    case 'too_small':
      return one(sentence(boundInWords(issue)!, true));
    default:
      return one(sentence(issue.message));
  }
}

/** What a kind may be that is none of those that are known. */
function ofKinds(issue: Issue, key: string): string {
  const { options = [] } = issue as { options?: readonly unknown[] };
  const given = (issue.input as Record<string, unknown> | undefined)?.[key];
  const kinds = listed(options.map((option) => JSON.stringify(option)));
  return given === undefined
    ? `"${key}" is missing: it says which kind this is, ${kinds}.`
    : `This ${key} must be ${kinds}.${meant(given, options)}`;
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
