import { mostCharged } from './charge.ts';
import { letterCases, type LetterCase, type OwnKit } from '../../../mod/index.ts';
import { lookUp } from '../../../json/index.ts';
import { isOrientation, type Orientation } from '../../../space/index.ts';
import { closest, didYouMean, listed } from '../../../words/index.ts';
import { anglesTo, axesIn, type Angles } from './angles.ts';
import { inCase } from './letter-case.ts';

/** The filters of the template language that a kit can use as they are. */
export const lentFilters = [
  'abs',
  'append',
  'at_least',
  'at_most',
  'capitalize',
  'ceil',
  'compact',
  'concat',
  'default',
  'divided_by',
  'downcase',
  'escape',
  'find',
  'first',
  'floor',
  'has',
  'join',
  'last',
  'map',
  'minus',
  'modulo',
  'plus',
  'prepend',
  'reject',
  'remove',
  'replace',
  'reverse',
  'round',
  'size',
  'slice',
  'sort',
  'split',
  'strip',
  'sum',
  'times',
  'uniq',
  'upcase',
  'where',
] as const;

/** What the filters of a kit follow: how its engine is told of turns, and how names are written. */
export type FilterSettings = Pick<OwnKit, 'limits' | 'names'>;

/** What a filter is called with: itself bound to the run, the value, and the words after it. */
type Filter = (this: Charging, value: unknown, ...given: unknown[]) => unknown;
interface Charging {
  context: { memoryLimit: { use: (count: number) => void } };
}

/** The filters of our own, for a kit. Each throws an Error with a sentence for what it cannot do. */
export function ownFilters({ limits, names }: FilterSettings): Record<string, Filter> {
  const angles = limits?.orientations;
  return {
    json(value, indent) {
      const text = jsonText(value, indent);
      this.context.memoryLimit.use(text.length);
      return text;
    },
    angles: (value, about, sense) =>
      asAngles(value, turnsFrom(about, sense, typeof angles === 'object' ? angles : undefined)),
    scale(value, by, digits) {
      this.context.memoryLimit.use(mostCharged(value));
      return scaled(value, numberGiven('scale', by), digitsGiven(digits));
    },
    case: (value, wanted) => inCase(textGiven('case', value), caseGiven(wanted)),
    indent(value, by) {
      const text = textGiven('indent', value);
      const lines = text.split('\n');
      const wide = Math.min(64, Math.max(0, Math.floor(numberGiven('indent', by))));
      this.context.memoryLimit.use(text.length + lines.length * wide);
      return lines.map((line, at) => (at && line ? ' '.repeat(wide) + line : line)).join('\n');
    },
    hex: (value, width) => asHex(value, width),
    asks: (value) => conditionsOf(value),
    group_by(value, path) {
      this.context.memoryLimit.use(mostCharged(value));
      return groupedBy(value, textGiven('group_by', path));
    },
    id: (value) => idAs(textGiven('id', value), names),
    file: (value) => kept(textGiven('file', value), names?.files, 'name'),
  };
}

/** So deep do values lie in one another at most that a filter goes through. */
const mostDeep = 64;

/**
 * A value as JSON. What is nothing is left out of groups: a model says outright what is not there,
 * a file mostly leaves it out.
 */
function jsonText(value: unknown, indent: unknown): string {
  if (value === undefined) return 'null';
  const wide = indent === undefined ? 0 : numberGiven('json', indent);
  return JSON.stringify(plain(value, 0), undefined, Math.min(8, Math.max(0, Math.floor(wide))));
}

function plain(value: unknown, depth: number): unknown {
  if (depth > mostDeep) throw new Error('The value goes too deep for JSON.');
  if (Array.isArray(value)) return value.map((item) => plain(item, depth + 1) ?? null);
  if (typeof value !== 'object' || value === null) return value;
  const entries: [string, unknown][] = [];
  for (const [key, item] of Object.entries(value))
    if (item !== null && item !== undefined) entries.push([key, plain(item, depth + 1)]);
  return Object.fromEntries(entries);
}

function turnsFrom(about: unknown, sense: unknown, usual: Angles | undefined): Angles {
  if (about === undefined) {
    if (usual) return usual;
    throw new Error(
      'Say about which axes, as in angles: "xy", or say it once in kit.json under ' +
        'limits, orientations.',
    );
  }
  const axes = typeof about === 'string' ? axesIn(about) : undefined;
  if (!axes) throw new Error('Name axes in one word, each once, as in angles: "xy".');
  if (sense === undefined || sense === 'clockwise' || sense === 'counterclockwise')
    return { about: axes, sense, unit: usual?.unit };
  throw new Error('An angle goes "clockwise" or "counterclockwise".');
}

function asAngles(value: unknown, turns: Angles): Partial<Record<string, number>> {
  const { front, top } = (value ?? {}) as Partial<Orientation>;
  const isOne = front !== undefined && top !== undefined;
  if (!isOne || !isOrientation({ front, top }))
    throw new Error('Only what has a front and a top has angles.');
  const angles = anglesTo({ front, top }, turns);
  if (angles) return angles;
  throw new Error(
    `No turns about ${listed(turns.about)} lead to front ${front}, top ${top}: ` +
      'the engine cannot show that.',
  );
}

