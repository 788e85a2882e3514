import type { Files } from '../bytes/index.ts';
import { applyFileChanges, type FileChange, type FilesChange } from '../mend/index.ts';
import { pathsMeet, type Change } from '../mod/index.ts';
import type { Finding, Fix } from './finding.ts';
import type { Form } from './form.ts';
import type { Reading } from './run.ts';

/** Files after fixes, and which of the fixes were made. */
export interface MendedFiles {
  files: Files;
  made: Fix[];
}

/**
 * Files with fixes made in them, in the way in which their authors wrote them; the given ones stay
 * as they are. Fixes that disturb each other cannot all be made at once: those left out can be asked
 * for anew of the files as they then are. Where files are themselves mended, what they declare is
 * not, since it may read otherwise then. What was read of the files spares reading them anew.
 *
 * @example mendFiles(formOf(blockPack), files, [finding.fix]).files
 */
export function mendFiles(
  form: Form,
  files: Files,
  fixes: readonly Fix[],
  reading?: Pick<Reading, 'mend'>,
): MendedFiles {
  const ofFiles = fixes.filter((fix) => fix.files?.length);
  const mended = ofFiles.length
    ? mendThemselves(files, ofFiles)
    : mendDeclared(form, files, fixes, reading?.mend);
  for (const [path, bytes] of form.settle?.(files, mended.files) ?? [])
    put(mended.files, path, bytes);
  return mended;
}

function put(files: Files, path: string, bytes: Uint8Array | undefined): void {
  if (bytes) files.set(path, bytes);
  else files.delete(path);
}

/** In one text either ranges or values are mended at once, since a range stands where it was found. */
function mendThemselves(files: Files, fixes: readonly Fix[]): MendedFiles {
  const mended = new Map(files);
  const taken = new Map<string, FileChange[]>();
  const chosen = fixes.filter(({ files: changes = [] }) => {
    const fits = changes.every((change) =>
      (taken.get(change.file) ?? []).every((other) => standBeside(change, other)),
    );
    if (!fits) return false;
    for (const change of changes)
      taken.set(change.file, [...(taken.get(change.file) ?? []), change]);
    return true;
  });
  const changes = [...taken.values()].flatMap((ofFile) => withRangesAsOne(ofFile));
  const made = new Set(applyFileChanges(mended, changes));
  const isMade = (change: FileChange) => 'edits' in change || made.has(change);
  return { files: mended, made: chosen.filter((fix) => fix.files!.every(isMade)) };
}

/** Whether two changes of one file can be made in one go. */
function standBeside(a: FileChange, b: FileChange): boolean {
  if ('edits' in a && 'edits' in b)
    return a.edits.every((one) =>
      b.edits.every(
        (other) =>
          one.offset + one.length < other.offset || other.offset + other.length < one.offset,
      ),
    );
  return 'value' in a && 'value' in b && !pathsMeet(a.at, b.at);
}

const withRangesAsOne = (changes: readonly FileChange[]): FileChange[] => {
  const [first] = changes;
  return first && 'edits' in first
    ? [{ file: first.file, edits: changes.flatMap((one) => ('edits' in one ? one.edits : [])) }]
    : [...changes];
};

/** What is declared is changed as a whole; where that finds no place, in halves. */
function mendDeclared(
  form: Form,
  files: Files,
  fixes: readonly Fix[],
  mend: Reading['mend'] = (changes) => form.mend?.(files, changes),
): MendedFiles {
  const kept = withoutClash(fixes);
  const done = kept.length ? mend(kept.flatMap(({ changes }) => changes)) : undefined;
  if (done) return { files: changedFiles(files, done), made: kept };
  if (kept.length < 2) return { files: new Map(files), made: [] };
  const half = Math.ceil(kept.length / 2);
  const first = mendDeclared(form, files, kept.slice(0, half), mend);
  const second = mendDeclared(form, first.files, kept.slice(half));
  return { files: second.files, made: [...first.made, ...second.made] };
}

function changedFiles(files: Files, changes: FilesChange): Files {
  const changed = new Map(files);
  for (const [path, bytes] of changes) put(changed, path, bytes);
  return changed;
}

/** Fixes of which no two change the same part or one within the other. */
function withoutClash(fixes: readonly Fix[]): Fix[] {
  const taken = new Set<string>();
  const within = new Set<string>();
  const roots = ({ path }: Change) =>
    [...path.matchAll(/\//g)].map(({ index }) => path.slice(0, index));
  return fixes.filter(({ changes }) => {
    const clashes = changes.some(
      (change) =>
        taken.has(change.path) ||
        within.has(change.path) ||
        roots(change).some((root) => taken.has(root)),
    );
    if (clashes || !changes.length) return false;
    for (const change of changes) {
      taken.add(change.path);
      for (const root of roots(change)) within.add(root);
    }
    return true;
  });
}

/** So many times files are mended and asked anew at most. */
const mostRounds = 32;

/**
 * Files in which every finding that is chosen and has a fix is mended, and how many were. What a fix
 * brings to light is mended too; a finding that its own fix does not mend is left alone.
 *
 * @example mendAll(formOf(blockPack), files, ({ rule }) => rule === 'names/missing')
 */
export function mendAll(
  form: Form,
  files: Files,
  isChosen: (finding: Finding) => boolean,
): { files: Files; mended: number } {
  let [at, mended] = [files, 0];
  const tried = new Set<string>();
  const keyOf = ({ rule, file, message }: Finding) => JSON.stringify([rule, file, message]);
  for (let round = 0; round < mostRounds; round += 1) {
    const reading = form.read(at);
    const found = reading.findings.filter(
      (finding) => finding.fix && isChosen(finding) && !tried.has(keyOf(finding)),
    );
    const byFix = new Map(found.map((finding) => [finding.fix!, finding]));
    const { files: next, made } = mendFiles(form, at, [...byFix.keys()], reading);
    if (!made.length) return { files: at, mended };
    for (const fix of made) tried.add(keyOf(byFix.get(fix)!));
    [at, mended] = [next, mended + made.length];
  }
  return { files: at, mended };
}
