import Sqlite from 'better-sqlite3';
import { existsSync, mkdirSync, statSync } from 'node:fs';
import path from 'node:path';
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { DiskProblem } from '../../disk/index.ts';
import { migrations } from './migrations/index.ts';
import { tables } from './tables.ts';

/** What the database is called in its data folder. */
export const databaseFile = 'obrank.sqlite';

/** How long to wait for another program that holds the database. */
const patience = 1500;

/**
 * Opens the database of a data folder, creating both when they are missing, and brings it to the
 * newest layout. Throws a {@link DiskProblem} for a file that is damaged, newer than this program
 * or another program's; such a file is only read, never written.
 */
export async function openDatabase(folder: string): Promise<DataSource> {
  const database = path.join(folder, databaseFile);
  try {
    mkdirSync(folder, { recursive: true });
    if (existsSync(database)) examine(database);
    return await connect(database);
  } catch (error) {
    throw error instanceof DiskProblem
      ? error
      : new DiskProblem(whyNotOpened(error, folder, database));
  }
}

function connect(database: string): Promise<DataSource> {
  const source = new DataSource({
    type: 'better-sqlite3',
    database,
    entities: [...tables],
    migrations: [...migrations],
    migrationsRun: true,
    timeout: patience,
    prepareDatabase: (connection: Sqlite.Database) => {
      // One server to a folder: two would not know of each other's edits. The lock ends with the
      // process, however it ends.
      connection.pragma('locking_mode = EXCLUSIVE');
      // A write that was answered survives the process and the machine: write-ahead log, synced at
      // every commit.
      connection.pragma('journal_mode = WAL');
      connection.pragma('synchronous = FULL');
      connection.pragma('foreign_keys = ON');
      connection.exec('BEGIN EXCLUSIVE; COMMIT');
    },
  });
  return source.initialize();
}

/**
 * Looks at a database without writing to it. Throws a {@link DiskProblem} unless it is whole, ours
 * and of a layout that is known.
 */
export function examine(file: string): void {
  if (!statSync(file).isFile())
    throw new DiskProblem(
      `${file} is not an ordinary file, so it is no database. Choose another folder with --data.`,
    );
  if (statSync(file).size === 0) return;
  const connection = new Sqlite(file, { readonly: true, fileMustExist: true, timeout: patience });
  try {
    const names = (sql: string) =>
      new Set(
        connection
          .prepare<[], { name: string }>(sql)
          .all()
          .map(({ name }) => name),
      );
    const tables = names("SELECT name FROM sqlite_master WHERE type = 'table'");
    if (tables.size === 0) return;
    if (!tables.has('migrations') || !tables.has('mods'))
      throw new DiskProblem(
        `${file} is the database of another program. It was left as it is; choose another ` +
          'folder with --data.',
      );
    const known = new Set(migrations.map((migration) => migration.name));
    const newer = [...names('SELECT name FROM migrations')].find((name) => !known.has(name));
    if (newer !== undefined)
      throw new DiskProblem(
        `${file} was written by a newer Obrank, which this one does not understand ` +
          `(${newer}). It was left as it is; start the newer one.`,
      );
    const [found] = connection.pragma('quick_check(1)') as { quick_check: string }[];
    if (found?.quick_check !== 'ok')
      throw new DiskProblem(damaged(file, found?.quick_check ?? 'it cannot be checked'));
  } finally {
    connection.close();
  }
}

const damaged = (file: string, why: string): string =>
  `${file} is damaged: ${why.replace(/\s+/g, ' ').slice(0, 200)}. It was left as it is; ` +
  'put a copy in its place, or choose another folder with --data.';

function whyNotOpened(error: unknown, folder: string, file: string): string {
  const { code, message } = error as { code?: string; message: string };
  if (/locked|busy/i.test(message))
    return (
      `The data folder ${folder} is in use by another Obrank. Stop that one, or choose ` +
      'another folder with --data.'
    );
  if (/CORRUPT|NOTADB/.test(code ?? '') || /malformed|not a database/.test(message))
    return damaged(file, message);
  return `The data folder ${folder} cannot be opened: ${message}. Choose another with --data.`;
}
