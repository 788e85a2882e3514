import { closest, didYouMean } from '../../../words/index.ts';
import { layout, placeInPack } from '../format/index.ts';
import type { ReadPack } from './index.ts';

/** What may lie beside the files of a pack: hidden files, and words about it for people. */
const mayLieThere =
  /(^|\/)(\.[^/]+|(readme|licen[cs]e|copying|notice|changelog|authors|credits)(\.[^/]*)?|[^/]+\.(md|txt))$/i;

/** Says of a file that nothing is kept there, and what is nearly there is not absent. */
export function readElsewhere(pack: ReadPack, file: string): void {
  if (mayLieThere.test(file)) return;
  const lower = file.toLowerCase();
  const isCase = lower !== file && placeInPack(lower) !== undefined;
  const near = isCase ? lower : nearPath(file);
  const meant = near === undefined ? undefined : placeInPack(near);
  if (meant) pack.unread.add(meant.rule.kind, meant.name);
  pack.problems.push({
    rule: 'files/unknown-file',
    file,
    place: { line: 1, column: 1 },
    message:
      'Nothing in a Block Pack is kept at this path.' +
      `${isCase ? ' Names are lowercase.' : ''}${didYouMean(near)}`,
    fix:
      near === undefined || pack.files.has(near)
        ? undefined
        : { title: `Move it to ${near}`, files: [{ file, movesTo: near }] },
  });
}

/**
 * The nearest path at which something is kept, when a folder or an ending is written a little
 * wrong.
 */
function nearPath(file: string): string | undefined {
  const slash = file.lastIndexOf('/') + 1;
  const folder = closest(
    file.slice(0, slash),
    [...new Set(layout.map((rule) => rule.folder))].filter(Boolean),
  );
  const candidates = [
    ...(folder ? [folder + file.slice(slash)] : []),
    ...layout.flatMap((rule) =>
      typeof rule.named === 'string' ? [`${rule.folder}${rule.named}${rule.ending}`] : [],
    ),
  ];
  const fitting = candidates.filter((path) => path !== file && placeInPack(path));
  return closest(file, fitting);
}
