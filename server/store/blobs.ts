import { LessThan, type EntityManager } from 'typeorm';
import { textOfPoint } from './history.ts';
import { BlobTable, PointTable } from './tables.ts';

/** A picture that was only just uploaded is named by an edit in a moment: so long it is left alone. */
const graceMs = 24 * 60 * 60 * 1000;

/** The columns in which digests of pictures, sounds and kept files are named. */
const namingColumns = [
  ['entries', 'document'],
  ['edits', 'changes'],
  ['snapshots', 'document'],
  ['linked_units', 'value'],
] as const;

const digests = /[0-9a-f]{64}/g;
/** So many rows are read at once. */
const rowsAtOnce = 500;

/**
 * Takes away the pictures, sounds and kept files that nothing can reach any more: no mod, no step
 * of the log, no point of the history. Gives how many went.
 */
export async function collectBlobs(manager: EntityManager, now: Date): Promise<number> {
  const blobs = manager.getRepository(BlobTable);
  const before = new Date(now.getTime() - graceMs).toISOString();
  const old = await blobs.find({
    where: [{ added: LessThan(before) }],
    select: { sha256: true },
  });
  const gone = new Set(old.map(({ sha256 }) => sha256));
  if (gone.size === 0) return 0;
  for await (const text of namingTexts(manager))
    for (const [digest] of text.matchAll(digests)) gone.delete(digest);
  for (const sha256 of gone) await blobs.delete({ sha256 });
  return gone.size;
}

/** Every text of the database that may name a digest. */
async function* namingTexts(manager: EntityManager): AsyncGenerator<string> {
  for (const [table, column] of namingColumns)
    for (let offset = 0; ; offset += rowsAtOnce) {
      const rows = await manager.query<{ text: string | null }[]>(
        `SELECT ${column} AS text FROM ${table} ORDER BY rowid LIMIT ${rowsAtOnce} OFFSET ${offset}`,
      );
      for (const { text } of rows) if (text !== null) yield text;
      if (rows.length < rowsAtOnce) break;
    }
  const points = await manager
    .getRepository(PointTable)
    .find({ select: { mod: true, revision: true } });
  for (const { mod, revision } of points) {
    const point = await manager.getRepository(PointTable).findOneBy({ mod, revision });
    if (point?.document) yield textOfPoint(point.document);
  }
}
