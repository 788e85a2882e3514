import path from 'node:path';
import type { Finding } from '../../core/inspect/index.ts';
import { count } from '../../core/words/index.ts';
import { inspectModFolder, inspectPack, tally } from '../../core/inspect/index.ts';
import { readPack } from '../../core/kits/block-pack/read/index.ts';
import { readModOrPack } from '../../disk/index.ts';

export interface CheckOptions { format: 'text' | 'json' }

/** Checks a mod folder, a pack folder or an `.obpack`. Findings go to standard output; the exit code is 1 when there is an error. */
export async function check(target: string, { format }: CheckOptions): Promise<number> {
  const { kind, files } = await readModOrPack(target);
  const findings = kind === 'pack' ? inspectPack(readPack(files)) : inspectModFolder(files);
  const sums = tally(findings);
  if (format === 'json') console.log(JSON.stringify({ target, kind, tally: sums, findings: findings.map(({ fix, ...finding }) => ({ ...finding, fix: fix?.title })) }, null, 2));
  else for (const finding of findings) console.log(line(target, finding));
  if (format === 'text') console.error(findings.length ? `${count(sums.error, 'error')}, ${count(sums.warning, 'warning')}, ${count(sums.hint, 'hint')}` : `Nothing wrong in ${files.size} files.`);
  return sums.error ? 1 : 0;
}

const line = (target: string, { file = '', place, severity, rule, message }: Finding): string => {
  const where = target.endsWith('.obpack') ? `${target}/${file}` : path.join(target, file);
  return `${where}:${place?.line ?? 1}:${place?.column ?? 1} ${severity} ${rule} ${message}`;
};

