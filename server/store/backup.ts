import Sqlite from 'better-sqlite3';
import { copyFile, lstat, open, rename, rm } from 'node:fs/promises';
import path from 'node:path';
import type { DataSource } from 'typeorm';
import { DiskProblem, inWords, shown } from '../../disk/index.ts';
import { databaseFile, examine } from './database.ts';
import { connectionOf } from './transaction.ts';

/** What may be done to a file that is there. */
interface HowToWrite {
  overwrite?: boolean | undefined;
}

/**
 * Copies the database into a file while it is in use (SQLite, "Online Backup API"): a whole copy of
 * one moment, written beside and renamed. Throws a {@link DiskProblem}, with nothing written over.
 */
export async function backupTo(
  source: DataSource,
  file: string,
  { overwrite = false }: HowToWrite = {},
): Promise<void> {
  const found = await lstat(file).catch(() => undefined);
  if (found && !found.isFile()) throw new DiskProblem(`${shown(file)} is no ordinary file.`);
  if (found && !overwrite)
    throw new DiskProblem(`${shown(file)} is there already. Say --overwrite to replace it.`);
  const part = `${file}.obrank-${process.pid}`;
  try {
    await connectionOf(source).backup(part);
    await synced(part);
    await rename(part, file);
  } catch (error) {
    throw inWords(error, file);
  } finally {
    await rm(part, { force: true });
  }
}

/**
 * Puts a backup in the place of a data folder's database, and gives where the one before lies now:
 * it is kept. The backup is checked first, as a whole. Throws a {@link DiskProblem}, with nothing
 * changed, for a file that is damaged, newer than this program or another program's, and while the
 * folder is in use.
 */
export async function restoreFrom(
  backup: string,
  folder: string,
  now: Date,
): Promise<string | undefined> {
  const database = path.join(folder, databaseFile);
  if (!(await lstat(backup).catch(() => undefined)))
    throw new DiskProblem(`${shown(backup)} does not exist.`);
  examineBackup(backup);
  const isThere = (await lstat(database).catch(() => undefined)) !== undefined;
  if (isThere) refuseInUse(database, folder);
  const part = `${database}.restoring-${process.pid}`;
  try {
    await copyFile(backup, part);
    await synced(part);
    const aside = isThere ? await setAside(database, now) : undefined;
    await rename(part, database);
    return aside;
  } catch (error) {
    throw inWords(error, database);
  } finally {
    await rm(part, { force: true });
  }
}

/** Throws unless a file is a whole database of ours, of a layout that is known. */
function examineBackup(file: string): void {
  const notOne = (why: string) =>
    new DiskProblem(
      `${shown(file)} is no backup that can be restored: ${why}. Nothing was changed.`,
    );
  let connection;
  try {
    examine(file);
    connection = new Sqlite(file, { readonly: true, fileMustExist: true });
    const [found] = connection.pragma('integrity_check(1)') as { integrity_check: string }[];
    if (found?.integrity_check !== 'ok') throw notOne(found?.integrity_check ?? 'it is damaged');
    const mods = "SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'mods'";
    if (connection.prepare(mods).get() === undefined) throw notOne('it is empty');
  } catch (error) {
    throw error instanceof DiskProblem ? error : notOne((error as Error).message);
  } finally {
    connection?.close();
  }
}

/** Waits until the disk has a file. */
async function synced(file: string): Promise<void> {
  const handle = await open(file, 'r+');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}

/** Throws while another program has the database open. One that is damaged is nobody's. */
function refuseInUse(database: string, folder: string): void {
  let connection;
  try {
    connection = new Sqlite(database, { timeout: 500 });
    connection.pragma('locking_mode = EXCLUSIVE');
    connection.exec('BEGIN EXCLUSIVE; COMMIT');
    // What stands in the log beside it becomes part of the file that is kept.
    connection.pragma('wal_checkpoint(TRUNCATE)');
  } catch (error) {
    const { code = '' } = error as { code?: string };
    if (/BUSY|LOCKED/.test(code))
      throw new DiskProblem(
        `The data folder ${shown(folder)} is in use by Obrank. Stop that first; nothing was changed.`,
      );
  } finally {
    connection?.close();
  }
}

/** Renames the database, and what SQLite keeps beside it, and gives its new path. */
async function setAside(database: string, now: Date): Promise<string> {
  const stamp = now.toISOString().replaceAll(/[:.]/g, '-');
  const aside = database.replace(/\.sqlite$/, `-before-${stamp}.sqlite`);
  for (const ending of ['-wal', '-shm'])
    if (await lstat(database + ending).catch(() => undefined))
      await rename(database + ending, aside + ending);
  await rename(database, aside);
  return aside;
}
