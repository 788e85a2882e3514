import type { Files } from '../../bytes/index.ts';
import { printJson } from '../../json/index.ts';
import type { Kit } from '../../kits/index.ts';
import { inspectBuilt } from '../index.ts';
import type { Mutation } from './mutations.ts';

/** A pack as it is written by hand: nothing tells of a file that it was changed. */
export function withoutDigests(files: Files): Files {
  const { files: _digests, ...pack } = JSON.parse(
    new TextDecoder().decode(files.get('pack.json')),
  ) as Record<string, unknown>;
  return new Map(files).set('pack.json', new TextEncoder().encode(printJson(pack)));
}

/**
 * Whether a mistake is found where it was made: on its line where it has one, in its file, or, of a
 * file that is gone, anywhere at all.
 */
export function howCaught(
  kit: Kit,
  { kind, file, line, files }: Mutation,
): 'on its line' | 'in its file' | 'missed' {
  const found = inspectBuilt(kit, files);
  if (kind === 'deleted') return found.length ? 'on its line' : 'missed';
  const there = found.filter((finding) => finding.file === file);
  if (!there.length) return 'missed';
  return line === undefined || there.some(({ place }) => place?.line === line)
    ? 'on its line'
    : 'in its file';
}
