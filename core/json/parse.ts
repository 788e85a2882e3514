import { itemAt } from '../lists/index.ts';
import { parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser';
import { whyNotPlain } from './plain.ts';
import { pointerSteps } from './pointer.ts';
import { isTrailingComma, mendOf, type TextMend } from './text-mend.ts';

/** A place in a text: line and column, both from 1. */
export interface Place {
  line: number;
  column: number;
}

/**
 * Something wrong with a text as JSON. `key-twice` is read by most programs and still never meant.
 */
export interface JsonProblem {
  kind: 'malformed' | 'key-twice';
  message: string;
  at: Place;
  key?: string;
  /** What to write instead, where there is no doubt of what was meant. */
  mend?: TextMend;
}

export interface JsonText {
  /** The value, undefined when the text is malformed. */
  value: unknown;
  problems: JsonProblem[];
  /** The place of the value at a JSON Pointer; of its nearest parent when there is none. */
  placeOf: (path: string) => Place;
}

/**
 * Deeper nesting than this is refused: no file of ours needs it, and it would exhaust the stack.
 */
const deepest = 64;
/**
 * Longer texts, in characters, and texts with more keys are no declaration; reading them would take
 * minutes and gigabytes.
 */
const maxLength = 8 * 1024 * 1024;
const maxKeys = 500_000;
/** So many problems of one text are told; the rest is counted. */
const maxProblems = 100;

/**
 * Reads strict JSON (RFC 8259) and says what is wrong in words, with line and column. Where it goes
 * on, a text whose mistakes leave no doubt what was meant (a comma too many or too few, a comment, a
 * byte order mark) has a value all the same.
 *
 * @example parseJson('{"a": 1,}').problems[0].message
 * // "There is a comma after the last entry. Remove it."
 */
export function parseJson(text: string, { goesOn = false } = {}): JsonText {
  const place = places(text);
  const bad: Bad = (message, offset, mend) => ({
    value: undefined,
    problems: [{ kind: 'malformed', message, at: place(offset), mend }],
    placeOf: () => place(offset),
  });
  if (text.length > maxLength)
    return bad(
      `The file is longer than ${maxLength / 1024 / 1024} million characters, so it is not read.`,
      0,
    );
  if (text.startsWith('\uFEFF')) {
    const marked = bad('The file begins with a byte order mark. Save it as UTF-8 without one.', 0, {
      title: 'Remove the mark',
      edits: [{ offset: 0, length: 1, insert: '' }],
    });
    if (!goesOn) return marked;
    const rest = parseJson(text.slice(1), { goesOn });
    const problems = rest.problems.map((one) => ({ ...one, mend: one.mend && movedOn(one.mend) }));
    return { ...rest, problems: [...marked.problems, ...problems] };
  }
  if (text.trim() === '') return bad('The file is empty.', 0);
  const { tooDeep, keys } = scan(text);
  if (tooDeep !== undefined)
    return bad(`The nesting is more than ${deepest} levels deep.`, tooDeep);
  if (keys > maxKeys)
    return bad(
      `The file holds ${keys.toLocaleString('en')} keys; at most ` +
        `${maxKeys.toLocaleString('en')} are read.`,
      0,
    );
  const read = quick(text, keys, place) ?? careful(text, place, bad, goesOn);
  // Only an escape or the word itself can bring in what is not plain.
  const why =
    text.includes('__proto__') || text.includes('\\u') ? whyNotPlain(read.value) : undefined;
  return why === undefined
    ? atMost(read)
    : bad(`The text ${why}.`, Math.max(0, text.indexOf('__proto__')));
}

type Bad = (message: string, offset: number, mend?: TextMend) => JsonText;

/** The same mend in a text with a mark before it. */
const movedOn = ({ title, edits }: TextMend): TextMend => ({
  title,
  edits: edits.map((edit) => ({ ...edit, offset: edit.offset + 1 })),
});

function atMost(read: JsonText): JsonText {
  const more = read.problems.length - maxProblems;
  const [first] = read.problems;
  if (more <= 0 || !first) return read;
  const rest = {
    ...first,
    message: `There are ${more.toLocaleString('en')} more problems like these.`,
  };
  return { ...read, problems: [...read.problems.slice(0, maxProblems), rest] };
}

/**
 * The platform's parser is many times faster than one that keeps places. It serves every text that
 * it takes and in which no key stands twice, which shows in the number of keys; the tree with the
 * places is made only when somebody asks for one.
 */
function quick(text: string, keys: number, place: (offset: number) => Place): JsonText | undefined {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return undefined;
  }
  if (keysIn(value) !== keys) return undefined;
  let tree: Node | undefined;
  return {
    value,
    problems: [],
    placeOf: (path) => place(nodeAt((tree ??= parseTree(text)!), path).offset),
  };
}

