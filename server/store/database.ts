import { mkdirSync } from 'node:fs';
import path from 'node:path';
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { BlobTable, EditTable, EntryTable, FirstLayout1700000000000, ModTable } from './tables.ts';

/** Opens the database of a data folder, creating both when they are missing, and brings it to the newest layout. */
export async function openDatabase(folder: string): Promise<DataSource> {
  mkdirSync(folder, { recursive: true });
  const source = new DataSource({
    type: 'better-sqlite3',
    database: path.join(folder, 'obrank.sqlite'),
    entities: [ModTable, EntryTable, EditTable, BlobTable],
    migrations: [FirstLayout1700000000000],
    migrationsRun: true,
    timeout: 1500,
    prepareDatabase: (database: { pragma(text: string): unknown; exec(text: string): unknown }) => {
      // One server to a folder: two would not know of each other's edits. The lock ends with the process, however it ends.
      database.pragma('locking_mode = EXCLUSIVE');
      // A write that was answered survives the process and the machine: write-ahead log, synced at every commit.
      database.pragma('journal_mode = WAL');
      database.pragma('synchronous = FULL');
      database.pragma('foreign_keys = ON');
      database.exec('BEGIN EXCLUSIVE; COMMIT');
    },
  });
  return source.initialize();
}
