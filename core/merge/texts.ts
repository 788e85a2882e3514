import { diff3Merge } from 'node-diff3';
import { parseJson } from '../json/index.ts';
import { decoded, rewritten } from '../mend/index.ts';
import { mergedNames, mergeValues, type Chosen, type MergeRules } from './values.ts';

/** A place in a text that both people and Obrank changed since the last build, and not alike. */
export interface TextClash {
  /** Where: a JSON Pointer, or a line of what people have, counted from 1. */
  place: string;
  base: string;
  /** As people have it. */
  mine: string;
  /** As it would be built. */
  built: string;
}

/** A merged text, and where both sides changed the same. */
export interface MergedText {
  text: string;
  clashes: TextClash[];
}

/**
 * The three texts of a file: as it was built last, if it ever was, as it stands, and as it would be
 * built now.
 */
export interface Three {
  base?: string | undefined;
  mine: string;
  built: string;
}

/** How a text is merged: JSON by its structure, a list of lines as a list, any other line by line. */
export type TextForm = 'json' | 'list' | 'lines';

/**
 * Merges what people made of a file with what is built now: JSON by its structure, in the form in
 * which people have it, and any other text line by line. Where both changed the same place and
 * nobody has chosen, people's stays. A file that was never built before is put together with
 * somebody else's; undefined where its form does not allow that.
 *
 * @example mergeTexts({ base: 'a\nb\n', mine: 'A\nb\n', built: 'a\nB\n' }, {}, 'lines')
 * // { text: 'A\nB\n', clashes: [] }
 */
export function mergeTexts(
  { base, mine, built }: Three,
  rules: Pick<MergeRules, 'chosen' | 'joins'>,
  form: TextForm,
): MergedText | undefined {
  if (mine === built || base === built) return { text: mine, clashes: [] };
  if (base === mine) return { text: built, clashes: [] };
  if (form === 'list') return { text: mergeList({ base, mine, built }), clashes: [] };
  const byStructure = form === 'json' ? mergeJson({ base, mine, built }, rules) : undefined;
  if (byStructure || base === undefined) return byStructure;
  return mergeLines({ base, mine, built }, rules.chosen);
}

/** What people have, without the lines that Obrank no longer writes and with those that it brings. */
function mergeList({ base = '', mine, built }: Three): string {
  const lines = (text: string) => text.replace(/\n$/, '').split('\n');
  return mergedNames(lines(base), lines(mine), lines(built)).join('\n') + '\n';
}

/** Merged by structure; undefined where one of the texts is no JSON, or cannot be written so. */
function mergeJson({ base, mine, built }: Three, rules: MergeRules): MergedText | undefined {
  const read = [base, mine, built].map((text) =>
    text === undefined ? { value: undefined, problems: [] } : parseJson(text),
  );
  if (read.some(({ problems }) => problems.length)) return undefined;
  const [was, theirs, ours] = read.map(({ value }) => value);
  const { value, clashes } = mergeValues(was, theirs, ours, rules);
  const bytes = rewritten(mine, value);
  return bytes && { text: decoded(bytes), clashes: clashes.map(asText) };
}

const asText = ({
  path,
  ...sides
}: ReturnType<typeof mergeValues>['clashes'][number]): TextClash => ({
  place: path,
  base: printed(sides.base),
  mine: printed(sides.mine),
  built: printed(sides.built),
});

const printed = (value: unknown): string =>
  value === undefined ? '' : JSON.stringify(value, undefined, 2);

/** Comparing takes the square of the lines that are alike: longer texts are one place. */
const mostLines = 20_000;

function mergeLines({ base = '', mine, built }: Three, chosen?: Chosen): MergedText {
  const lines = (text: string) => text.split('\n');
  if (lines(mine).length > mostLines || lines(built).length > mostLines)
    return {
      text: chosen?.(0) === 'built' ? built : mine,
      clashes: [{ place: '1', base, mine, built }],
    };
  const merged: string[] = [];
  const clashes: TextClash[] = [];
  for (const { ok, conflict } of diff3Merge(lines(mine), lines(base), lines(built), {
    excludeFalseConflicts: true,
  })) {
    if (ok) merged.push(...ok);
    if (!conflict) continue;
    merged.push(...(chosen?.(clashes.length) === 'built' ? conflict.b : conflict.a));
    clashes.push({
      place: String(conflict.aIndex + 1),
      base: conflict.o.join('\n'),
      mine: conflict.a.join('\n'),
      built: conflict.b.join('\n'),
    });
  }
  return { text: merged.join('\n'), clashes };
}
