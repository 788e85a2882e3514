import path from 'node:path';
import { z } from 'zod';
import { digestOf, readZip, writeZip, type Files } from '../core/bytes/index.ts';
import { Name, recordOf, Sha256 } from '../core/mod/names.ts';
import { readOrdinary } from './ordinary.ts';
import type { Target } from './target.ts';

/**
 * What Obrank wrote at a target last: the digest of every file and the words of every text, against
 * which the next build sees what people changed, and what they said of the target.
 */
export interface BuildRecord extends Said {
  digests: ReadonlyMap<string, string>;
  texts: ReadonlyMap<string, string>;
}

/** What people said of a target, and the next build goes by. */
export interface Said {
  /** The files that are theirs. */
  mine: readonly string[];
  /** Whether it is somebody else's pack, into which ours comes. */
  joins: boolean;
  /** The blocks that are built there; all of the mod without it. */
  blocks?: readonly string[] | undefined;
}

/** The hidden folder of a built folder in which the record lies. */
export const recordFolder = '.obrank';
/** The record of a built folder, in that folder. */
export const recordFile = `${recordFolder}/written.zip`;

/** Where the record of a target lies: in a folder, and beside a file. */
export const recordPlace = ({ path: target, kind }: Target): string =>
  kind === 'folder'
    ? path.join(target, recordFile)
    : path.join(path.dirname(target), `.${path.basename(target)}.obrank`);

const listFile = 'written.json';
const textFolder = 'texts/';

const List = z.strictObject({
  edition: z.literal(1),
  files: recordOf(z.string().max(1000), Sha256),
  mine: z.array(z.string().max(1000)).max(10_000),
  joins: z.literal(true).optional(),
  blocks: z.array(Name).max(10_000).optional(),
});

/** A larger record is none of ours. */
const mostBytes = 512 * 2 ** 20;

/**
 * The record of a target; undefined where there is none, or none that can be read: then nothing is
 * known of what was written, and nothing is concluded from it.
 */
export async function readRecord(target: Target): Promise<BuildRecord | undefined> {
  try {
    const files = readZip(await readOrdinary(recordPlace(target), mostBytes));
    const decoder = new TextDecoder();
    const list = List.parse(JSON.parse(decoder.decode(files.get(listFile))));
    const digests = new Map(Object.entries(list.files));
    const texts = [...files].flatMap(([file, bytes]): [string, string][] => {
      const of = file.startsWith(textFolder) ? file.slice(textFolder.length) : '';
      // A text that is not what the list says is not what was written.
      return digests.get(of) === digestOf(bytes) ? [[of, decoder.decode(bytes)]] : [];
    });
    const { mine, joins = false, blocks } = list;
    return { digests, texts: new Map(texts), mine, joins, ...(blocks && { blocks }) };
  } catch {
    return undefined;
  }
}

/** The record of files that were built, as it is kept. */
export function recordOfBuild(
  files: Files,
  isText: (file: string) => boolean,
  { mine, joins, blocks }: Said,
): Uint8Array {
  const list = {
    edition: 1,
    files: Object.fromEntries([...files].map(([file, bytes]) => [file, digestOf(bytes)])),
    mine: [...mine].sort(),
    ...(joins && { joins }),
    ...(blocks && { blocks: [...blocks].sort() }),
  };
  const kept: Files = new Map([[listFile, new TextEncoder().encode(JSON.stringify(list))]]);
  for (const [file, bytes] of files) if (isText(file)) kept.set(textFolder + file, bytes);
  return writeZip(kept);
}
