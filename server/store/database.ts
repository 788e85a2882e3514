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
    prepareDatabase: (database: { pragma(text: string): unknown }) => {
      // A write that was answered survives the process and the machine: write-ahead log, synced at every commit.
      database.pragma('journal_mode = WAL');
      database.pragma('synchronous = FULL');
      database.pragma('foreign_keys = ON');
    },
  });
  return source.initialize();
}
