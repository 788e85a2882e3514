import path from 'node:path';
import type { Files } from '../core/bytes/index.ts';
import type { FileFate, PlannedFile } from './plan.ts';
import { DiskProblem, shown } from './problem.ts';
import type { Scan } from './scan.ts';
import type { Target } from './target.ts';

/** A folder with more strange files than this is surely not meant as the place of a pack. */
const maxForeign = 2000;

/**
 * A folder where a file belongs, anything but a folder where one belongs: nothing is built over or
 * through these.
 */
export function refuseWrongKinds(target: string, built: Files, scan: Scan): void {
  const folders = new Set<string>();
  for (const file of built.keys())
    for (let at = path.posix.dirname(file); at !== '.'; at = path.posix.dirname(at))
      folders.add(at);
  for (const [at, { kind }] of scan) {
    const place = shown(path.join(target, at));
    if (kind === 'other')
      throw new DiskProblem(
        `${place} is neither a file nor a folder nor a link, so a build cannot carry it over. ` +
          'Choose a folder of its own for the pack.',
      );
    if (kind === 'folder' && built.has(at))
      throw new DiskProblem(
        `${place} is a folder where a file of the pack belongs. Move it away first.`,
      );
    if (kind !== 'folder' && folders.has(at))
      throw new DiskProblem(
        `${place} is a ${kind} where a folder of the pack belongs. Move it away first.`,
      );
  }
}

/**
 * What a plan asks before anything of somebody's is overwritten; undefined where it asks nothing.
 * Where the build joins what is there, others' files are no question. Throws a {@link DiskProblem}
 * for a folder of too many of them.
 */
export function question(
  { path: target, kind }: Target,
  files: PlannedFile[],
  links: ReadonlySet<string>,
  joins: boolean,
): string | undefined {
  const withFate = (fate: FileFate) => files.filter((file) => file.fate === fate);
  const [edited, foreign, kept] = [withFate('edited'), withFate('foreign'), withFate('kept')];
  if (kind === 'folder' && !joins && kept.length > maxForeign)
    throw new DiskProblem(
      `${shown(target)} holds ${kept.length} files that are no part of a pack. Choose a ` +
        'folder of its own.',
    );
  if (kind === 'file' && !joins && kept.length)
    return `${shown(target)} is not a pack that Obrank built. Building would replace it.`;
  const such = ([first]: PlannedFile[]) =>
    `such as ${shown(first?.path ?? '')}${first && links.has(first.path) ? ', a link' : ''}`;
  const says = [
    ...(edited.length
      ? [`${edited.length} changed by hand since the last build, ${such(edited)}`]
      : []),
    ...(foreign.length ? [`${foreign.length} that Obrank did not write, ${such(foreign)}`] : []),
  ];
  const clashing = withFate('clash');
  const both =
    clashing.length &&
    (joins
      ? `What stands there and what is built differ in the same place in ${clashing.length} of `
      : `You and the mod changed the same place in ${clashing.length} of `) +
      `the files in ${shown(target)}, ${such(clashing)}.`;
  const over =
    says.length && `Building would overwrite files in ${shown(target)}: ${says.join('; and ')}.`;
  if (both || over) return [both, over].filter(Boolean).join(' ');
  const isForeignFolder =
    !joins && kept.length > 0 && kept.length === files.length - withFate('new').length;
  return isForeignFolder
    ? `${shown(target)} holds ${kept.length} other files and no pack yet. They stay, and ` +
        'the pack is built among them.'
    : undefined;
}
