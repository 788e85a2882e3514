import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Mods may live in folders of this machine: where, and what both sides held when they were alike. */
export class LinkedFolders1780000000000 implements MigrationInterface {
  name = 'LinkedFolders1780000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE links (mod TEXT PRIMARY KEY NOT NULL REFERENCES mods(name), folder TEXT NOT ' +
        'NULL UNIQUE, taken TEXT, given TEXT)',
    );
    await runner.query(
      'CREATE TABLE linked_units (mod TEXT NOT NULL REFERENCES mods(name), unit TEXT NOT NULL, ' +
        'files TEXT NOT NULL, value TEXT, previous TEXT, PRIMARY KEY (mod, unit))',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE linked_units');
    await runner.query('DROP TABLE links');
  }
}