/** A number, or every number in lists and groups, times a factor. */
function scaled(value: unknown, by: number, digits: number, depth = 0): unknown {
  if (depth > mostDeep) throw new Error('The value goes too deep to be scaled.');
  if (typeof value === 'number') return rounded(value * by, digits);
  if (Array.isArray(value)) return value.map((item) => scaled(item, by, digits, depth + 1));
  if (value === null) return null;
  throw new Error('Only a number, or a list of numbers, can be scaled.');
}

/** A number with so many digits after the point at most; nothing is ever −0. */
const rounded = (value: number, digits: number): number => Number(value.toFixed(digits)) + 0;

function asHex(value: unknown, width: unknown): string {
  if (typeof value === 'string' && /^#[0-9a-f]{6}$/i.test(value)) return value.slice(1);
  if (typeof value !== 'number' || !Number.isSafeInteger(value) || value < 0)
    throw new Error('Only a colour such as #d8cba0, or a whole number from 0, can be hex.');
  const wide = width === undefined ? 1 : numberGiven('hex', width);
  return value.toString(16).padStart(Math.min(64, wide), '0');
}

/** What a condition asks of each property, as a list; nothing asks nothing. */
function conditionsOf(when: unknown): { property: string; values: unknown[] }[] {
  if (when === null) return [];
  if (typeof when !== 'object' || Array.isArray(when))
    throw new Error('The filter asks takes the condition of a row, its when.');
  return Object.entries(when).map(([property, values]: [string, unknown]) => ({
    property,
    values: Array.isArray(values) ? values : [values],
  }));
}

/** Items in groups by what each has under a path, groups in the order in which they come first. */
function groupedBy(value: unknown, path: string): { name: unknown; items: unknown[] }[] {
  if (!Array.isArray(value)) throw new Error('Only a list can be grouped.');
  const groups = new Map<unknown, unknown[]>();
  for (const item of value as unknown[]) {
    const name = under(item, path.split('.'));
    const group = groups.get(name);
    if (group) group.push(item);
    else groups.set(name, [item]);
  }
  return [...groups].map(([name, items]) => ({ name, items }));
}

function under(item: unknown, steps: readonly string[]): unknown {
  let there = item;
  for (const step of steps) {
    if (there === null) return null;
    const found: unknown =
      typeof there === 'object' ? lookUp(there as Record<string, unknown>, step) : undefined;
    if (found === undefined) throw new Error(`There is no "${steps.join('.')}" to group by.`);
    there = found;
  }
  return there;
}

/** An id as the kit writes it: a tag keeps its #, and between namespace and name stands what it says. */
function idAs(id: string, names: FilterSettings['names']): string {
  const [, hash = '', namespace, name = ''] = /^(#?)(?:(.*?):)?(.*)$/s.exec(id) ?? [];
  const written = kept(name, names?.ids, 'id');
  return namespace === undefined
    ? hash + written
    : `${hash}${kept(namespace, names?.ids, 'id')}${names?.between ?? ':'}${written}`;
}

type NameRule = NonNullable<NonNullable<OwnKit['names']>['ids']>;

/** A name as the kit's rule writes it. Throws where it breaks the rule all the same. */
function kept(name: string, rule: NameRule | undefined, what: 'id' | 'name'): string {
  const { case: wanted, longest = Infinity, letters } = rule ?? {};
  const made = wanted === undefined ? name : inCase(name, wanted);
  if (made.length > longest)
    throw new Error(`The ${what} "${made}" has ${made.length} letters; ${longest} are allowed.`);
  if (letters !== undefined) refuseOtherLetters(made, letters, what);
  return made;
}

function refuseOtherLetters(made: string, letters: string, what: string): void {
  const odd = new RegExp(`[^${letters}/]`, 'u').exec(made)?.[0];
  if (odd !== undefined)
    throw new Error(`The ${what} "${made}" has "${odd}" in it; only ${letters} are allowed.`);
}

function textGiven(filter: string, value: unknown): string {
  if (typeof value === 'string') return value;
  throw new Error(`The filter ${filter} takes a text${value === null ? '; this is nothing' : ''}.`);
}

function numberGiven(filter: string, value: unknown): number {
  if (typeof value === 'number' && Number.isFinite(value)) return value;
  throw new Error(`After ${filter}: belongs a number.`);
}

const digitsGiven = (digits: unknown): number =>
  digits === undefined ? 6 : Math.min(12, Math.max(0, Math.floor(numberGiven('scale', digits))));

function caseGiven(wanted: unknown): LetterCase {
  if ((letterCases as readonly unknown[]).includes(wanted)) return wanted as LetterCase;
  const near = typeof wanted === 'string' ? closest(wanted, letterCases) : undefined;
  throw new Error(`After case: belongs ${listed(letterCases, 'or')}.${didYouMean(near)}`);
}
