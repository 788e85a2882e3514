import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The worlds of the Yard are kept with their mod: one of each scene, as it was left. */
export class Yards1782000000000 implements MigrationInterface {
  name = 'Yards1782000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE yards (mod TEXT NOT NULL REFERENCES mods(name), scene TEXT NOT NULL, "left" ' +
        'TEXT NOT NULL, world TEXT NOT NULL, PRIMARY KEY (mod, scene))',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE yards');
  }
}
