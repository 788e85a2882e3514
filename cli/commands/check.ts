import path from 'node:path';
import { tally, type Finding } from '../../core/inspect/index.ts';
import { count } from '../../core/words/index.ts';
import { readModOrPack, shown, type ReadTarget } from '../../disk/index.ts';
import { inspectTree } from '../inspect-tree.ts';

export interface CheckOptions {
  format: 'text' | 'json';
}

/**
 * Checks a mod folder, a pack folder or a built file. Findings go to standard output; the exit code
 * is 1 when there is an error.
 */
export async function check(target: string, { format }: CheckOptions): Promise<number> {
  const tree = await readModOrPack(target);
  const findings = inspectTree(tree);
  const sums = tally(findings);
  if (format === 'json') {
    const told = findings.map(({ fix, ...finding }) => ({ ...finding, fix: fix?.title }));
    console.log(JSON.stringify({ target, kind: tree.kind, tally: sums, findings: told }, null, 2));
  } else {
    for (const finding of findings) console.log(shown(lineOf(target, tree, finding)));
    const words =
      `${count(sums.error, 'error')}, ${count(sums.warning, 'warning')}, ` +
      count(sums.hint, 'hint');
    console.error(findings.length ? words : `Nothing wrong in ${tree.files.size} files.`);
  }
  return sums.error ? 1 : 0;
}

/** A finding as one line: where, how bad, by which rule, and in words. */
function lineOf(
  target: string,
  tree: ReadTarget,
  { file = '', place, severity, rule, message }: Finding,
): string {
  const where =
    tree.kind === 'pack' && target.endsWith(tree.kit.ending)
      ? `${target}/${file}`
      : path.join(target, file);
  return `${where}:${place?.line ?? 1}:${place?.column ?? 1} ${severity} ${rule} ${message}`;
}
