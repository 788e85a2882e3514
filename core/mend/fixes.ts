import type { JsonProblem } from '../json/index.ts';
import type { SchemaProblem } from '../mod/issues.ts';
import type { FileFix } from './file-change.ts';

/** How a mistake of a JSON text is mended, where there is no doubt of what was meant. */
export const fixOfText = (file: string, { mend }: JsonProblem): FileFix | undefined =>
  mend && { title: mend.title, files: [{ file, edits: mend.edits }] };

/** How what does not fit its schema is mended: by what was most likely meant. */
export function fixOfMisfit(
  file: string,
  at: string,
  { meant }: SchemaProblem,
): FileFix | undefined {
  if (!meant) return undefined;
  return 'key' in meant
    ? { title: `Call it "${meant.key}"`, files: [{ file, at, key: meant.key }] }
    : { title: `Write ${JSON.stringify(meant.value)}`, files: [{ file, at, value: meant.value }] };
}
