import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Documents and log say the edition in which they were written; the mod as it was built last is
 * kept; the columns of the log are called what they hold.
 */
export class Editions1770000000000 implements MigrationInterface {
  name = 'Editions1770000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE edits RENAME COLUMN at TO time');
    await runner.query('ALTER TABLE edits RENAME COLUMN of TO stepRevision');
    for (const table of ['entries', 'edits'])
      await runner.query(`ALTER TABLE ${table} ADD COLUMN edition INTEGER NOT NULL DEFAULT 1`);
    await runner.query(
      'CREATE TABLE snapshots (mod TEXT PRIMARY KEY NOT NULL REFERENCES mods(name), revision ' +
        'INTEGER NOT NULL, edition INTEGER NOT NULL, document TEXT NOT NULL)',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE snapshots');
    for (const table of ['entries', 'edits'])
      await runner.query(`ALTER TABLE ${table} DROP COLUMN edition`);
    await runner.query('ALTER TABLE edits RENAME COLUMN stepRevision TO of');
    await runner.query('ALTER TABLE edits RENAME COLUMN time TO at');
  }
}
