import type Sqlite from 'better-sqlite3';
import type { DataSource, EntityManager } from 'typeorm';
import { Problem } from '../problem.ts';

/** The connection itself: it alone knows whether a transaction is open. */
export const connectionOf = (source: DataSource): Sqlite.Database =>
  (source.driver as unknown as { databaseConnection: Sqlite.Database }).databaseConnection;

/**
 * Does work as one transaction and gives its result once that is on disk. The transaction is ours
 * and not TypeORM's: where a COMMIT fails, as on a full disk, SQLite has rolled back by itself, and
 * only the connection can say so. Nothing is acknowledged before the connection is outside of every
 * transaction. Calls must not overlap. Throws what the work or the disk throws, with nothing
 * written.
 */
export async function inTransaction<T>(
  source: DataSource,
  work: (manager: EntityManager) => Promise<T>,
): Promise<T> {
  const connection = connectionOf(source);
  connection.exec('BEGIN IMMEDIATE');
  try {
    const result = await work(source.manager);
    connection.exec('COMMIT');
    if (connection.inTransaction) throw new Error('The transaction did not end with its commit.');
    return result;
  } catch (error) {
    if (connection.inTransaction) connection.exec('ROLLBACK');
    throw error;
  }
}

/**
 * What a failed write or read of the database means, for people; undefined when the failure is
 * another one.
 */
export function storageProblem(error: unknown): Problem | undefined {
  const { driverError } = error as { driverError?: unknown };
  const { code } = (driverError ?? error) as { code?: unknown };
  if (typeof code !== 'string' || !code.startsWith('SQLITE_')) return undefined;
  if (code === 'SQLITE_FULL')
    return new Problem(
      507,
      'Disk full',
      'The disk that holds the mods is full, so nothing of this was saved. Free some space; ' +
        'the page tries again by itself.',
    );
  if (/^SQLITE_(IOERR|READONLY|CANTOPEN|PERM)/.test(code))
    return new Problem(
      507,
      'Disk cannot be written',
      `The disk that holds the mods cannot be written (${code}), so nothing of this was ` +
        'saved. The page tries again by itself.',
    );
  if (/^SQLITE_(CORRUPT|NOTADB)/.test(code))
    return new Problem(
      500,
      'Database damaged',
      'A part of the database is damaged and cannot be read. Nothing was changed; keep a ' +
        'copy of the data folder before anything else.',
    );
  return undefined;
}