function keysIn(value: unknown): number {
  if (typeof value !== 'object' || value === null) return 0;
  if (Array.isArray(value)) return value.reduce<number>((sum, item) => sum + keysIn(item), 0);
  return Object.values(value).reduce<number>((sum, item) => sum + 1 + keysIn(item), 0);
}

function careful(
  text: string,
  place: (offset: number) => Place,
  bad: Bad,
  goesOn: boolean,
): JsonText {
  const errors: ParseError[] = [];
  const tree = parseTree(text, errors, {
    disallowComments: true,
    allowTrailingComma: false,
    allowEmptyContent: false,
  });
  const [first] = errors;
  const merge = /^(<{7}|={7}|>{7})( |$)/m.exec(text);
  if (first && merge) return bad(mergeMarker, merge.index);
  if (first && !(goesOn && tree && errors.every((error) => isPlain(error, text))))
    return bad(inWords(first, text), placeOfMistake(first, text), mendOf(first, text));
  if (!tree) return bad('The file holds no value.', 0);
  // The parser stumbles over some mistakes twice.
  const mistakes = new Map(errors.map((error) => [placeOfMistake(error, text), error]));
  const problems: JsonProblem[] = [...mistakes].map(([at, error]) => ({
    kind: 'malformed',
    message: inWords(error, text),
    at: place(at),
    mend: mendOf(error, text),
  }));
  const value = build(tree, (node, key, earlier) =>
    problems.push({
      kind: 'key-twice',
      key,
      message: `The key "${key}" stands twice in one object; only the last would count.`,
      at: place(node.offset),
      mend: { title: 'Remove the first', edits: [{ ...earlier, insert: '' }] },
    }),
  );
  return { value, problems, placeOf: (path) => place(nodeAt(tree, path).offset) };
}

/** Offsets to lines and columns, by binary search over the line starts. */
function places(text: string): (offset: number) => Place {
  let starts: number[] | undefined;
  return (offset) => {
    if (!starts) {
      starts = [0];
      for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1))
        starts.push(at + 1);
    }
    let low = 0;
    let high = starts.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (itemAt(starts, middle) <= offset) low = middle;
      else high = middle - 1;
    }
    return { line: low + 1, column: offset - itemAt(starts, low) + 1 };
  };
}

/** Where a text nests too deep, and how many keys it has: every colon outside of texts ends one. */
function scan(text: string): { tooDeep?: number; keys: number } {
  let [depth, keys] = [0, 0];
  for (let at = 0; at < text.length; at += 1) {
    switch (text.charCodeAt(at)) {
      case 0x22: // a quotation mark: on to the one that ends the text, or to the end of a line that lacks it
        for (at += 1; at < text.length; at += 1) {
          const char = text.charCodeAt(at);
          if (char === 0x5c) at += 1;
          else if (char === 0x22 || char === 0x0a) break;
        }
        break;
      case 0x3a:
        keys += 1;
        break;
      case 0x7b:
      case 0x5b:
        depth += 1;
        if (depth > deepest) return { tooDeep: at, keys };
        break;
      case 0x7d:
      case 0x5d:
        depth -= 1;
        break;
      default:
    }
  }
  return { keys };
}

interface Range {
  offset: number;
  length: number;
}
/** Hears of a key that stands twice, and of where the entry before it stands. */
type Twice = (node: Node, key: string, earlier: Range) => void;

/**
 * The tree as a plain value, telling of keys that stand twice. `__proto__` is kept as an ordinary
 * key.
 */
