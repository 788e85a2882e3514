import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The first layout of the database. Later layouts are further steps; this one is never changed. */
export class FirstLayout1700000000000 implements MigrationInterface {
  name = 'FirstLayout1700000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE mods (name TEXT PRIMARY KEY NOT NULL, revision INTEGER NOT NULL, ' +
        'created TEXT NOT NULL, built INTEGER)',
    );
    await runner.query(
      'CREATE TABLE entries (mod TEXT NOT NULL REFERENCES mods(name), kind TEXT NOT NULL, ' +
        'name TEXT NOT NULL, document TEXT NOT NULL, revision INTEGER NOT NULL, PRIMARY KEY ' +
        '(mod, kind, name))',
    );
    await runner.query(
      'CREATE TABLE edits (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, mod TEXT NOT NULL ' +
        'REFERENCES mods(name), revision INTEGER NOT NULL, at TEXT NOT NULL, author TEXT NOT ' +
        'NULL, label TEXT NOT NULL, kind TEXT NOT NULL, of INTEGER, changes TEXT NOT NULL, ' +
        'UNIQUE (mod, revision))',
    );
    await runner.query(
      'CREATE TABLE blobs (sha256 TEXT PRIMARY KEY NOT NULL, type TEXT NOT NULL, size ' +
        'INTEGER NOT NULL, facts TEXT, bytes BLOB NOT NULL)',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['blobs', 'edits', 'entries', 'mods'])
      await runner.query(`DROP TABLE ${table}`);
  }
}
