import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Points of the history: named ones, and the mod as it stood where the log was folded. Pictures and
 * sounds say when they came, so that the ones that nobody needs any more can go.
 */
export class History1781000000000 implements MigrationInterface {
  name = 'History1781000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE points (mod TEXT NOT NULL REFERENCES mods(name), revision INTEGER NOT NULL, ' +
        'name TEXT, time TEXT NOT NULL, edition INTEGER NOT NULL, document BLOB, ' +
        'PRIMARY KEY (mod, revision))',
    );
    await runner.query('ALTER TABLE blobs ADD COLUMN added TEXT');
    await runner.query("UPDATE blobs SET added = strftime('%Y-%m-%dT%H:%M:%fZ', 'now')");
    await runner.query('ALTER TABLE mods ADD COLUMN removed TEXT');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE mods DROP COLUMN removed');
    await runner.query('ALTER TABLE blobs DROP COLUMN added');
    await runner.query('DROP TABLE points');
  }
}