function build(node: Node, twice: Twice): unknown {
  if (node.type === 'array') return (node.children ?? []).map((child) => build(child, twice));
  if (node.type !== 'object') return node.value;
  const object: Record<string, unknown> = {};
  const ranges = new Map<string, Range>();
  for (const [i, entry] of (node.children ?? []).entries()) {
    const [key, value] = entry.children ?? [];
    if (!key || !value) continue;
    const name = String(key.value);
    const earlier = ranges.get(name);
    if (earlier) twice(key, name, earlier);
    const next = node.children?.[i + 1]?.offset ?? entry.offset + entry.length;
    ranges.set(name, { offset: entry.offset, length: next - entry.offset });
    Object.defineProperty(object, name, {
      value: build(value, twice),
      enumerable: true,
      configurable: true,
      writable: true,
    });
  }
  return object;
}

function nodeAt(tree: Node, path: string): Node {
  let node = tree;
  for (const step of pointerSteps(path)) {
    const next: Node | undefined =
      node.type === 'array'
        ? node.children?.[Number(step)]
        : node.children?.find((entry) => entry.children?.[0]?.value === step)?.children?.[1];
    if (!next) return node;
    node = next;
  }
  return node;
}

const mergeMarker =
  'This is a merge marker: two versions of the file stand one after the other. Choose one, and ' +
  'remove the other and the markers.';

/** Where a mistake is mended: a comma too many where the comma is, not where it was noticed. */
const placeOfMistake = (error: ParseError, text: string): number =>
  isTrailingComma(error, text) ? text.slice(0, error.offset).trimEnd().length - 1 : error.offset;

/** Whether a mistake leaves no doubt what was meant. */
const isPlain = (error: ParseError, text: string): boolean =>
  isTrailingComma(error, text) ||
  ['CommaExpected', 'InvalidCommentToken'].includes(printParseErrorCode(error.error));

/** What the parser stumbled over, in plain words and with what to do. */
function inWords(error: ParseError, text: string): string {
  const found = text.slice(error.offset, error.offset + Math.max(1, error.length));
  const before = text.slice(0, error.offset).trimEnd();
  if (/^[\u201c\u201d\u2018\u2019]/.test(found))
    return `${found[0]} is a curly quotation mark. Use the straight one, ".`;
  if (found.startsWith("'"))
    return "Texts stand in double quotation marks; this one begins with '.";
  const key = /^([A-Za-z_$][\w$]*)\s*:/.exec(text.slice(error.offset))?.[1];
  if (key !== undefined) return `The key ${key} stands without quotation marks. Write "${key}".`;
  if (before && isWhole(before))
    return `There is something after the end of the value: ${JSON.stringify(found.slice(0, 20))}.`;
  switch (printParseErrorCode(error.error)) {
    case 'InvalidCommentToken':
      return 'JSON has no comments. Remove this one.';
    case 'CommaExpected':
      return 'A comma is missing before this.';
    case 'ColonExpected':
      return 'A colon is missing between the key and its value.';
    case 'PropertyNameExpected':
    case 'ValueExpected':
      if (isTrailingComma(error, text)) return 'There is a comma after the last entry. Remove it.';
      return error.offset >= text.trimEnd().length
        ? 'The file ends too early: a value is missing.'
        : 'A value or a key in quotation marks is missing before ' +
            `${JSON.stringify(found.slice(0, 20))}.`;
    case 'CloseBraceExpected':
      return error.offset >= text.trimEnd().length
        ? 'The file ends too early: a closing } is missing.'
        : 'A comma or a closing } is missing before this.';
    case 'CloseBracketExpected':
      return error.offset >= text.trimEnd().length
        ? 'The file ends too early: a closing ] is missing.'
        : 'A comma or a closing ] is missing before this.';
    case 'InvalidNumberFormat':
      return `${found} is not a number that JSON knows.`;
    case 'UnexpectedEndOfString':
      return 'This text has no closing quotation mark on its line.';
    case 'UnexpectedEndOfNumber':
      return 'This number ends too early.';
    case 'UnexpectedEndOfComment':
      return 'JSON has no comments. Remove this one.';
    case 'InvalidEscapeCharacter':
      return 'This backslash begins no escape that JSON knows. Write \\\\ for a backslash.';
    case 'InvalidUnicode':
      return 'A \\u escape needs four hexadecimal digits.';
    case 'InvalidCharacter':
      return 'This text holds a control character (a tab or a line break). Write it as \\t or \\n.';
    default:
      return `${JSON.stringify(found.slice(0, 20))} is not a value that JSON knows.`;
  }
}

/** True when a text is one whole value by itself. */
function isWhole(text: string): boolean {
  try {
    JSON.parse(text);
    return true;
  } catch {
    return false;
  }
}
